import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { FILE_VERSION, fileSchema, type LinkCountFile, type Records } from '../model'
import { benchJob, benchSheet, entriesOf, halfProved } from '../testing/bench'
import { makeFile, mergeRecords, parseFile, stable } from '.'

const records = (): Records => ({
  engines: [{ id: 'engine', name: 'Bench <b>engine</b>', description: '', at: benchJob.at }],
  sheets: [benchSheet()],
  jobs: [benchJob],
  entries: entriesOf(halfProved),
})
const file = () => makeFile(records(), benchJob.at)
const text = (change: (raw: Record<string, never>) => void = () => undefined) => {
  const raw = JSON.parse(JSON.stringify(file())) as Record<string, never>
  change(raw)
  return JSON.stringify(raw)
}
const refusal = (source: string) => {
  const parsed = parseFile(source, [])
  return parsed.ok ? 'taken' : parsed.error
}

test('the round trip is exact', () => {
  const before = file()
  const parsed = parseFile(JSON.stringify(before), [])
  expect(parsed).toEqual({ ok: true, value: before })
})

test('one engine alone takes its own sheets, jobs and entries along', () => {
  const all = records()
  const other = { ...all.engines[0], id: 'other', name: 'Other', description: '', at: benchJob.at }
  const one = makeFile({ ...all, engines: [...all.engines, other] }, benchJob.at, 'engine')
  expect(one.engines.map(({ id }) => id)).toEqual(['engine'])
  expect(one.entries).toHaveLength(all.entries.length)
})

describe('hostile, broken and foreign files are refused whole, with what and where', () => {
  const any = (raw: unknown) => raw as Record<string, Record<string, unknown>[]>
  test.each<[string, string, object]>([
    ['cut short', text().slice(0, 500), { code: 'notJson' }],
    ['not JSON', 'PK nonsense', { code: 'notJson' }],
    ['an array', '[]', { code: 'foreign' }],
    ['foreign', '{"hello":1}', { code: 'foreign' }],
    [
      'newer',
      text((raw) => Object.assign(raw, { version: FILE_VERSION + 1 })),
      { code: 'newer', version: FILE_VERSION + 1, known: FILE_VERSION },
    ],
    ['NaN', text().replace('"cycleDeg":720', '"cycleDeg":NaN'), { code: 'notJson' }],
    [
      'a number too large',
      text().replace('"counter":1,', '"counter":1e400,'),
      { code: 'invalid', where: 'entries.0.counter' },
    ],
    [
      'a prototype key',
      text().replace('"seenFrom":"timing"', '"__proto__":{"x":1},"seenFrom":"timing"'),
      { code: 'forbiddenKey' },
    ],
    [
      'a constructor key',
      text().replace('"notes":""', '"notes":"","constructor":{}'),
      { code: 'forbiddenKey', where: 'sheets.0.constructor' },
    ],
    [
      'an unknown field',
      text((raw) => Object.assign(any(raw)['engines']?.[0] ?? {}, { extra: 1 })),
      { code: 'invalid', where: 'engines.0' },
    ],
    [
      'markup in an id',
      text((raw) => Object.assign(any(raw)['engines']?.[0] ?? {}, { id: '<script>' })),
      { code: 'invalid', where: 'engines.0.id' },
    ],
    [
      'an endless name',
      text((raw) => Object.assign(any(raw)['engines']?.[0] ?? {}, { name: 'x'.repeat(5000) })),
      { code: 'invalid', where: 'engines.0.name' },
    ],
    [
      'a job of no engine',
      text((raw) => Object.assign(any(raw)['jobs']?.[0] ?? {}, { engineId: 'gone' })),
      { code: 'danglingId', id: 'gone' },
    ],
    [
      'an entry of no job',
      text((raw) => Object.assign(any(raw)['entries']?.[0] ?? {}, { jobId: 'gone' })),
      { code: 'danglingId', id: 'gone' },
    ],
    [
      'the same id twice',
      text((raw) => any(raw)['engines']?.push({ ...any(raw)['engines']?.[0] })),
      { code: 'twice', where: 'engines' },
    ],
    [
      'folded too deep',
      `{"format":"link-count","version":${FILE_VERSION},"a":${'['.repeat(60)}${']'.repeat(60)}}`,
      { code: 'tooDeep' },
    ],
    ['too big', ' '.repeat(20_000_001), { code: 'tooBig' }],
  ])('%s', (_name, source, error) => expect(refusal(source)).toMatchObject(error))

  test('markup in a name is only a name', () => expect(refusal(text())).toBe('taken'))
  test('any text is an answer, never an exception', () => {
    fc.assert(fc.property(fc.oneof(fc.string(), fc.json()), (source) => void parseFile(source, [])))
  })
})

test('older files go through the named migrations, in order', () => {
  const old = JSON.stringify({ ...file(), version: FILE_VERSION - 1, machines: file().engines, engines: undefined })
  const parsed = parseFile(old, [
    {
      name: '000-machines-were-engines',
      from: FILE_VERSION - 1,
      up: ({ machines, ...rest }) => ({ ...rest, engines: machines }),
    },
  ])
  expect(parsed.ok).toBe(true)
})

describe('merging over what is here', () => {
  test('the same file twice adds nothing', () => {
    const outcome = mergeRecords(records(), records())
    expect(outcome.add.engines).toHaveLength(0)
    expect(outcome.kept).toHaveLength(0)
  })
  test('new entries are added, ours is never overwritten and what differs is listed', () => {
    const mine = records()
    const theirs = {
      ...mine,
      engines: [{ ...mine.engines[0], name: 'Renamed' }] as Records['engines'],
      entries: [...mine.entries, ...entriesOf(halfProved, 'd-2', 20)],
    }
    const { add, kept } = mergeRecords(mine, theirs)
    expect(add.entries).toHaveLength(halfProved.length)
    expect(add.engines).toHaveLength(0)
    expect(kept).toEqual([{ list: 'engines', id: 'engine', name: 'Renamed' }])
  })
  test('key order is no difference', () =>
    expect(stable({ a: 1, b: [{ c: 2, d: 3 }] })).toBe(stable({ b: [{ d: 3, c: 2 }], a: 1 })))
})

test('every starter sheet and every entry passes the schema it was made for', () => {
  expect(() => fileSchema.parse(file() satisfies LinkCountFile)).not.toThrow()
})
