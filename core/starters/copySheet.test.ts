import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { buildSheetSchema, type BuildSheet } from '../model'
import { asDrawable } from '../scene'
import { copySheet, FROM_ANOTHER } from './copySheet'

const demo = JSON.parse(readFileSync(new URL('../../app/demo/workshop.json', import.meta.url), 'utf8')) as {
  readonly sheets: readonly BuildSheet[]
}
const of = { id: 'copy', engineId: 'other', at: '2026-02-01T00:00:00.000Z' }

/** Every figure in a sheet, wherever it stands. */
const figuresIn = (value: unknown): { readonly trust: string; readonly source?: string; readonly typed: string }[] =>
  typeof value !== 'object' || value === null
    ? []
    : 'trust' in value
      ? [value as never]
      : Object.values(value).flatMap(figuresIn)

describe('an engine begun from another', () => {
  test.each(demo.sheets.map((sheet) => [sheet.id, sheet] as const))('%s', (_id, sheet) => {
    const bare = copySheet(sheet, of, 'none')
    expect(buildSheetSchema.safeParse(bare).error?.issues).toBeUndefined()
    const zero = bare.cylinders.find(({ id }) => id === bare.zeroCylinderId)
    // What is left are the first cylinder's own zero, the timing position, and that nobody knows whether valves meet.
    const left = figuresIn({ ...bare, cylinders: bare.cylinders.filter((one) => one !== zero) })
    expect(left.length).toBe(2)
    expect(bare.members.map(({ name }) => name)).toEqual(sheet.members.map(({ name }) => name))
    expect(asDrawable(bare).bent.size).toBe(0)
    const checked = copySheet(sheet, of, 'toBeChecked')
    expect(buildSheetSchema.safeParse(checked).error?.issues).toBeUndefined()
    for (const { trust, source } of figuresIn({ ...checked, cylinders: [] }))
      expect([trust, source]).toEqual(['unknown', FROM_ANOTHER])
    expect(checked.loops.map(({ pitches }) => pitches?.value)).toEqual(sheet.loops.map(({ pitches }) => pitches?.value))
    expect(checked.rimMarks.some(({ errorDeg }) => errorDeg)).toBe(false)
  })
})
