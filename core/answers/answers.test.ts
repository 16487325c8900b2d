import { describe, expect, test } from 'vitest'
import { readDrive } from '../drive'
import type { BuildSheet } from '../model'
import { beginSheet, NEEDS_TWO_BANKS, TOPOLOGIES } from '../starters'
import { answersOf, type Answer } from './answers'
import { fallsOf } from './falls'
import { figureKey, type Figure } from './figures'
import { gainsOf, nextFigure } from './nextFigure'

const value = (of: number) => ({ value: of, typed: String(of), trust: 'measured' as const })
const begun = (drive: (typeof TOPOLOGIES)[number] | 'oneChain' | 'none') =>
  beginSheet({
    id: 's',
    engineId: 'e',
    at: '2026-01-01T00:00:00.000Z',
    cylinders: 4,
    layout: NEEDS_TWO_BANKS.includes(drive as never) ? 'vee' : 'inLine',
    drive,
    guide: false,
    tensioner: true,
  })
const of = (sheet: BuildSheet, id: string) => answersOf(sheet).find((one) => one.id === id)
const withTeeth = (sheet: BuildSheet, id: string, teeth: number): BuildSheet => ({
  ...sheet,
  members: sheet.members.map((one) => (one.id === id ? { ...one, teeth: value(teeth) } : one)),
})

/** Writes a figure into the sheet, so far as whether it is there goes. */
function given(sheet: BuildSheet, { list, id, field }: Figure): BuildSheet {
  if (list === 'sheet')
    return field === 'interference'
      ? { ...sheet, interference: { value: 'yes', typed: 'yes', trust: 'manual' } }
      : field === 'running'
        ? { ...sheet, running: { value: 'clockwise', typed: 'clockwise', trust: 'measured' } }
        : field === 'firingOrder'
          ? { ...sheet, firingOrder: { value: sheet.cylinders.map((one) => one.id), typed: '', trust: 'manual' } }
          : { ...sheet, [field]: value(100) }
  if (list === 'counts') {
    const [fromMarkId = '', toMarkId = ''] = id.split('>')
    const loopId = sheet.loops[0]?.id ?? ''
    const count = { id: `c${sheet.counts.length}`, loopId, fromMarkId, toMarkId, run: 'tight' as const }
    return { ...sheet, counts: [...sheet.counts, { ...count, pitches: value(20) }] }
  }
  if (list === 'shafts')
    return {
      ...sheet,
      shafts: sheet.shafts.map((one) =>
        one.id === id && one.position?.how === 'polar'
          ? {
              ...one,
              position: { ...one.position, [field === 'distance' ? 'distanceMm' : 'directionDeg']: value(90) },
            }
          : one,
      ),
    }
  if (list === 'cams')
    return { ...sheet, cams: sheet.cams.map((one) => (one.valve === id ? { ...one, [field]: value(10) } : one)) }
  const parts = sheet[list] as readonly { readonly id: string }[]
  return { ...sheet, [list]: parts.map((one) => (one.id === id ? { ...one, [field]: value(40) } : one)) }
}

describe('what can be answered', () => {
  test('one tooth of a 38-tooth cam sprocket at half speed is 360 / 38 · 2 = 18.95° of the crank', () => {
    const sheet = withTeeth(begun('twinCam'), 'inlet-sprocket', 38)
    expect(of(sheet, 'tooth inlet-sprocket')).toMatchObject({ status: 'known', ways: [] })
    expect(of(sheet, 'tooth inlet-sprocket')?.value).toBeCloseTo(720 / 38, 9)
    expect(of(sheet, 'tooth exhaust-sprocket')).toMatchObject({ status: 'open', value: undefined })
  })
  test('a count is open by the book or by geometry; half once something of it is known', () => {
    const sheet = begun('oneChain')
    const count = (s: BuildSheet) => of(s, 'count crank-mark>cam-mark') as Answer
    expect(count(sheet).status).toBe('open')
    expect(count(sheet).ways.map((way) => way.length)).toEqual([1, 9])
    expect(count(withTeeth(sheet, 'cam-sprocket', 38)).status).toBe('half')
  })
  test('nothing that is of no use to this engine', () => {
    const sheet = { ...begun('none'), cylinders: begun('none').cylinders.slice(0, 1) }
    expect(answersOf(sheet).map(({ id }) => id)).toEqual(['stop ', 'meeting '])
  })
})

describe('the next figure, against looking at every one', () => {
  test.each(['oneChain', ...TOPOLOGIES] as const)('%s, as it is filled in by it', (drive) => {
    let sheet = begun(drive)
    // What follows of itself from the whole and the other runs nobody measured.
    const follows = (s: BuildSheet, id: string) =>
      s.loops.some((loop) =>
        readDrive(s)
          .sections(loop)
          .some((one) => `count ${one.id}` === id && one.expected?.from === 'derived'),
      )
    const known = (s: BuildSheet) =>
      answersOf(s).filter(({ id, status }) => status === 'known' && !follows(s, id)).length
    for (let i = 0; i < 60; i++) {
      const next = nextFigure(answersOf(sheet), { falls: fallsOf(sheet) })
      if (!next) break
      const wanted = new Map(answersOf(sheet).flatMap(({ ways }) => ways.flat().map((one) => [figureKey(one), one])))
      const gains = [...wanted.values()].map((one) => known(given(sheet, one)) - known(sheet))
      const gain = known(given(sheet, next.figure)) - known(sheet)
      expect(next.settles.length).toBe(gain)
      expect(gain).toBe(Math.max(...gains))
      sheet = given(sheet, next.figure)
    }
    expect(nextFigure(answersOf(sheet))).toBeUndefined()
  })
})

test('a figure that cannot be got at takes its ways with it, and is offered no more', () => {
  const answers = answersOf(begun('oneChain'))
  const all = gainsOf(answers)
  const stroke = all.find(({ figure }) => figure.field === 'strokeMm')
  const without = gainsOf(answers, { cannot: new Set([figureKey(stroke?.figure as Figure)]) })
  expect(without.some(({ figure }) => figure.field === 'strokeMm')).toBe(false)
  expect(without.some(({ figure }) => figure.field === 'rodMm')).toBe(false)
  expect(without.length).toBe(all.length - 2)
})
