import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { entrySchema, type EntryKind } from '../../model'
import { entriesOf, stateAfter } from '../../testing/oneChain'
import { isNothing, ledgerKinds } from '.'

const kinds = Object.keys(ledgerKinds) as EntryKind[]
const shapes = entrySchema.options.map((option) => ({ kind: option.shape.kind.value, shape: option.shape }))
const format = readFileSync(new URL('../../../docs/file-format.md', import.meta.url), 'utf8')

test('a file may hold every kind in the table, and no other', () => {
  expect(shapes.map(({ kind }) => kind).sort()).toEqual([...kinds].sort())
})

describe.each(kinds)('%s', (kind) => {
  const { samples, inJob, onEngine } = ledgerKinds[kind]

  test('has lines that a file may hold, of its own kind', () => {
    for (const entry of entriesOf([...samples])) {
      expect(entry.kind).toBe(kind)
      expect(entrySchema.safeParse(entry).error?.issues).toBeUndefined()
    }
  })

  test('changes something, or says why not', () => {
    for (const effect of [inJob, onEngine]) if (isNothing(effect)) expect(effect.nothing).toMatch(/^[A-Z].+\.$/)
    if (isNothing(inJob) || isNothing(onEngine)) return
    const before = stateAfter([])
    const after = stateAfter([...samples])
    expect({ ...after, live: [] }).not.toEqual({ ...before, live: [] })
  })

  test('has its place in docs/file-format.md', () => {
    expect(format).toMatch(new RegExp(`^\\| \`${kind}\` +\\|`, 'm'))
  })
})
