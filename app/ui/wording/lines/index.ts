import type { BuildSheet, Entry, EntryKind } from '@link-count/core/model'
import { camLines } from './cams'
import { jobLines } from './job'
import { runSheetLines } from './runSheet'
import { toldBy, type Line, type Told } from './told'
import { workLines } from './work'
import { zeroLines } from './zero'

export type Lines = { readonly [K in EntryKind]: Line<K> }

const lines: Lines = { ...jobLines, ...zeroLines, ...camLines, ...workLines, ...runSheetLines }

const gearWords = ({ conditions }: Entry) =>
  conditions.includes('gearAstern')
    ? ', reversing gear astern'
    : conditions.includes('gearAhead')
      ? ', reversing gear ahead'
      : ''

const lineOf = (entry: Entry, told: Told) => (lines[entry.kind] as Line<EntryKind>)(entry, told) + gearWords(entry)

/** Lines of a ledger in words. Asked for many, everything is looked up once. */
export function tellLines(sheet: BuildSheet, entries: readonly Entry[]): (entry: Entry) => string {
  const told = toldBy(sheet, entries, lineOf)
  return (entry) => lineOf(entry, told)
}
