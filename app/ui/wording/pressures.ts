import type { EntryOf } from '@link-count/core/model'
import { fixed, type ForceError, type PressureError } from '@link-count/core/units'
import { numberWords } from './errors'

/** What is read in a cylinder. */
export const pressureWords: Record<EntryOf<'pressure'>['what'], string> = {
  compression: 'Compression',
  peak: 'Highest pressure, firing',
  mean: 'Mean pressure, firing',
  leakDown: 'Leaks away',
}

/** How a chain that has grown is judged. Source: handbook 10, general engineering. */
export const elongationVerdict = (percent: number): string =>
  `2% is a usual end with adjustable centres, about 1% on fixed ones: ${
    percent < 1 ? `${fixed(1 - percent, 2)}% short of that` : percent < 2 ? 'between the two' : 'past both'
  }.`

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
