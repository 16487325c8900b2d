import { fixed } from '@link-count/core/units'
import type { JobView } from '../../domain/views'
import { Figure } from '../Figure'
import { methodWords, scaleName } from '../wording'
import { wheelAsSeen } from './wheelReading'

const widened = {
  nothing: '',
  scatter: ' They scatter more than they should: the ± is their scatter times Student’s factor for so few.',
  contradiction: ' The two contradict each other: the ± is half of what lies between them.',
}

/** The zero, to be opened: each reading, what was typed, what the pin offset took off. */
export function ZeroFigure({ view }: { readonly view: Pick<JobView, 'state' | 'sheet'> }) {
  const { state, sheet } = view
  const { zero, zeroReadings } = state
  if (!zero) return null
  const value = wheelAsSeen(zero.wheelDeg, state, 2)
  const plusMinus = `${fixed(zero.plusMinusDeg, 2)}°`
  const readings = zeroReadings.flatMap(({ entryId, method, wheelDeg, sigmaDeg, offsetShiftDeg, dropMm }) => {
    const typed = state.live
      .find(({ id }) => id === entryId)
      ?.typed.map(({ text }) => text)
      .join(' and ')
    const at = dropMm === undefined ? '' : `, ${fixed(dropMm, 2)} mm down`
    return [
      {
        label: `${methodWords[method]}${at}${typed ? ` (${typed})` : ''}`,
        value: `${wheelAsSeen(wheelDeg, state, 2)} ± ${fixed(2 * sigmaDeg, 2)}°`,
      },
      ...(offsetShiftDeg ? [{ label: 'of that, pin offset taken off', value: `${fixed(-offsetShiftDeg, 3)}°` }] : []),
    ]
  })
  const sizes = sheet.strokeMm && sheet.rodMm
  const offset = sheet.pinOffsetMm?.value ?? 0
  return (
    <Figure
      opened={{
        title: 'Zero of the degree wheel',
        value,
        plusMinus,
        readings: [
          ...readings,
          ...(offset === 0 ? [{ label: 'Pin offset', value: sheet.pinOffsetMm ? 'none' : 'none on the sheet' }] : []),
          ...(offset !== 0 && !sizes ? [{ label: 'Pin offset', value: 'stroke or rod unknown: not corrected' }] : []),
          ...(state.degreeWheel ? [{ label: 'Read on', value: scaleName(state.degreeWheel) }] : []),
        ],
        formula: `Half way between two readings of one piston height, on the side where the piston was up. Each reading is uncertain by its division over the square root of twelve, a dial’s also by its own through the slope of the piston; the middle by that over the square root of two. Several are averaged by weight; repeats of one set-up count once. A mark is tested against them and not averaged in.${widened[zero.widenedBy]}`,
        source:
          'Slider-crank symmetry about TDC. Proved by two set-ups that agree within three sigma, with a ± within what the engine’s cams may be out by and half of its trim. Shown: two sigma.',
      }}
    >
      {value} <span className="soft">± {plusMinus}</span>
    </Figure>
  )
}
