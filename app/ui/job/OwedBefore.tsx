import { selectJobViews } from '../../domain/views'
import { useAppSelector } from '../../store'
import { Fold } from '../Fold'
import { owedOf } from './owed'

/** What the job before left owed: passed over, left out, not proved, still in. It comes first in the next one. */
export function OwedBefore({ engineId, jobId }: { readonly engineId: string; readonly jobId?: string | undefined }) {
  const views = useAppSelector((state) => selectJobViews(state, engineId))
  const before = jobId === undefined ? views[0] : views[views.findIndex(({ job }) => job.id === jobId) + 1]
  const owed = before ? owedOf(before) : []
  if (!before || owed.length === 0) return null
  return (
    <Fold title={`Owed from job ${before.label}`} note={String(owed.length)} open={owed.length <= 4}>
      <ul>
        {owed.map((words) => (
          <li key={words}>{words}</li>
        ))}
      </ul>
    </Fold>
  )
}
