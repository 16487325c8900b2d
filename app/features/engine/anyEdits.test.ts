import fc from 'fast-check'
import { expect, test } from 'vitest'
import { answersOf } from '@link-count/core/answers'
import { readDrive } from '@link-count/core/drive'
import { buildSheetSchema, type BuildSheet, type Loop } from '@link-count/core/model'
import { asDrawable, AS_MARKED, makeDriveScene } from '@link-count/core/scene'
import { same, sheetEdits, turnedRound, undoEdits } from '@link-count/core/sheet'
import { beginSheet, NEEDS_TWO_BANKS, TOPOLOGIES } from '@link-count/core/starters'
import {
  addCoupling,
  addGearOn,
  addHub,
  addLoop,
  addMemberOn,
  addShaftOn,
  removeLoop,
  removeMember,
  removeShaft,
} from './bendDrive'
import { moveShaft } from './drawings/moveShaft'
import { enginePartsOf } from './parts/engineParts'
import {
  addMark,
  patchLoop,
  patchMember,
  patchShaft,
  removeMark,
  setPolar,
  withValue,
  type SheetChange,
} from './sheetChanges'

const begun = fc.constantFrom('oneChain' as const, ...TOPOLOGIES).map((drive) =>
  beginSheet({
    id: 's',
    engineId: 'e',
    at: '2026-01-01T00:00:00.000Z',
    cylinders: 4,
    layout: NEEDS_TWO_BANKS.includes(drive as never) ? 'vee' : 'inLine',
    drive,
    guide: true,
    tensioner: true,
  }),
)

const figure = (value: number) => ({ value, typed: String(value), trust: 'unknown' as const })
const at = <T>(list: readonly T[], i: number) => list[i % Math.max(1, list.length)]

/** What can be done to an engine on its page, to whichever part a number falls on. */
type Edit = (sheet: BuildSheet, a: number, b: number) => SheetChange | undefined
const edits: readonly Edit[] = [
  (s, a) => on(at(s.loops, a), (loop) => addShaftOn(loop)),
  (s, a, b) => on(at(s.loops, a), (loop) => on(at(s.shafts, b), ({ id }) => addMemberOn(loop, id))),
  (s, a, b) =>
    on(at(s.shafts, a), (from) =>
      on(at(s.shafts, b), (to) =>
        from.id === to.id
          ? undefined
          : addLoop(at<Loop['kind']>(['rollerChain', 'toothedBelt'], a + b) ?? 'rollerChain', from.id, to.id),
      ),
    ),
  (s, a) => on(at(s.loops, a), ({ id }) => removeLoop(id)),
  (s, a) => on(at(s.members, a), ({ id }) => removeMember(id)),
  (s, a) => on(at(s.shafts.slice(1), a), ({ id }) => removeShaft(id)),
  (s, a) =>
    on(
      at(
        s.members.filter(({ shaftId }) => shaftId),
        a,
      ),
      ({ id }) => addGearOn(id),
    ),
  (s, a) => on(at(s.shafts, a), ({ id }) => addHub(id)),
  (s, a, b) =>
    on(at(s.shafts, a), (from) =>
      on(at(s.shafts, b), (to) => (from.id === to.id ? undefined : addCoupling('spline', from.id, to.id))),
    ),
  (s, a) => on(at(s.members, a), (member) => addMark(member)),
  (s, a) => on(at(s.marks, a), ({ id }) => removeMark(id)),
  (s, a, b) =>
    on(at(s.members, a), ({ id }) => patchMember(id, (one) => withValue(one, 'teeth', figure(8 + (b % 60))))),
  (s, a, b) =>
    on(at(s.loops, a), ({ id }) => patchLoop(id, (one) => withValue(one, 'pitches', figure(20 + (b % 200))))),
  (s, a) => on(at(s.loops, a), ({ id }) => patchLoop(id, (one) => withValue(one, 'pitchMm', figure(9.525)))),
  (s, a, b) => on(at(s.shafts.slice(1), a), ({ id }) => patchShaft(id, setPolar('distanceMm', figure(40 + b)))),
  (s, a, b) => on(at(s.shafts.slice(1), a), ({ id }) => patchShaft(id, setPolar('directionDeg', figure(b % 360)))),
  (s, a, b) => on(at(s.shafts.slice(1), a), ({ id }) => moveShaft(id, { x: b - 250, y: 100 + a })),
]
const on = <T, R>(part: T | undefined, make: (part: T) => R): R | undefined =>
  part === undefined ? undefined : make(part)

const step = fc.record({ edit: fc.nat(edits.length - 1), a: fc.nat(40), b: fc.nat(500) })

test('whatever is done to an engine on its page: it parses, is drawn or says why, and is taken back whole', () => {
  fc.assert(
    fc.property(begun, fc.array(step, { maxLength: 14 }), (start, steps) => {
      let sheet = start
      const done = steps.flatMap(({ edit, a, b }) => {
        const change = edits[edit]?.(sheet, a, b)
        const next = change ? buildSheetSchema.safeParse(change(sheet)) : undefined
        // What no sheet may hold is refused when it is written.
        if (!next?.success) return []
        const edited = sheetEdits(sheet, next.data)
        sheet = next.data
        return [edited]
      })
      for (const loop of sheet.loops) {
        const solved = readDrive(sheet).solved(loop)
        expect(solved.ok || solved.error.code.length > 0).toBe(true)
      }
      const scene = makeDriveScene(asDrawable(sheet).sheet, AS_MARKED)
      for (const { centre, radiusMm } of scene.toothed)
        expect([centre.x, centre.y, radiusMm].every(Number.isFinite)).toBe(true)
      expect(new Set(enginePartsOf(sheet).map(({ key }) => key)).size).toBe(enginePartsOf(sheet).length)
      expect(answersOf(sheet).length).toBeGreaterThan(0)
      const end = sheet
      for (const edited of done.toReversed()) {
        const back = undoEdits(sheet, edited)
        expect(back.skipped).toEqual([])
        sheet = back.sheet
      }
      expect(same(sheet, start)).toBe(true)
      for (const edited of done) sheet = undoEdits(sheet, turnedRound(edited)).sheet
      expect(same(sheet, end)).toBe(true)
    }),
    { numRuns: 250 },
  )
})
