import { describe, expect, test } from 'vitest'
import { entrySchema, type BuildSheet, type NewEntry } from '@link-count/core/model'
import { PART_IDS as ids } from '@link-count/core/starters'
import {
  oneChainSheet,
  camMark,
  CYL,
  chain,
  counted,
  degreeWheel,
  entriesOf,
  saw,
  stops,
  turned,
} from '@link-count/core/testing/oneChain'
import { everyKind } from '@link-count/core/testing/everyKind'
import { buildDemo } from '../../../demo/buildDemo'
import { tellLines } from '.'

const base = oneChainSheet()
const sheet: BuildSheet = {
  ...base,
  shafts: [...base.shafts, { id: 'quill', name: 'Quill shaft', kind: 'pump', ratio: { num: 1, den: 2 } }],
  couplings: [{ id: 'q', kind: 'quill', fromId: ids.cam, toId: 'quill' }],
}
const inlet = sheet.cams[0]?.id ?? ''
const words = (newEntry: NewEntry, ...before: NewEntry[]) => {
  const all = entriesOf([...before, newEntry])
  const last = all.at(-1)
  return last ? tellLines(sheet, all)(last) : ''
}

describe('a line of the ledger in words', () => {
  test.each<[NewEntry, string]>([
    [{ kind: 'tick', cautionId: 'fuelOff', ticked: true }, 'Ticked: Fuel shut; no vapour, no hot metal about'],
    [{ kind: 'step', target: 'trueTdc-cyl-1', outcome: 'done', reason: '' }, 'True TDC: done'],
    [
      { kind: 'step', target: 'lashFound', outcome: 'skipped', reason: 'no blades' },
      'Lash as found: passed over, no blades',
    ],
    [chain('off'), 'Chain off'],
    [{ kind: 'tensioner', memberId: ids.tensioner, state: 'proven' }, 'Tensioner felt to push'],
    [{ kind: 'dial', readToMm: 0.01 } as NewEntry, 'Dial read to 0.01 mm'],
    [turned(-30, 'short'), 'Turned 30.0° back, short of it'],
    [turned(90, 'onMark', 95), 'Turned 90.0°, on the mark, wheel 95.0°'],
    [saw('thumb', 'firing'), 'Witness, thumb on the hole: firing'],
    [counted(29), 'Counted as set, chain, from the cam mark to the crank mark, tight run: 29'],
    [
      { kind: 'moved', loopId: ids.chain, memberId: ids.camSprocket, teeth: -1 },
      'Chain laid 1 tooth back against the running direction over the cam sprocket',
    ],
    [
      { kind: 'moved', loopId: ids.chain, memberId: ids.crankSprocket, teeth: 2, seats: { [ids.camSprocket]: 1 } },
      'Chain laid 2 teeth further with the running direction over the crank sprocket, its marks off the book on purpose',
    ],
    [{ kind: 'coupling', couplingId: 'q', change: 'apart', steps: 0 }, 'Quill of the quill shaft drawn apart'],
    [
      { kind: 'coupling', couplingId: 'q', change: 'together', steps: 2, stepsTo: -1 },
      'Quill of the quill shaft put together 2 places on and 1 place back',
    ],
    [
      { kind: 'lash', camId: inlet, phase: 'found', gapMm: 0.2, noGoMm: 0.25 },
      'Lash as found, 1 inlet: 0.20 mm goes, 0.25 mm does not',
    ],
    [{ kind: 'topLift', camId: inlet, phase: 'found', liftMm: 8.2 }, 'Top lift as found, 1 inlet: 8.20 mm'],
    [{ kind: 'headHeight', lowerMm: 0.4 }, 'Head or block lower than its book height by 0.40 mm'],
    [{ kind: 'tdcLift', camId: inlet, phase: 'left', liftMm: 2.5 }, '1 inlet as left: 2.50 mm at overlap TDC'],
    [
      { kind: 'rocking', cylinderId: CYL, phase: 'found', read: { by: 'lifts', inletMm: 1, exhaustMm: 1.5 } },
      'Rocking as found, cylinder 1: inlet 1.00 mm, exhaust 1.50 mm',
    ],
    [
      { kind: 'lobeClock', camId: inlet, phase: 'found', crankDeg: 180, hour: 9.5, sureToHours: 0.5 },
      '1 inlet as found: points to half past 9 at 180°, from the timing side',
    ],
    [
      { kind: 'camGauge', shaftId: ids.cam, phase: 'found', what: 'slot', offMm: -0.5, radiusMm: 20 },
      'Camshaft as found: slot 0.50 mm early at 20.00 mm',
    ],
    [
      { kind: 'target', shaftId: ids.cam, latenessDeg: -2, reason: 'for pull' },
      'Camshaft to be set 2.0° early: for pull',
    ],
    [{ kind: 'camSet', shaftId: ids.cam, offDeg: 0 }, 'Camshaft set: meets its mark'],
    [{ kind: 'note', text: 'Nut is left-handed' }, 'Nut is left-handed'],
    [{ kind: 'close', role: 'fitter', reason: '' }, 'Closed, signed: fitter'],
  ])('%o', (newEntry, said) => expect(words(newEntry)).toBe(said))

  test('readings of the wheel as the wheel was numbered when they were written', () => {
    expect(words(stops(340, 30), degreeWheel)).toBe('Stop contacts at 340.00° and 30.00°, cylinder 1')
    const backwards: NewEntry = { kind: 'degreeWheel', scale: { kind: 'full', rises: 'against', readToDeg: 1 } }
    // Numbered the other way, 30 on in the running direction is read as 330.
    expect(words(camMark(30, 'found'), backwards)).toContain('wheel 330.00°')
  })
  test('two strikes of each other come to an end', () => {
    const [one, other] = entriesOf([
      { kind: 'strike', targetId: 'e2', reason: '' },
      { kind: 'strike', targetId: 'e1', reason: '' },
    ])
    const [a, b] = [one, other].map((entry, i) => entry && { ...entry, id: `e${i + 1}` })
    expect(a && b && tellLines(sheet, [a, b])(a)).toBe('Struck: Struck: Struck: e2')
  })
  test('a strike says what it struck', () => {
    const [count] = entriesOf([counted(28)])
    const [struck] = entriesOf([{ kind: 'strike', targetId: count?.id ?? '', reason: '' }], 'd-1', 2)
    expect(struck && count && tellLines(sheet, [count, struck])(struck)).toBe(
      'Struck: Counted as set, chain, from the cam mark to the crank mark, tight run: 28',
    )
  })
})

