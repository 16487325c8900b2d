import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { camSpec, liftCurve } from '../cams'
import { diagnose, readingsOfJob } from '../diagnose'
import { couplingsTo, hangingOrder, linkMap, readDrive } from '../drive'
import { judgeGuard } from '../guard'
import { foldJob, readLoop } from '../ledger'
import { buildSheetSchema, type BuildSheet, type NewEntry } from '../model'
import { cycleEvents, makeRunSheet, statusOf, strokesOf, walkLooks, walkStops } from '../runSheet'
import { moveProblemOf } from '../search'
import { TOPOLOGIES } from '../starters'
import { firstJob, entriesOf, halfProved, madeSafe, turned } from '../testing/oneChain'
import { countedFrom, sheetWithDrive, readsLate } from '../testing/sheetWithDrive'

/* A file may pass its schema and still point at parts that it does not hold: everything that is reckoned from a sheet has to bear that. */

const sheets = TOPOLOGIES.map((drive) => {
  const bare = sheetWithDrive(drive, {})
  return sheetWithDrive(drive, Object.fromEntries(bare.members.map(({ id }, i) => [id, 20 + 2 * i])))
})

type Place = readonly (string | number)[]

/** Every place of a sheet that holds an id of something else. */
function references(value: unknown, at: Place = []): Place[] {
  if (Array.isArray(value)) return value.flatMap((one, i) => references(one, [...at, i]))
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([key, inner]) =>
    typeof inner === 'string' && /Id$/.test(key) && key !== 'engineId'
      ? [[...at, key]]
      : references(inner, [...at, key]),
  )
}

function pointedAt(sheet: BuildSheet, places: readonly Place[], target: string): BuildSheet {
  const copy = JSON.parse(JSON.stringify(sheet)) as BuildSheet
  for (const place of places) {
    const holder = place.slice(0, -1).reduce<unknown>((so, key) => (so as Record<string | number, unknown>)[key], copy)
    ;(holder as Record<string | number, unknown>)[place.at(-1) ?? ''] = target
  }
  return copy
}

/** Everything that the screens reckon from a sheet and a ledger. */
function reckon(sheet: BuildSheet, newEntries: readonly NewEntry[]): unknown {
  const state = foldJob({ job: firstJob, sheets: [sheet], entries: entriesOf(newEntries) })
  const late = readsLate(sheet, Object.fromEntries(sheet.shafts.map(({ id }) => [id, 19])), [])
  const steps = makeRunSheet(sheet)
  return [
    readDrive(sheet).wrong,
    sheet.loops.map((loop) => {
      const solved = readDrive(sheet).solved(loop)
      const sections = readDrive(sheet).sections(loop)
      return [
        readDrive(sheet).driverOf(loop)?.id,
        solved.ok ? solved.value.path.pitches : solved.error,
        hangingOrder(sheet, loop, sections),
        linkMap(sections),
        readLoop(sheet, loop, state.counts, 'found', state.seats).lateness,
      ]
    }),
    readDrive(sheet).repeats,
    sheet.shafts.map(({ id }) => couplingsTo(sheet, id).length),
    judgeGuard(sheet, state),
    steps.map((step) => statusOf({ step, sheet, job: firstJob, state })),
    cycleEvents(sheet),
    sheet.cylinders.map((cylinder) => strokesOf(sheet, cylinder.id)),
    walkStops(sheet).map((deg) => walkLooks(sheet, deg)),
    sheet.cams.map((cam) => [camSpec(sheet, cam).figures, liftCurve(sheet, cam, { lateDeg: 0, stepDeg: 90 })]),
    moveProblemOf(sheet, late, 'found'),
    diagnose(readingsOfJob(sheet, late, 'found')).verdict,
    state.timing,
  ]
}

const newEntries = (sheet: BuildSheet): NewEntry[] => [
  ...madeSafe,
  ...halfProved,
  turned(90),
  ...sheet.loops.flatMap(({ id, path }) => {
    const [a, b] = path
    return a && b ? [countedFrom(id, b.memberId, a.memberId, 31)] : []
  }),
]

describe.each(sheets.map((sheet, i) => [TOPOLOGIES[i], sheet] as const))('%s', (_name, sheet) => {
  const places = references(sheet)
  test('whole, it is reckoned without a number that is none', () => {
    expect(JSON.stringify(reckon(sheet, newEntries(sheet)))).not.toMatch(/null,"(latenessDeg|pitches)"|NaN/)
  })
  test('pointing at what is not there, or at the wrong thing, nothing throws', () => {
    const targets = ['nowhere', ...sheet.members.map(({ id }) => id), ...sheet.shafts.map(({ id }) => id)]
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.nat({ max: places.length - 1 }), { minLength: 1, maxLength: 4 }),
        fc.constantFrom(...targets),
        (chosen, target) => {
          const broken = pointedAt(
            sheet,
            chosen.flatMap((i) => [places[i] ?? []]),
            target,
          )
          // Only what the schema takes can come in at all.
          fc.pre(buildSheetSchema.safeParse(broken).success)
          expect(() => reckon(broken, newEntries(sheet))).not.toThrow()
        },
      ),
      { numRuns: 40 },
    )
  })
})

/* A database of before may hold parts that are called what every object has of its own. */
const NAMES = ['toString', 'valueOf', 'constructor', 'hasOwnProperty', 'isPrototypeOf', 'toLocaleString']

/** The same with its parts called otherwise, wherever they are named. */
function renamed<T>(value: T, names: ReadonlyMap<string, string>): T {
  const text = JSON.stringify(value, (key, inner: unknown) => {
    const isId = key === 'id' || key.endsWith('Id')
    if (isId && typeof inner === 'string') return names.get(inner) ?? inner
    return key === 'value' && Array.isArray(inner) ? inner.map((id: string) => names.get(id) ?? id) : inner
  })
  return JSON.parse(text) as T
}

test.each(sheets.map((sheet, i) => [TOPOLOGIES[i], sheet] as const))(
  '%s with shafts, sprockets, loops and cylinders called toString and the like gives the same',
  (_name, sheet) => {
    for (const list of ['shafts', 'members', 'loops', 'cylinders', 'cams', 'marks', 'couplings'] as const) {
      const ids = sheet[list].map(({ id }) => id)
      const names = new Map(ids.flatMap((id, i) => (NAMES[i] === undefined ? [] : [[id, NAMES[i]] as const])))
      const odd = renamed(sheet, names)
      const said = renamed(newEntries(sheet), names)
      expect(shape(reckon(odd, said))).toEqual(shape(reckon(sheet, newEntries(sheet))))
    }
  },
)

/** The numbers of an answer, without what is called by words, and without their order. */
const shape = (value: unknown) =>
  JSON.stringify(value)
    .replace(/"(?:[^"\\]|\\.)*"/g, '')
    .match(/-?\d+\.?\d*/g)
    ?.map((number) => Number(number).toFixed(6))
    .sort()
