import type { CamTiming } from '@link-count/core/cams'
import { fixed, formatLateness } from '@link-count/core/units'
import type { JobView } from '../../domain/views'
import { Figure } from '../Figure'
import { camWayWords } from '../wording'

/** A camshaft's lateness, to be opened: each witness with its own ±. */
export function TimingFigure({ timing, view }: { readonly timing: CamTiming; readonly view: Pick<JobView, 'state'> }) {
  const value = formatLateness(timing.latenessDeg)
  const plusMinus = `${fixed(timing.plusMinusDeg, 1)}°`
  return (
    <Figure
      opened={{
        title: 'Lateness at the crank',
        value,
        plusMinus,
        readings: timing.witnesses.map(({ kind, entryId, latenessDeg, sigmaDeg }) => {
          const typed =
            view.state.live
              .find(({ id }) => id === entryId)
              ?.typed.map(({ text }) => text)
              .join(' and ') ?? ''
          const misfit = timing.misfits.some((one) => one.entryId === entryId) ? ', does not fit' : ''
          return {
            label: `${camWayWords[kind]} (${typed})`,
            value: `${formatLateness(latenessDeg)} ± ${fixed(2 * sigmaDeg, 1)}°${misfit}`,
          }
        }),
        formula:
          'Read minus specified, in crank degrees, late is plus. What was read on the crank is averaged by weight. A count tells the tooth and not the stretch: it is a witness and is not averaged in.',
        source:
          'Two witnesses of different kinds that agree within three sigma prove it. The ± of a mark by eye and of a count are common practice.',
      }}
    >
      {value} <span className="soft">± {plusMinus}</span>
    </Figure>
  )
}
