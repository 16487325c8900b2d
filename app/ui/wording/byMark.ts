import { inSentence } from './inSentence'
import type { CrankMark, InTeeth, SeenOff } from '@link-count/core/byMark'
import type { Exact } from '@link-count/core/model'
import { fixed, formatDeg, formatMm } from '@link-count/core/units'

/** How exact a mark is. */
export function exactWords(exact: Exact): string {
  if (exact.how === 'degrees') return `good to ${fixed(exact.deg, 1)}° either way`
  if (exact.how === 'pin') return 'a hole that its pin goes into'
  return exact.how === 'exact' ? 'a sharp line, where it belongs' : 'good to half a tooth'
}

/** Where a mark of the crank stands, from TDC of the zero cylinder. */
export function markPlaceWords(placeDeg: number): string {
  const after = placeDeg > 180 ? placeDeg - 360 : placeDeg
  if (Math.abs(after) < 0.05) return 'TDC'
  return `${fixed(Math.abs(after), 1)}° ${after < 0 ? 'before' : 'after'} TDC`
}

/** "at its pointer", "2.0° past it". */
export function atCrankMarkWords({ name, meets }: Pick<CrankMark, 'name' | 'meets'>, offDeg: number): string {
  const at = `the ${inSentence(name)} at ${meets.trim() === '' ? 'its mark' : meets}`
  if (offDeg === 0) return at
  return `${fixed(Math.abs(offDeg), 1)}° ${offDeg > 0 ? 'past' : 'short of'} ${at}`
}

const late = (value: number) => (value < 0 ? 'early' : 'late')
const count = (n: number, one: string, many: string) =>
  `${fixed(Math.abs(n), 2).replace(/\.?0+$/, '')} ${Math.abs(n) === 1 ? one : many}`

/** What was seen of a camshaft off its place, as somebody would say it. */
export function seenOffWords(off: SeenOff, nameOf: (cylinderId: string) => string): string {
  switch (off.by) {
    case 'level':
      return 'level, at its mark'
    case 'teeth':
      return `${count(off.teeth, 'tooth', 'teeth')} ${late(off.teeth)}`
    case 'degrees':
      return `${fixed(Math.abs(off.deg), 1)}° of its own ${late(off.deg)}`
    case 'mm':
      return `${formatMm(Math.abs(off.mm))} ${late(off.mm)} at ${formatMm(off.radiusMm)}`
    case 'feeler':
      return `a ${formatMm(Math.abs(off.mm))} blade ${late(off.mm)}, ${formatMm(off.acrossMm)} across`
    case 'gauge':
      return `${fixed(Math.abs(off.deg), 2).replace(/0$/, '')}° ${late(off.deg)} by the pin gauge, ± ${off.sureToDeg}°`
    case 'clock':
      return `${hoursWords(off.hours)} ${late(off.hours)} on a clock face`
    case 'letters':
      return off.are === 'upright' ? 'letters upright' : 'letters upside down'
    case 'lobes':
      return off.point === 'asInBook' ? 'lobes as the book has them' : 'lobes the other way'
    case 'rocking':
      return `both valves of ${nameOf(off.cylinderId)} rock`
    case 'pushrods':
      return off.exhaustHigherMm === 0
        ? `pushrods of ${nameOf(off.cylinderId)} level`
        : `${off.exhaustHigherMm > 0 ? 'exhaust' : 'inlet'} pushrod of ${nameOf(off.cylinderId)} ${formatMm(Math.abs(off.exhaustHigherMm))} higher`
  }
}

function hoursWords(hours: number): string {
  const size = Math.abs(hours)
  if (size === 0.5) return 'half an hour'
  if (size === 0.25) return 'a quarter of an hour'
  return count(size, 'hour', 'hours')
}

/** The same as the first words of a sentence, with what it is at the camshaft and in teeth. */
export const atCamWords = (ownDeg: number, teeth: InTeeth | undefined): string =>
  `${formatDeg(Math.abs(ownDeg), 1)} at the cam${teeth ? `, ${count(teeth.teeth, 'tooth', 'teeth')}` : ''}`
