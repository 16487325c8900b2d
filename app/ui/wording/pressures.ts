import type { BeforeAfter } from '@link-count/core/diagnose'
import type { EntryOf } from '@link-count/core/model'
import type { Grown } from '@link-count/core/wear'
import { fixed, type ForceError, type PressureError } from '@link-count/core/units'
import { numberWords } from './errors'

/** What is read in a cylinder. */
export const pressureWords: Record<EntryOf<'pressure'>['what'], string> = {
  compression: 'Compression',
  peak: 'Highest pressure, firing',
  mean: 'Mean pressure, firing',
  leakDown: 'Leaks away',
}

const grownWords = {
  goesOn: 'it goes on',
  planOne: 'plan a new one: past what fixed centres allow',
  renew: 'renew it',
} as const

/** What is done with a chain that has grown so far, and how far that is from the next limit. */
export function grownSays({ code, sure, limitPercent, marginPercent }: Grown): string {
  if (sure === 'cannotTell') return 'cannot be told: the ± reaches over both limits'
  const limit = limitPercent === undefined ? '' : `${fixed(limitPercent, 0)}%`
  if (sure === 'onLimit') return `${grownWords[code]}, on the limit of ${limit}: measure again`
  return marginPercent === undefined
    ? grownWords[code]
    : `${grownWords[code]}, ${fixed(marginPercent, 2)}% short of the limit of ${limit}`
}

/** Why what was typed is no pressure. */
export function pressureErrorWords(error: PressureError): string {
  switch (error.code) {
    case 'unitMissing':
      return 'Bar or psi? Write 9.6 bar, or 140 psi.'
    case 'unitUnknown':
      return `“${error.unit}” is no unit of pressure that I know. Write bar, psi or kPa.`
    default:
      return numberWords(error)
  }
}

/** Why what was typed is no force. */
export function forceErrorWords(error: ForceError): string {
  switch (error.code) {
    case 'unitMissing':
      return 'Newtons, pounds or kilos? Write 49 N, 11 lb or 5 kg.'
    case 'unitUnknown':
      return `“${error.unit}” is no unit of force that I know. Write N, lb or kg.`
    default:
      return numberWords(error)
  }
}

/** A pressure, or what leaks away, as it was read. */
export const pressureFigure = ({ bar, percent, wet, conditions }: EntryOf<'pressure'>): string =>
  `${bar === undefined ? `${fixed(percent ?? 0, 0)}%` : `${fixed(bar, 1)} bar`}${wet ? ' with oil' : ''}${conditions.includes('hot') ? ' hot' : ''}`

/** How much more or less after than before; why that is not told. */
export function changeWords({ changeShare, notAlike, what }: BeforeAfter): string {
  if (notAlike) return ': one hot, one cold, so they are not compared.'
  if (changeShare === undefined) return '.'
  const percent = fixed(Math.abs(100 * changeShare), 0)
  const more = what === 'leakDown' ? 'leaks' : 'holds'
  return percent === '0' ? ': the same.' : `: it ${more} ${percent}% ${changeShare > 0 ? 'more' : 'less'}.`
}
