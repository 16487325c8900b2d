import type { ReactNode } from 'react'
import { jobSelectors } from '../domain/jobs'
import { selectEngine } from '../domain/selectors'
import { useAppSelector } from '../store'
import { useOpenEngine } from './useOpenEngine'

/** Shows a page of an engine, or of one of its jobs, as soon as what was written on it is at hand. */
export function EngineGate({
  engineId,
  jobId,
  children,
}: {
  readonly engineId?: string
  readonly jobId?: string
  readonly children: ReactNode
}) {
  const job = useAppSelector((state) => jobSelectors.selectById(state.jobs, jobId ?? ''))
  const engine = useAppSelector((state) => selectEngine(state, engineId ?? job?.engineId ?? ''))
  const { isOpen, failed } = useOpenEngine(engine?.id ?? '')
  if (!engine)
    return <p className="page-message">There is no such {jobId === undefined ? 'engine' : 'job'} in this workshop.</p>
  if (isOpen) return <>{children}</>
  if (failed === undefined) return <p className="page-message">One moment.</p>
  return (
    <p className="page-message" role="alert">
      {engine.name} cannot be read from the browser’s storage: {failed}. Load the page again.
    </p>
  )
}
