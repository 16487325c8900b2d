import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { FILE_VERSION, fileSchema, type LinkCountFile, type Records } from '../model'
import { firstJob, oneChainSheet, entriesOf, halfProved } from '../testing/oneChain'
import { fileText, makeFile, MOST_FILE_BYTES, parseFile } from '.'

const records = (): Records => ({
  engines: [{ id: 'engine', name: 'Bench <b>engine</b>', description: '', at: firstJob.at }],
  sheets: [oneChainSheet()],
  jobs: [firstJob],
  entries: entriesOf(halfProved),
})
const file = () => makeFile(records(), firstJob.at)
/** A file without checksums, as somebody may have made it by hand. */
const text = (change: (raw: Record<string, never>) => void = () => undefined) => {
  const { checksums: _none, ...rest } = file()
  const raw = JSON.parse(JSON.stringify(rest)) as Record<string, never>
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
  const other = { ...all.engines[0], id: 'other', name: 'Other', description: '', at: firstJob.at }
  const one = makeFile({ ...all, engines: [...all.engines, other] }, firstJob.at, 'engine')
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
    ['too big', ' '.repeat(MOST_FILE_BYTES + 1), { code: 'tooBig' }],
  ])('%s', (_name, source, error) => expect(refusal(source)).toMatchObject(error))

  test('markup in a name is only a name', () => expect(refusal(text())).toBe('taken'))
  test('any text is an answer, never an exception', () => {
    fc.assert(fc.property(fc.oneof(fc.string(), fc.json()), (source) => void parseFile(source, [])))
  })
})

test('older files go through the named migrations, in order', () => {
  const { checksums: _none, ...now } = file()
  const old = JSON.stringify({ ...now, version: FILE_VERSION - 1, machines: file().engines, engines: undefined })
  const parsed = parseFile(old, [
    {
      name: '000-machines-were-engines',
      from: FILE_VERSION - 1,
      up: ({ machines, ...rest }) => ({ ...rest, engines: machines }),
    },
  ])
  expect(parsed.ok).toBe(true)
})

describe('damage', () => {
  const written = file()
  const whole = [...fileText(written)].join('')
  test('as text, piece by piece, it is the same file', () => {
    expect(parseFile(whole, [])).toEqual({ ok: true, value: written })
  })
  test('any one digit or letter that is another one is found, and the record named', () => {
    const places = [...whole].flatMap((c, i) => (/[0-9a-z]/.test(c) ? [i] : []))
    const other = (c: string) => (/[0-9]/.test(c) ? String((Number(c) + 1) % 10) : c === 'x' ? 'y' : 'x')
    const before = parseFile(whole, [])
    for (let k = 0; k < 400; k++) {
      const at = places[Math.floor((k * places.length) / 400)] ?? 0
      const changed = whole.slice(0, at) + other(whole[at] ?? '') + whole.slice(at + 1)
      const parsed = parseFile(changed, [])
      // A letter inside of \\n or the like may say the same; anything else is refused.
      if (parsed.ok) expect(parsed).toEqual(before)
    }
  })
  test('a digit of a reading is found in its line, by its id', () => {
    const id = written.entries[1]?.id
    expect(whole).toContain('"firstDeg":340')
    expect(refusal(whole.replace('"firstDeg":340', '"firstDeg":341'))).toEqual({
      code: 'damaged',
      where: 'entries.1',
      id,
    })
  })
  test('a record that is gone, or one too many', () => {
    const { entries, ...rest } = file()
    expect(refusal(JSON.stringify({ ...rest, entries: entries.slice(0, -1) }))).toMatchObject({ code: 'damaged' })
  })
  test('checksums of an older file are held against it before it is raised', () => {
    const old = { ...file(), version: FILE_VERSION - 1 }
    expect(refusal(JSON.stringify(old))).toMatchObject({ code: 'damaged', where: 'file' })
  })
})

describe('what points elsewhere, stands twice or leaves no room', () => {
  const any = (raw: unknown) => raw as Record<string, Record<string, unknown>[]>
  const other = { id: 'other', name: 'Other', description: '', at: firstJob.at }
  const sheetOf = (engineId: string, id: string) => ({ ...oneChainSheet(), id, engineId })
  test.each<[string, (raw: Record<string, unknown>) => void, object]>([
    [
      'an entry citing a sheet of another engine',
      (raw) => {
        any(raw)['engines']?.push(other)
        any(raw)['sheets']?.push(sheetOf('other', 'sheet-2'))
        Object.assign(any(raw)['entries']?.[0] ?? {}, { sheetId: 'sheet-2' })
      },
      { code: 'danglingId', id: 'sheet-2' },
    ],
    [
      'a job taking up a sheet of another engine',
      (raw) => {
        any(raw)['engines']?.push(other)
        any(raw)['sheets']?.push(sheetOf('other', 'sheet-2'))
        any(raw)['entries']?.push(sheetLine)
      },
      { code: 'danglingId', id: 'sheet-2' },
    ],
    [
      'a shaft twice in a sheet',
      (raw) => {
        const shafts = any(raw)['sheets']?.[0]?.['shafts'] as unknown[]
        shafts.push(shafts[0])
      },
      { code: 'twice', where: 'sheets.sheet.shafts' },
    ],
    [
      'a counter at its end',
      (raw) => void Object.assign(any(raw)['entries']?.[0] ?? {}, { counter: 1e9 }),
      { code: 'noRoom' },
    ],
    [
      'a version at its end',
      (raw) => void Object.assign(any(raw)['sheets']?.[0] ?? {}, { version: 100_000 }),
      { code: 'noRoom' },
    ],
    [
      'a job number at its end',
      (raw) => void Object.assign(any(raw)['jobs']?.[0] ?? {}, { number: 100_000 }),
      { code: 'noRoom' },
    ],
    [
      'an id that every object has',
      (raw) => void Object.assign(any(raw)['entries']?.[0] ?? {}, { id: 'toString' }),
      { code: 'invalid', where: 'entries.0.id' },
    ],
  ])('%s', (_what, change, error) => expect(refusal(text(change))).toMatchObject(error))
})
const sheetLine = { ...entriesOf([{ kind: 'sheet', toSheetId: 'sheet-2' }])[0] }

test('every starter sheet and every entry passes the schema it was made for', () => {
  expect(() => fileSchema.parse(file() satisfies LinkCountFile)).not.toThrow()
})
