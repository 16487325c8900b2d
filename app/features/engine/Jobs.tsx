import { Button } from '@mantine/core'
import { useState } from 'react'
import { Link } from 'react-router'
import type { Engine, Job } from '@link-count/core/model'
import { selectJobs } from '../../domain/selectors'
import { selectJobView, selectNotReadable } from '../../domain/views'
import { useAppSelector } from '../../store'
import { ChainProgress } from '../../ui/ChainProgress'
import { pinState } from '../../ui/pinState'
import { Fold } from '../../ui/Fold'
import { useWorkshop } from '../../ui/WorkshopContext'
import { formatDate, purposeWords, stepTitle } from '../../ui/wording'
import { JobDialog } from './JobDialog'

/** So many stand open; those before them are folded. */
const LATEST = 2

/** The jobs of an engine, the one in hand to go on with; those that are put away at the end. */
export function Jobs({ engine, onAgain }: { readonly engine: Engine; readonly onAgain: (like: Job) => void }) {
  const jobs = useAppSelector((state) => selectJobs(state, engine.id))
  const [opened, setOpened] = useState<string>()
  const { kind } = useWorkshop()
  if (jobs.length === 0) return null
  const away = jobs.filter(({ archived }) => archived)
  const here = jobs.filter(({ archived }) => !archived)
  const lines = (some: readonly Job[]) => (
    <ul className="plain jobs">
      {some.map(({ id }) => (
        <JobLine key={id} jobId={id} onOpen={() => setOpened(id)} />
      ))}
    </ul>
  )
  return (
    <section>
      <h2>Jobs</h2>
      <p>
        <Link to={`/${kind}/engine/${engine.id}/log`}>Log of settings, and what is due next</Link>
      </p>
      {lines(here.slice(0, LATEST))}
      {here.length > LATEST && (
        <Fold title="Earlier jobs" note={String(here.length - LATEST)}>
          {lines(here.slice(LATEST))}
        </Fold>
      )}
      {away.length > 0 && (
        <Fold title="Jobs put away" note={String(away.length)}>
          {lines(away)}
        </Fold>
      )}
      {opened !== undefined && <OpenedJob jobId={opened} onAgain={onAgain} onClose={() => setOpened(undefined)} />}
    </section>
  )
}

function OpenedJob({
  jobId,
  onAgain,
  onClose,
}: {
  readonly jobId: string
  readonly onAgain: (like: Job) => void
  readonly onClose: () => void
}) {
  const view = useAppSelector((state) => selectJobView(state, jobId))
  if (!view) return null
  const again = () => {
    onClose()
    onAgain(view.job)
  }
  return <JobDialog job={view.job} label={view.label} onAgain={again} onClose={onClose} />
}

function JobLine({ jobId, onOpen }: { readonly jobId: string; readonly onOpen: () => void }) {
  const { kind } = useWorkshop()
  const view = useAppSelector((state) => selectJobView(state, jobId))
  const notReadable = useAppSelector((state) => selectNotReadable(state, jobId))
  if (notReadable)
    return (
      <li>
        <strong>A job that cannot be read</strong>
        <Link className="button-link" to={`/${kind}/job/${jobId}`}>
          Look at it
        </Link>
      </li>
    )
  if (!view) return null
  const { job, label, state, steps, inHand } = view
  return (
    <li>
      <div>
        <strong>Job {label}</strong> <span className="soft">{formatDate(job.at)}</span>
        <p className="soft">
          {job.purpose && job.purpose !== 'whole' && `${purposeWords[job.purpose].name}${job.reason ? ': ' : ''}`}
          {job.reason}
        </p>
        <ChainProgress
          pins={steps.map(({ step, status }) => ({
            title: stepTitle(step, view.sheet),
            state: pinState(status, step === inHand && !state.closed),
          }))}
        />
      </div>
      <Button variant="quiet" onClick={onOpen} aria-label={`Change job ${label}`}>
        Change
      </Button>
      <Link
        className="button-link"
        to={state.closed ? `/${kind}/job/${job.id}/card` : `/${kind}/job/${job.id}`}
        aria-label={`${state.closed ? 'Card' : 'Go on'}, job ${label}`}
      >
        {state.closed ? 'Card' : 'Go on'}
      </Link>
    </li>
  )
}
