import { Button } from '@mantine/core'
import { useState } from 'react'
import type { Job } from '@link-count/core/model'
import { removeJob } from '../../domain/removals'
import { changeJob } from '../../domain/writes'
import { useAppDispatch } from '../../store'
import { Dialog } from '../../ui/Dialog'
import { takenOf, useDraft, type Draft, WordsInput } from '../../ui/fields'
import { useAttempt } from '../../ui/useAttempt'
import { DeleteDialog } from './DeleteDialog'
import { withValue } from './sheetChanges'

/** What can be done to a job as a whole: said otherwise why it is here, put away, done once more, deleted. */
export function JobDialog({
  job,
  label,
  onAgain,
  onClose,
}: {
  readonly job: Job
  readonly label: string
  /** Another one like it is wanted. */
  readonly onAgain: () => void
  readonly onClose: () => void
}) {
  const dispatch = useAppDispatch()
  const attempt = useAttempt()
  const [deleting, setDeleting] = useState(false)
  const reason = useDraft(`job:${job.id}:reason`, job.reason)
  const change = (to: (one: Job) => Job, from?: Draft) =>
    attempt('The job', () => dispatch(changeJob(job.id, to, takenOf(from ? [from] : []))), from)
  if (deleting)
    return (
      <DeleteDialog
        name={`job ${label}`}
        engineId={job.engineId}
        remove={() => removeJob(job.id)}
        onGone={onClose}
        onClose={() => setDeleting(false)}
      >
        <p>
          Its ledger and its pictures go. Whatever only this job said of how the engine stands is then not known, and
          the guard holds the engine until somebody says what is on it.
        </p>
      </DeleteDialog>
    )
  return (
    <Dialog title={`Job ${label}`} onClose={onClose}>
      <div className="stack">
        <WordsInput
          label="Why it is here"
          of={reason}
          onBlur={() => {
            const text = reason.text.trim()
            if (text === job.reason) reason.drop()
            else void change((one) => ({ ...one, reason: text }), reason)
          }}
          maxLength={400}
        />
        <div className="row">
          <Button variant="default" onClick={onAgain}>
            Another job like it
          </Button>
          <Button
            variant="default"
            onClick={() => void change((one) => withValue(one, 'archived', one.archived ? undefined : true))}
          >
            {job.archived ? 'Back among the jobs' : 'Put it away'}
          </Button>
          <Button variant="quiet" onClick={() => setDeleting(true)}>
            Delete it
          </Button>
        </div>
        <p className="soft">
          Another job like it begins with the same reason and run sheet, and nothing that was read in this one. Put
          away, nothing of it is lost.
        </p>
      </div>
    </Dialog>
  )
}
