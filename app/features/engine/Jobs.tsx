import { Link } from 'react-router'
import type { Engine } from '@link-count/core/model'
import { selectJobs } from '../../domain/selectors'
import { selectJobView, selectNotReadable } from '../../domain/views'
import { useAppSelector } from '../../store'
import { ChainProgress } from '../../ui/ChainProgress'
import { pinState } from '../../ui/pinState'
import { useWorkshop } from '../../ui/WorkshopContext'
import { formatDate, stepTitle } from '../../ui/wording'

/** The jobs of an engine, the one in hand to go on with. */
export function Jobs({ engine }: { engine: Engine }) {
  const jobs = useAppSelector((state) => selectJobs(state, engine.id))
  if (jobs.length === 0) return null
  return (
    <section>
      <h2>Jobs</h2>
      <ul className="plain jobs">
        {jobs.map(({ id }) => (
          <JobLine key={id} jobId={id} />
        ))}
      </ul>
    </section>
  )
}

function JobLine({ jobId }: { jobId: string }) {
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
        <p className="soft">{job.reason}</p>
        <ChainProgress
          pins={steps.map(({ step, status }) => ({
            title: stepTitle(step, view.sheet),
            state: pinState(status, step === inHand && !state.closed),
          }))}
        />
      </div>
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
