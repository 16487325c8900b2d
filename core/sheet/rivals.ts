import type { BuildSheet } from '../model/buildSheet'

export interface RivalSheets {
  readonly sheetIds: readonly string[]
  /** The fields in which they differ. */
  readonly fields: readonly (keyof BuildSheet)[]
}

/** What says nothing of how the engine is built. */
const ASIDE: ReadonlySet<string> = new Set(['id', 'version', 'at', 'notes', 'seenFrom'])

/** Of several build sheets those with the highest number, the latest first. */
export function newestSheets(sheets: readonly BuildSheet[]): BuildSheet[] {
  const most = sheets.reduce((best, { version }) => Math.max(best, version), 0)
  return sheets.filter(({ version }) => version === most).sort((a, b) => compare(b.at, a.at) || compare(b.id, a.id))
}

/** Sheets that two copies of one workshop made beside each other under one number, and in what they differ. Undefined where one sheet is the newest, or they
 *  differ in nothing but notes. */
export function rivalSheets(sheets: readonly BuildSheet[]): RivalSheets | undefined {
  const [first, ...rest] = newestSheets(sheets)
  if (!first || rest.length === 0) return undefined
  const keys = new Set([first, ...rest].flatMap((sheet) => Object.keys(sheet) as (keyof BuildSheet)[]))
  const fields = [...keys].filter(
    (key) => !ASIDE.has(key) && rest.some((sheet) => JSON.stringify(sheet[key]) !== JSON.stringify(first[key])),
  )
  return fields.length === 0 ? undefined : { sheetIds: [first, ...rest].map(({ id }) => id), fields }
}

/** What each sheet of an engine is called: its number, and a letter where two bear one. By id. */
export function sheetLabels(sheets: readonly BuildSheet[]): ReadonlyMap<string, string> {
  const ordered = [...sheets].sort((a, b) => compare(a.at, b.at) || compare(a.id, b.id))
  return new Map(
    ordered.map(({ id, version }) => {
      const same = ordered.filter((other) => other.version === version)
      const at = same.findIndex((other) => other.id === id)
      return [id, same.length === 1 ? String(version) : `${version}${String.fromCharCode(97 + (at % 26))}`]
    }),
  )
}

const compare = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0)
