import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { sources } from './sources'

const root = new URL('..', import.meta.url).pathname
const sheets = sources(root, 'app').filter((path) => path.endsWith('.css') && !path.startsWith('app/parts/'))
const lines = sheets.flatMap((path) =>
  readFileSync(`${root}${path}`, 'utf8')
    .split('\n')
    .map((line) => ({ path, line: line.trim() })),
)

test('type is sized by its one scale, but on paper', () => {
  const sized = lines.filter(({ line }) => /^font-size: [\d.]+(?!.*pt)/.test(line))
  expect(sized).toEqual([])
})

test('space is kept by its one scale, but hairlines and what stands clear of something', () => {
  const kept = lines.filter(({ line }) => {
    const [, value = ''] = /^(?:padding|margin|gap|row-gap|column-gap)[a-z-]*: ([^;]+);/.exec(line) ?? []
    const px = [...value.matchAll(/(-?[\d.]+)px/g)].map(([, n]) => Number(n))
    return !/calc|env/.test(value) && px.some((n) => n >= 4 && n < 60)
  })
  expect(kept).toEqual([])
})
