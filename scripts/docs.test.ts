import { explained } from '../app/ui/wording/words'
import { existsSync, readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { expect, test } from 'vitest'
import { parseFile } from '@link-count/core/file'
import { verdictOfCount } from '@link-count/core/ledger'
import type { BuildSheet, Entry } from '@link-count/core/model'
import { sources } from './sources'

const root = new URL('..', import.meta.url).pathname
const read = (path: string) => readFileSync(join(root, path), 'utf8')
const all = sources(root)
const pages = all.filter((path) => path.endsWith('.md'))
const code = all.filter((path) => /\.tsx?$/.test(path) && !path.endsWith('.tmp.ts')).map(read)

test('every section of the handbook that the code cites is there', () => {
  const sections = new Set([...read('docs/handbook.md').matchAll(/^## (\d+) /gm)].map(([, n]) => n))
  const cited = code.flatMap((text) =>
    [...text.matchAll(/[Hh]andbook (\d+(?:(?:, | and |, and )\d+)*)/g)].flatMap(
      ([, list = '']) => list.match(/\d+/g) ?? [],
    ),
  )
  expect(cited.length).toBeGreaterThan(30)
  expect([...new Set(cited)].filter((n) => !sections.has(n))).toEqual([])
})

test('every name in the glossary is a name in the code', () => {
  const names = [...read('docs/glossary.md').matchAll(/^\|[^|]+\|([^|]+)\|/gm)].flatMap(([, cell = '']) =>
    [...cell.matchAll(/`([A-Za-z]+)`/g)].map(([, name = '']) => name),
  )
  expect(names.length).toBeGreaterThan(30)
  expect(names.filter((name) => !code.some((text) => new RegExp(`\\b${name}\\b`).test(text)))).toEqual([])
})

test('every link of a page leads to something', () => {
  const broken = pages.flatMap((page) =>
    [...read(page).matchAll(/\]\((?!https?:)([^)#\s]+)/g)]
      .map(([, to = '']) => join(dirname(page), to))
      .filter((path) => !existsSync(join(root, path))),
  )
  expect(broken).toEqual([])
})

test('every file and command that a page names is there', () => {
  const { scripts } = JSON.parse(read('package.json')) as { scripts: Record<string, string> }
  const text = pages.map(read).join('\n')
  const commands = [...text.matchAll(/npm run ([a-z][\w:]*)/g)].map(([, name = '']) => name)
  expect([...new Set(commands)].filter((name) => !(name in scripts))).toEqual([])
  // Worked examples name files that were tried and dropped.
  const dropped = /feelerBar|FeelerBar|primed|primeOil|<\w+>|\*/
  const files = [...text.matchAll(/`((?:core|app|e2e|scripts|server|docs)\/[\w/.-]+\.\w+)`/g)].map(
    ([, path = '']) => path,
  )
  expect(files.length).toBeGreaterThan(10)
  expect([...new Set(files)].filter((path) => !dropped.test(path) && !existsSync(join(root, path)))).toEqual([])
})

test('the count worked by hand in the page on the file format comes to what Link Count says', () => {
  const text = read('docs/worked-count.linkcount.json')
  const plain = JSON.parse(text)
  const [line] = plain.entries
  const [sheet] = plain.sheets
  const byId = (list: { id: string }[], id: string) => list.find((one) => one.id === id) as never
  const inGap = (markId: string) => (byId(sheet.marks, markId) as { halfTeeth: number }).halfTeeth % 2 === 0
  const counts = { both: [1, 1], firstOnly: [1, -1], lastOnly: [-1, 1], neither: [-1, -1] }[line.rule as 'both']
  const found =
    line.counted -
    (inGap(line.fromMarkId) ? (counts[0] ?? 0) / 2 : 0) -
    (inGap(line.toMarkId) ? (counts[1] ?? 0) / 2 : 0)
  const over = found - sheet.counts[0].pitches.value
  const { ratio } = byId(sheet.shafts, 'camshaft') as { ratio: { num: number; den: number } }
  const { teeth } = byId(sheet.members, 'cam-sprocket') as { teeth: { value: number } }
  const tooth = 360 / teeth.value / (ratio.num / ratio.den)
  expect([found, over, over * tooth]).toEqual([26.5, -1, -18])

  const parsed = parseFile(text, [])
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.error))
  const entry = parsed.value.entries[0] as Extract<Entry, { kind: 'count' }>
  const said = verdictOfCount(parsed.value.sheets[0] as BuildSheet, entry)
  expect(said).toMatchObject({ foundPitches: found, pitchesOut: over, latenessDeg: over * tooth, layTeeth: 1 })
  for (const words of ['26.5 pitches', 'one pitch too few', '18° at the crank'])
    expect(read('docs/file-format.md')).toContain(words)
})

test('the glossary explains every word as the screen does', () => {
  const page = read('docs/glossary.md')
  for (const [word, meaning] of Object.entries(explained))
    expect(page).toMatch(new RegExp(`^\\| ${word} +\\| ${meaning.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')} +\\|`, 'm'))
})
