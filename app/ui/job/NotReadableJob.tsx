import { Button } from '@mantine/core'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { jobSelectors } from '../../domain/jobs'
import { selectEngine } from '../../domain/selectors'
import { removeJob } from '../../domain/removals'
import { useAppDispatch, useAppSelector } from '../../store'
import { Dialog } from '../Dialog'
import { PageHeader } from '../PageHeader'
import { saveToFile } from '../saveToFile'
import { useAttempt } from '../useAttempt'
import { useWorkshop } from '../WorkshopContext'

/** A job that cannot be shown: it can be saved with its engine, and taken out. The rest of the workshop goes on. */
export function NotReadableJob({ jobId, why }: { readonly jobId: string; readonly why: string }) {
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  const attempt = useAttempt()
  const { kind, now } = useWorkshop()
  const job = useAppSelector((state) => jobSelectors.selectById(state.jobs, jobId))
  const engine = useAppSelector((state) => selectEngine(state, job?.engineId ?? ''))
  const [asking, setAsking] = useState(false)
  const remove = async () => {
    const done = await attempt('That it is taken out', async () => {
      await dispatch(removeJob(jobId))
      return true
    })
    if (done) await navigate(`/${kind}/engine/${engine?.id ?? ''}`)
  }
  const save = () => void dispatch(saveToFile(kind, now(), engine?.id))
  return (
    <>
      <PageHeader
        crumbs={[{ words: engine?.name ?? 'Engine', to: `/engine/${engine?.id}` }, { words: `Job ${job?.number}` }]}
      />
      <main id="main">
        <div className="page-message stack" role="alert">
          <h1>Job {job?.number} cannot be read</h1>
          <p>
            Nothing of it is lost, and the rest of the workshop is as it was. What this job did to the engine is not
            known until somebody looks: the guard holds the engine in every other job.
          </p>
          <p className="reading">{why}</p>
          <div className="row">
            <Button variant="filled" onClick={save}>
              Save this engine to a file
            </Button>
            <Button variant="default" onClick={() => setAsking(true)}>
              Take the job out
            </Button>
          </div>
        </div>
      </main>
      {asking && (
        <Dialog title={`Take job ${job?.number} out?`} onClose={() => setAsking(false)}>
          <div className="stack">
            <p>
              Its ledger and its pictures go from this browser, and cannot be had back from here. Save the engine to a
              file first. That there was a job stays, and what it did to the engine stays not known until somebody has
              looked.
            </p>
            <div className="row">
              <Button variant="default" onClick={save}>
                Save this engine to a file
              </Button>
              <Button variant="filled" onClick={() => void remove()}>
                Take it out
              </Button>
            </div>
          </div>
        </Dialog>
      )}
    </>
  )
}