test('every kind of line has words, also where it points at parts that the sheet does not have', () => {
  for (const newEntry of everyKind) {
    const lost = JSON.parse(JSON.stringify(newEntry).replace(/"(\w+Id)":"[^"]*"/g, '"$1":"nowhere"')) as NewEntry
    for (const one of [newEntry, lost]) expect(words(one), one.kind).toMatch(/^(?!.*(undefined|NaN|\[object)).{3,}$/)
  }
})

test('every line of the demo has words, with nothing in them that is not for people', () => {
  const { entries, sheets, jobs } = buildDemo()
  const kinds = new Set<string>()
  for (const entry of entries) {
    const job = jobs.find(({ id }) => id === entry.jobId)
    const own = sheets.find(({ id }) => id === entry.sheetId) ?? sheets.find(({ id }) => id === job?.sheetId)
    if (!own) throw new Error(entry.id)
    const said = tellLines(
      own,
      entries.filter(({ jobId }) => jobId === entry.jobId),
    )(entry)
    kinds.add(entry.kind)
    expect(said, entry.kind).not.toMatch(/undefined|NaN|\[object|null/)
    expect(said.length).toBeGreaterThan(2)
  }
  expect(kinds.size).toBeGreaterThan(15)
  expect(kinds.size).toBeLessThanOrEqual(entrySchema.options.length)
})
