import type { NotSaid } from '@link-count/core/cams'
import type { GapVerdict } from '@link-count/core/lash'
import { fixed } from '@link-count/core/units'

/** Why a reading says nothing of lateness yet, and what would change that. */
export const notSaidWords: Record<NotSaid, string> = {
  noZero: 'Find true TDC first; a reading of the wheel means nothing before.',
  noSpec: 'The sheet does not say what this valve should do, so nothing can be said of it yet.',
  noProfile:
    'Read at another lift than the book’s, or off its events: that needs the lobe, so its top lift and openings, or a lift table.',
  outsideLobe: 'The lobe has no such lift there: check the figure.',
  twoCamshafts: 'Inlet and exhaust stand on two camshafts: rocking alone cannot tell which of them is off.',
  noClock: 'The sheet does not say where this lobe points at full lift.',
  noRadius: 'It cannot be worked out from that radius.',
  noTeeth: 'Nobody has counted the teeth of its sprocket: off by teeth says nothing before.',
  noMark: 'That mark is not on the build sheet any more.',
  astern: 'Read with the reversing gear astern: it is kept, and not judged by figures that are those of ahead.',
  crankElsewhere: 'The crank stands at another place than where this mark meets.',
}

/** A clock face to the quarter hour: "half past 9". */
export function hourWords(hour: number): string {
  const quarters = Math.round(hour * 4) % 48
  const whole = Math.floor(quarters / 4) || 12
  return (
    ['', 'quarter past ', 'half past ', 'quarter to '][quarters % 4] +
    String(quarters % 4 === 3 ? (whole % 12) + 1 : whole)
  )
}

export const signedDeg = (deg: number, decimals = 1) => `${deg < 0 ? '−' : '+'}${fixed(Math.abs(deg), decimals)}°`

/** A gap against its limits, with the margin. */
export function gapVerdictWords(verdict: GapVerdict, marginMm: number): string {
  const by = `${fixed(Math.abs(marginMm), 3)} mm`
  if (verdict === 'within') return `right, ${by} inside its limit`
  if (verdict === 'cannotTell') return 'cannot be told: the limit lies between the two blades'
  return verdict === 'tight' ? `too tight by ${by}` : `too wide by ${by}`
}
