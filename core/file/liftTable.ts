import { err, ok, type Result } from '../result'

export interface LiftTableError {
  readonly code: 'tooBig' | 'notNumbers' | 'tooManyRows' | 'tooFewRows' | 'outOfRange'
  readonly line?: number
}
const MOST_TEXT = 200_000
const MOST_ROWS = 1500

/** A lift table from CSV: crank degrees from the lobe centre, lift in mm; comma, semicolon or tab between them, a decimal comma where a
 *  semicolon or tab parts the two, one line of headings allowed. Errors name the line. */
export function parseLiftTable(text: string): Result<{ deg: number; liftMm: number }[], LiftTableError> {
  if (text.length > MOST_TEXT) return err({ code: 'tooBig' })
  const rows: { deg: number; liftMm: number }[] = []
  const lines = text.replace(/^\uFEFF/, '').split(/\r?\n/)
  for (const [i, line] of lines.entries()) {
    if (line.trim() === '') continue
    const [first = '', second = '', ...rest] = line.split(/[;\t]/.test(line) ? /[;\t]/ : ',')
    const numbers = [first, second].map((cell) => Number(cell.trim().replace(',', '.') || NaN))
    const [deg = NaN, liftMm = NaN] = numbers
    if (!Number.isFinite(deg) || !Number.isFinite(liftMm) || rest.some((cell) => cell.trim() !== '')) {
      if (rows.length === 0 && i === 0 && /[a-z]/i.test(line)) continue
      return err({ code: 'notNumbers', line: i + 1 })
    }
    if (Math.abs(deg) > 360 || liftMm < -1 || liftMm > 100) return err({ code: 'outOfRange', line: i + 1 })
    rows.push({ deg, liftMm })
    if (rows.length > MOST_ROWS) return err({ code: 'tooManyRows' })
  }
  return rows.length < 4 ? err({ code: 'tooFewRows' }) : ok(rows.sort((a, b) => a.deg - b.deg))
}

export const writeLiftTable = (rows: readonly { readonly deg: number; readonly liftMm: number }[]) =>
  ['crank degrees from the lobe centre,lift mm', ...rows.map(({ deg, liftMm }) => `${deg},${liftMm.toFixed(4)}`)].join(
    '\n',
  ) + '\n'
