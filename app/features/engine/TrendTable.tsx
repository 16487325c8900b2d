import type { Phase } from '@link-count/core/model'
import { fixed, formatLateness } from '@link-count/core/units'
import { selectJobs } from '../../domain/selectors'
import { selectJobViews } from '../../domain/views'
import { useAppSelector } from '../../store'
import { formatDate, meterWords } from '../../ui/wording'
import { useSheetEditor } from './SheetEditor'

/** How the cams stood at each visit, as found and as left, with what the engine had run by then. */
export function TrendTable() {
  const { engineId, sheet } = useSheetEditor()
  const jobs = useAppSelector((state) => selectJobs(state, engineId))
  const views = useAppSelector((state) => selectJobViews(state, engineId))
  const camshafts = sheet.shafts.filter(({ kind }) => kind === 'cam')
  const read = views.filter(({ state }) =>
    camshafts.some(({ id }) => state.timing[id]?.found ?? state.timing[id]?.left),
  )
  if (jobs.length === 0 || read.length === 0) return null
  const cell = (view: (typeof views)[number], shaftId: string, phase: Phase) => {
    const timing = view.state.timing[shaftId]?.[phase]
    return timing ? `${formatLateness(timing.latenessDeg)} ± ${fixed(timing.plusMinusDeg, 1)}°` : 'not read'
  }
  return (
    <section>
      <h2>Cams, visit by visit</h2>
      <div className="paper-scroll" tabIndex={0} role="region" aria-label="Cams, visit by visit">
        <table className="run-table">
          <thead>
            <tr>
              <th scope="col">Visit</th>
              {camshafts.map(({ id, name }) => (
                <th scope="col" key={id}>
                  {name}, found and left
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {read.map((view) => (
              <tr key={view.job.id}>
                <th scope="row">
                  Job {view.label}, {formatDate(view.job.at)}
                  {view.job.meter && <span className="soft">, {meterWords(view.job.meter)}</span>}
                </th>
                {camshafts.map(({ id }) => (
                  <td key={id} className="reading">
                    {cell(view, id, 'found')}
                    <br />
                    {cell(view, id, 'left')}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  )
}
