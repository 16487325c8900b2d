import { pinOffsetShift } from '@link-count/core/zero'
import { fixed, formatDeg } from '@link-count/core/units'
import type { JobView } from '../../domain/views'
import { Figure } from '../Figure'
import { wheelAsSeen } from './wheelReading'

/** The zero, to be opened: each reading, what was typed, the pin offset's part. */
export function ZeroFigure({ view }: { readonly view: Pick<JobView, 'state' | 'sheet'> }) {
  const { state, sheet } = view
  const { zero, zeroReadings } = state
  if (!zero) return null
  const value = formatDeg(wheelAsSeen(zero.wheelDeg, state), 2)
  const plusMinus = `${fixed(2 * zero.sigmaDeg, 2)}°`
  const readings = zeroReadings.flatMap(({ entryId, method, wheelDeg }) => {
    const entry = state.live.find(({ id }) => id === entryId)
    const typed = entry?.typed.map(({ text }) => text).join(' and ') ?? ''
    const label = method === 'positiveStop' ? `Stop, contacts at ${typed}` : `Factory mark at ${typed}`
    return [{ label, value: formatDeg(wheelAsSeen(wheelDeg, state), 2) }]
  })
  const offsetMm = sheet.pinOffsetMm?.value ?? 0
  const sizes = sheet.strokeMm &&
    sheet.rodMm && { strokeMm: sheet.strokeMm.value, rodMm: sheet.rodMm.value, pinOffsetMm: offsetMm }
  const shift = sizes && offsetMm !== 0 ? pinOffsetShift(sizes, 36) : undefined
  return (
    <Figure
      opened={{
        title: 'Zero of the degree wheel',
        value,
        plusMinus,
        readings: [
          ...readings,
          ...(shift === undefined
            ? [
                {
                  label: 'Pin offset',
                  value: offsetMm === 0 ? 'none on the sheet' : 'stroke or rod unknown: not corrected',
                },
              ]
            : [{ label: 'Pin offset, contacts 36° from the top', value: `${fixed(-shift, 3)}° taken off` }]),
          { label: 'Wheel read to', value: `${state.degreeWheel?.readToDeg ?? 1}°` },
        ],
        formula:
          'Half way between the two contacts, on the side where the piston was up. Each contact is uncertain by the division over the square root of twelve; the middle by that over the square root of two. Several are averaged by weight; a factory mark is tested against them and not averaged in.',
        source: 'Slider-crank symmetry about TDC. Proved by two set-ups that agree within three sigma.',
      }}
    >
      {value} <span className="soft">± {plusMinus}</span>
    </Figure>
  )
}
