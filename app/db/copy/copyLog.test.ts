import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { Batch, Rows } from '../../domain/env'
import { foldLines, isEnded, lineOf, linesOfAll, linesOfBatch, readLog, whereLogStands, type CopyLine } from './copyLog'

const id = fc.constantFrom('a', 'b', 'c', 'toString', '__proto__')
const row = fc.record({ id, text: fc.string({ unit: 'binary' }) })
const batch: fc.Arbitrary<Batch> = fc.record({
  put: fc.record({ drafts: fc.array(row, { maxLength: 3 }) }),
  drop: fc.record({ drafts: fc.array(id, { maxLength: 2 }) }),
})
const lines: fc.Arbitrary<CopyLine[]> = fc
  .array(batch, { maxLength: 12 })
  .map((batches) => batches.map((one, i) => ({ revision: i + 1, records: 7 * i, batch: one })))

/** The slow truth: every batch done by hand, one after the other. */
function byHand(all: readonly CopyLine[]): [string, string][] {
  const rows: [string, string][] = []
  for (const { batch: one } of all) {
    for (const { id: key, text } of one.put?.drafts ?? []) {
      const at = rows.findIndex(([other]) => other === key)
      if (at >= 0) rows[at] = [key, text]
      else rows.push([key, text])
    }
    for (const key of one.drop?.drafts ?? []) {
      const at = rows.findIndex(([other]) => other === key)
      if (at >= 0) rows.splice(at, 1)
    }
  }
  return rows.sort(([a], [b]) => (a < b ? -1 : 1))
}
const standsAt = (text: string) => whereLogStands(text.length, async (bytes) => text.slice(-bytes))
const drafts = ({ drafts: all = [] }: Rows) =>
  all.map(({ id: key, text }): [string, string] => [key, text]).sort(([a], [b]) => (a < b ? -1 : 1))

test('lines written by any tabs, in any files, come back as everything that was said', () => {
  fc.assert(
    fc.property(lines, fc.infiniteStream(fc.boolean()), (all, which) => {
      const [mine, others]: [string[], string[]] = [[], []]
      for (const line of all) (which.next().value ? mine : others).push(lineOf(line))
      const read = [...readLog(others.join('')), ...readLog(mine.join(''))]
      expect(drafts(foldLines(read).rows)).toEqual(byHand(all))
    }),
  )
})

test('cut off anywhere, a log keeps every line that was whole and invents none', async () => {
  await fc.assert(
    fc.asyncProperty(lines, fc.nat(), async (all, cut) => {
      const text = all.map(lineOf).join('')
      const kept = text.slice(0, cut % (text.length + 1))
      const whole = kept.split('\n').length - 1
      const read = readLog(kept)
      // A line whose newline alone is missing is whole all the same.
      expect([whole, whole + 1]).toContain(read.length)
      expect(drafts(foldLines(read).rows)).toEqual(byHand(all.slice(0, read.length)))
      expect((await standsAt(kept))?.revision ?? 0).toBe(whole)
    }),
  )
})

test('a log whose last line was cut off after much of it was written still tells where it stands', async () => {
  const line = (revision: number, text: string) =>
    lineOf({ revision, records: 3, batch: { put: { drafts: [{ id: 'a', text }] } } })
  const kept = line(8, 'short') + line(9, 'x'.repeat(100_000)).slice(0, 90_000)
  expect(await standsAt(kept)).toEqual({ revision: 8, records: 3 })
  expect(await standsAt(kept.slice(-90_000))).toBeUndefined()
})

test('a damaged line is left out', () => {
  const text = [1, 2, 3]
    .map((revision) => lineOf({ revision, records: 1, batch: { put: { drafts: [{ id: 'a', text: `${revision}` }] } } }))
    .join('')
  expect(readLog(text.replace('"text":"2"', '"text":"9"')).map(({ revision }) => revision)).toEqual([1, 3])
})

test('a whole workshop as lines comes back the same, and counts only when it was finished', async () => {
  const rows: Rows = { drafts: Array.from({ length: 2500 }, (_, i) => ({ id: `d${i}`, text: 'x\ty\n' })) }
  const text = [...linesOfAll(rows, { revision: 9, records: 5 })].join('')
  expect(foldLines(readLog(text)).rows.drafts).toEqual(rows.drafts)
  expect(isEnded(text.slice(-200))).toBe(true)
  expect(isEnded(text.slice(0, -1).slice(-200))).toBe(false)
  expect(await standsAt(text)).toEqual({ revision: 9, records: 5 })
})

test('a batch of many lines counts whole or not at all, wherever its lines are cut off', async () => {
  const rows = Array.from({ length: 2500 }, (_, i) => ({ id: `d${i}`, text: String(i) }))
  const before: CopyLine = { revision: 1, records: 1, batch: { put: { drafts: [{ id: 'd0', text: 'was' }] } } }
  const large: CopyLine = {
    revision: 2,
    records: 2500,
    batch: { put: { drafts: rows, meta: [{ id: 'm', value: '1' }] } },
  }
  const lines = [...linesOfBatch(large)]
  expect(lines.length).toBe(4)
  for (let n = 0; n <= lines.length; n++) {
    // The lines of another tab may come after.
    const read = readLog([...lines.slice(0, n), lineOf(before)].join(''))
    const { rows: all, revision } = foldLines(read)
    expect(all.drafts).toHaveLength(n === lines.length ? 2500 : 1)
    expect(all.drafts?.find(({ id: key }) => key === 'd0')?.text).toBe(n === lines.length ? '0' : 'was')
    expect(revision).toBe(n === lines.length ? 2 : 1)
    // Until the last line the log stands where it stood before.
    if (n > 0 && n < lines.length) expect((await standsAt(lines.slice(0, n).join('')))?.revision).toBe(1)
  }
})
