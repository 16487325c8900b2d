import type { ReactNode } from 'react'
import { Link } from 'react-router'
import { jobSelectors } from '../domain/jobs'
import { selectDeletedAt, selectEngine } from '../domain/selectors'
import { useAppSelector } from '../store'
import { useOpenEngine } from './useOpenEngine'
import { formatDate } from './wording'
import { useWorkshop } from './WorkshopContext'

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
  const { kind } = useWorkshop()
  const { isOpen, failed } = useOpenEngine(engine?.id ?? '')
  const deletedAt = useAppSelector((state) => selectDeletedAt(state, { engineId, jobId }))
  if (deletedAt !== undefined)
    return (
      <p className="page-message">
        This {jobId === undefined ? 'engine' : 'job'} was deleted on {formatDate(deletedAt)}. A file that still has it
        offers to bring it back when it is opened. <Link to={`/${kind}`}>To the workshop</Link>
      </p>
    )
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
