import type { ChosenSchools } from '../model/schools'
import { parseNumber } from '../units'

type Band = NonNullable<ChosenSchools['ownBands']>['bands'][number]

/** Bands as they are written, a line each: degrees late at the crank, then what is done from there on. The first begins at 0, each later one further out; or which
 *  line cannot be read, from 1. */
export function parseBands(
  text: string,
): { readonly ok: true; readonly value: Band[] } | { readonly ok: false; readonly line: number } {
  const lines = text.split('\n').map((line) => line.trim())
  const bands: Band[] = []
  for (const [i, line] of lines.entries()) {
    if (line === '') continue
    const [, number = '', says = ''] = /^([\d.,]+)\s*°?\s*[:;,-]?\s*(.+)$/.exec(line) ?? []
    const deg = parseNumber(number)
    const last = bands.at(-1)
    const fits = deg.ok && deg.value <= 60 && (last ? deg.value > last.fromDeg : deg.value === 0)
    if (!fits || says === '' || says.length > 80 || bands.length === 8) return { ok: false, line: i + 1 }
    bands.push({ fromDeg: deg.value, says })
  }
  return bands.length > 0 ? { ok: true, value: bands } : { ok: false, line: 1 }
}

/** Bands as they are written. */
export const bandsText = (bands: readonly Band[]) => bands.map(({ fromDeg, says }) => `${fromDeg} ${says}`).join('\n')
