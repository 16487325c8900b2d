import { Button } from '@mantine/core'
import type { ReactNode } from 'react'
import { useParams } from 'react-router'
import { selectJobView, type JobView } from '../../domain/views'
import { useAppSelector } from '../../store'
import { EngineGate } from '../../ui/EngineGate'
import { PageHeader } from '../../ui/PageHeader'
import './card.css'

/** A page of a job that is printed. `words`: where it stands under its job; with `under`, under the card. */
export function CardFrame({
  words,
  under = false,
  children,
}: {
  readonly words: string
  readonly under?: boolean
  readonly children: (view: JobView) => ReactNode
}) {
  const { jobId = '' } = useParams()
  return (
    <EngineGate jobId={jobId}>
      <Open jobId={jobId} words={words} under={under}>
        {children}
      </Open>
    </EngineGate>
  )
}

function Open({
  jobId,
  words,
  under,
  children,
}: {
  readonly jobId: string
  readonly words: string
  readonly under: boolean
  readonly children: (view: JobView) => ReactNode
}) {
  const view = useAppSelector((state) => selectJobView(state, jobId))
  if (!view) return <p className="page-message">There is no such job in this workshop.</p>
  const { engine, job, label } = view
  return (
    <div className="card-page">
      <PageHeader
        crumbs={[
          { words: engine.name, to: `/engine/${engine.id}` },
          { words: `Job ${label}`, to: `/job/${job.id}` },
          ...(under ? [{ words: 'Card', to: `/job/${job.id}/card` }] : []),
          { words },
        ]}
      >
        <Button variant="filled" onClick={() => window.print()}>
          Print
        </Button>
      </PageHeader>
      <main id="main">{children(view)}</main>
    </div>
  )
}
