import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { countFromPitches, markSeat, readDrive } from '../drive'
import type { BuildSheet, NewEntry, RimMark } from '../model'
import { cautionsFor } from '../runSheet/cautions'
import { beginSheet, type StarterChoice } from '../starters'
import { ratioValue } from '../units'
import { atPose, saw, stateAfter, turned } from '../testing/oneChain'
import { judgeGuard, type Guard, type GuardReason } from '.'
import type { Wanted } from './wanted'

/* Twenty jobs done as good mechanics do them. Every turn in them is legitimate; whatever somebody forgot to write down before it, the guard may hold the turn, and
 * then names what frees it: written down, that lets it turn. Common practice, no source; the jobs are made up here. */

const known = <T>(value: T) => ({ value, typed: String(value), trust: 'manual' as const })

/** A shape with every tooth counted and every run between its marks in the book, no distance known. */
function engine(choice: Partial<StarterChoice>, change: (sheet: BuildSheet) => Partial<BuildSheet> = () => ({})) {
  const bare = beginSheet({
    id: 'sheet',
    engineId: 'engine',
    at: '2026-01-05T08:00:00.000Z',
    cylinders: 1,
    guide: false,
    tensioner: true,
    ...choice,
  })
  const ratioOf = (shaftId: string | undefined) =>
    Math.abs(ratioValue(bare.shafts.find(({ id }) => id === shaftId)?.ratio ?? { num: 1, den: 1 }))
  const toothed: BuildSheet = {
    ...bare,
    running: known('clockwise' as const),
    interference: known('yes' as const),
    members: bare.members.map((member) =>
      member.shaftId && member.kind !== 'hub' ? { ...member, teeth: known(24 / ratioOf(member.shaftId)) } : member,
    ),
    cylinders: bare.cylinders.map((one, i) => ({ ...one, firingDeg: known((i * 290) % bare.cycleDeg) })),
  }
  const runs = toothed.loops.map((loop) => readDrive(toothed).sections(loop))
  const sheet: BuildSheet = {
    ...toothed,
    marks: toothed.marks.map((mark) => ({ ...mark, exact: { how: 'exact' } })),
    loops: toothed.loops.map((loop, k) => ({
      ...loop,
      pitches: known((runs[k] ?? []).reduce((sum, _run, i) => sum + 22 + 6 * i, 0)),
    })),
    counts: runs.flatMap((sections) =>
      sections.map(({ id, loopId, from, to, run }, i) => ({
        id: `book ${id}`,
        loopId,
        fromMarkId: from.id,
        toMarkId: to.id,
        run,
        pitches: known(22 + 6 * i),
      })),
    ),
  }
  return { ...sheet, ...change(sheet) }
}

const crankMarkOf = (sheet: BuildSheet) =>
  sheet.marks.find(({ memberId }) => sheet.members.some(({ id, shaftId }) => id === memberId && shaftId === 'crank'))
const line = (id: string, cylinderId: string): RimMark => ({
  id,
  name: id,
  where: 'flywheel',
  seenFrom: 'timing',
  cutFor: 'tdc',
  cylinderId,
  claimDeg: known(0),
  exact: { how: 'exact' },
})

/* What somebody says. */
const loop = (loopId: string, change: 'off' | 'on'): NewEntry => ({ kind: 'loop', loopId, change })
const tensioner = (state: 'heldBack' | 'released', memberId = 'tensioner'): NewEntry => ({
  kind: 'tensioner',
  memberId,
  state,
})
const camshaft = (shaftId: string, is: 'out' | 'free' | 'held' | 'driven' | 'seenShut'): NewEntry => ({
  kind: 'camshaft',
  shaftId,
  is,
})
const coupling = (couplingId: string, change: 'apart' | 'together'): NewEntry => ({
  kind: 'coupling',
  couplingId,
  change,
  steps: 0,
})
const item = (kind: 'stop' | 'lock' | 'rag' | 'capsLoose' | 'heldTaut', change: 'in' | 'out'): NewEntry => ({
  kind: 'item',
  itemId: kind,
  item: kind,
  where: '',
  change,
})
const counts = (sheet: BuildSheet, loopId: string): NewEntry[] =>
  sheet.counts
    .filter((one) => one.loopId === loopId)
    .map(({ fromMarkId, toMarkId, run, pitches }) => countOf(sheet, loopId, fromMarkId, toMarkId, run, pitches.value))

function countOf(
  sheet: BuildSheet,
  loopId: string,
  fromMarkId: string,
  toMarkId: string,
  run: 'tight' | 'slack',
  pitches: number,
): NewEntry {
  const seat = (id: string) => markSeat(sheet.marks.find((mark) => mark.id === id) as never)
  const counted = countFromPitches({ pitches, rule: 'lastOnly', from: seat(fromMarkId), to: seat(toMarkId) })
  return { kind: 'count', loopId, fromMarkId, toMarkId, run, rule: 'lastOnly', counted, phase: 'set' }
}
const seen = (sheet: BuildSheet, shaftId: string, crankMarkId = crankMarkOf(sheet)?.id ?? ''): NewEntry => {
  const mark = sheet.marks.find(({ memberId }) =>
    sheet.members.some((one) => one.id === memberId && one.shaftId === shaftId),
  )
  return {
    kind: 'camAtMark',
    shaftId,
    ...(mark ? { markId: mark.id } : {}),
    phase: 'set',
    crank: { by: 'mark', markId: crankMarkId, offDeg: 0 },
    off: { by: 'level' },
  }
}
const byMark = (sheet: BuildSheet, markId = crankMarkOf(sheet)?.id ?? ''): NewEntry => ({
  kind: 'stands',
  place: 'mark',
  cylinderId: sheet.zeroCylinderId,
  markId,
  offDeg: 0,
})

/** A turn that is asked for, in degrees; or something that is said, which may be forgotten where it is in `forgettable`. */
type Line = { readonly turn: number } | { readonly says: NewEntry; readonly forgettable: boolean }
const turn = (deg: number): Line => ({ turn: deg })
const says = (...lines: readonly NewEntry[]): Line[] => lines.map((one) => ({ says: one, forgettable: false }))
/** Somebody may forget to write it down. */
const mayForget = (...lines: readonly NewEntry[]): Line[] => lines.map((one) => ({ says: one, forgettable: true }))

interface GoodJob {
  readonly name: string
  readonly sheet: BuildSheet
  readonly lines: readonly Line[]
}

const madeSafe = (sheet: BuildSheet) =>
  mayForget(
    ...cautionsFor(sheet)
      .filter(({ gate }) => gate)
      .map(({ id }): NewEntry => ({ kind: 'tick', cautionId: id, ticked: true })),
  )
/** The crank at its own mark, and firing told by the thumb and the lobes. */
const placed = (sheet: BuildSheet) =>
  sheet.cycleDeg === 720
    ? says(byMark(sheet, sheet.rimMarks[0]?.id), saw('thumb', 'firing'), saw('lobes', 'firing'))
    : says(byMark(sheet))
const begins = (sheet: BuildSheet) => [...madeSafe(sheet), ...placed(sheet)]
const twoTurns = [turn(360), turn(360)]

/** A loop off at the timing position, its camshafts set, on again and proved, released, two turns. */
function loopOffAndOn(
  sheet: BuildSheet,
  loopId: string,
  proof: readonly NewEntry[],
  tensionerId = 'tensioner',
): Line[] {
  const hasTensioner = sheet.members.some(({ id }) => id === tensionerId)
  return [
    ...(hasTensioner ? says(tensioner('heldBack', tensionerId)) : []),
    ...says(loop(loopId, 'off')),
    turn(2),
    turn(-2),
    ...says(loop(loopId, 'on')),
    ...mayForget(...proof),
    ...(hasTensioner ? mayForget(tensioner('released', tensionerId)) : []),
  ]
}

const jobs: GoodJob[] = []
const job = (name: string, sheet: BuildSheet, lines: readonly Line[]) => jobs.push({ name, sheet, lines })

const single = engine({})
job('a single by marks', single, [
  ...begins(single),
  ...loopOffAndOn(single, 'chain', [seen(single, 'camshaft')]),
  ...twoTurns,
])
job('a single by pins', single, [
  ...begins(single),
  ...loopOffAndOn(single, 'chain', counts(single, 'chain')),
  ...twoTurns,
])
job('a chain tightened', single, [
  ...begins(single),
  ...says(tensioner('heldBack')),
  turn(3),
  ...mayForget(tensioner('released')),
  ...twoTurns,
])
job('lash taken at every valve, a rag in the chain case', single, [
  ...begins(single),
  ...says(item('rag', 'in')),
  ...mayForget(item('rag', 'out')),
  turn(360),
  turn(360),
])
job('a stop put in, touched each way, taken out', single, [
  ...begins(single),
  turn(-40),
  ...says(item('stop', 'in')),
  ...mayForget(item('stop', 'out')),
  turn(80),
  turn(320),
])
job('a camshaft taken out for its shims and put back', single, [
  ...begins(single),
  ...says(tensioner('heldBack'), loop('chain', 'off')),
  ...mayForget(camshaft('camshaft', 'out'), item('heldTaut', 'in')),
  turn(90),
  turn(-90),
  ...says(atPose, camshaft('camshaft', 'driven'), loop('chain', 'on')),
  ...mayForget(seen(single, 'camshaft'), tensioner('released')),
  ...twoTurns,
])
job('the chain off, its camshaft held with every valve seen shut, while the crank goes to its mark', single, [
  ...begins(single),
  ...says(tensioner('heldBack'), loop('chain', 'off')),
  ...mayForget(camshaft('camshaft', 'held'), camshaft('camshaft', 'seenShut')),
  turn(120),
  turn(-120),
  ...says(atPose, loop('chain', 'on')),
  ...mayForget(camshaft('camshaft', 'driven'), seen(single, 'camshaft'), tensioner('released')),
  ...twoTurns,
])

const twin = engine({ cylinders: 2, drive: 'twinCam' })
job('a twin-cam by counts', twin, [...begins(twin), ...loopOffAndOn(twin, 'chain', counts(twin, 'chain')), ...twoTurns])
const buried = { ...twin, rimMarks: [line('line-1', 'cyl-1')] }
job('a twin-cam with its crank mark buried, by a line on the rim', buried, [
  ...begins(buried),
  ...says({ kind: 'markHidden', markId: crankMarkOf(buried)?.id ?? '', is: 'hidden', why: '' }),
  ...loopOffAndOn(buried, 'chain', [seen(buried, 'exhaust-cam', 'line-1'), seen(buried, 'inlet-cam', 'line-1')]),
  ...twoTurns,
])
job('a twin-cam, one of its camshafts locked while the chain goes on', twin, [
  ...begins(twin),
  ...says(tensioner('heldBack'), loop('chain', 'off'), camshaft('inlet-cam', 'held'), item('lock', 'in')),
  ...says(loop('chain', 'on')),
  ...mayForget(item('lock', 'out'), camshaft('inlet-cam', 'driven')),
  ...mayForget(seen(twin, 'exhaust-cam'), seen(twin, 'inlet-cam'), tensioner('released')),
  ...twoTurns,
])
const freeRunning = { ...twin, interference: known('no' as const) }
job('a free-running engine turned with its chain off', freeRunning, [
  ...begins(freeRunning),
  ...says(loop('chain', 'off')),
  turn(200),
  ...says(loop('chain', 'on')),
  ...mayForget(tensioner('released')),
  turn(520),
])

const staged = engine({ cylinders: 4, drive: 'twoStage' })
job('two chains over an intermediate shaft, both renewed', staged, [
  ...begins(staged),
  ...loopOffAndOn(staged, 'lower', counts(staged, 'lower')),
  ...loopOffAndOn(staged, 'upper', counts(staged, 'upper')),
  ...twoTurns,
])
const marine = engine({ cylinders: 6, drive: 'twoStage', cycleDeg: 360 })
job('a two-stroke’s upper chain re-laid, its two camshafts seen by marks', marine, [
  ...begins(marine),
  ...loopOffAndOn(marine, 'upper', [seen(marine, 'exhaust-cam'), seen(marine, 'inlet-cam')]),
  ...twoTurns,
])
const atRim = (sheet: BuildSheet) => ({ ...sheet, rimMarks: [line('line-1', 'cyl-1')] })
const geared = atRim(engine({ drive: 'gearThenChain' }))
job('a gear, then a chain: the chain renewed', geared, [
  ...begins(geared),
  ...loopOffAndOn(geared, 'chain', [seen(geared, 'camshaft', 'line-1')]),
  ...twoTurns,
])

const vee = engine({ cylinders: 2, layout: 'vee', drive: 'twoChainsByIdlers' }, (sheet) => ({
  rimMarks: [line('line-1', 'cyl-1'), line('line-2', 'cyl-2')],
  shafts: sheet.shafts.map((shaft) => (shaft.id === 'cam-b' ? { ...shaft, meetsAtDeg: known(290) } : shaft)),
}))
const bank = (of: 'a' | 'b') =>
  loopOffAndOn(vee, `chain-${of}`, [seen(vee, `cam-${of}`, of === 'a' ? 'line-1' : 'line-2')], `tensioner-${of}`)
const atLine = (which: '1' | '2') => says(byMark(vee, `line-${which}`))
job('a V-twin, one bank after the other, each at its own TDC', vee, [
  ...begins(vee),
  ...atLine('1'),
  ...bank('a'),
  turn(290),
  ...atLine('2'),
  ...bank('b'),
  ...twoTurns,
])
job('a V-twin, the second bank’s camshaft out while the first is timed', vee, [
  ...begins(vee),
  ...atLine('1'),
  ...says(tensioner('heldBack', 'tensioner-b'), loop('chain-b', 'off')),
  ...mayForget(camshaft('cam-b', 'out'), item('heldTaut', 'in')),
  turn(360),
  turn(360),
  turn(290),
  ...atLine('2'),
  ...says(camshaft('cam-b', 'driven'), loop('chain-b', 'on')),
  ...mayForget(seen(vee, 'cam-b', 'line-2'), tensioner('released', 'tensioner-b')),
  ...twoTurns,
])
const belted = engine({ cylinders: 4, drive: 'beltWithIntermediate' })
job('a belt with an intermediate shaft renewed by its lines', belted, [
  ...begins(belted),
  ...loopOffAndOn(belted, 'belt', counts(belted, 'belt')),
  ...twoTurns,
])
const fourCams = engine({ cylinders: 4, layout: 'vee', drive: 'fourCamBelt' })
job('a belt over four camshafts by its lines', fourCams, [
  ...begins(fourCams),
  ...loopOffAndOn(fourCams, 'belt', counts(fourCams, 'belt')),
  ...twoTurns,
])
const quills = engine({ cylinders: 2, layout: 'vee', drive: 'splinedBanks' })
job('two camshafts re-set on their splines, one after the other', quills, [
  ...begins(quills),
  ...(['a', 'b'] as const).flatMap((of) => [
    ...says(coupling(`spline-middle-cam-${of}`, 'apart')),
    turn(2),
    turn(-2),
    ...says(coupling(`spline-middle-cam-${of}`, 'together')),
    ...mayForget(seen(quills, `cam-${of}`)),
  ]),
  ...twoTurns,
])
const gears = atRim(engine({ drive: 'gearsOnly' }))
job('gears out of mesh and in again by their marks', gears, [
  ...begins(gears),
  ...says(coupling('mesh-idle-gear-cam-gear', 'apart')),
  turn(2),
  turn(-2),
  ...says(coupling('mesh-idle-gear-cam-gear', 'together')),
  ...mayForget({ kind: 'meshCount', couplingId: 'mesh-idle-gear-cam-gear', teeth: 0, phase: 'set' }),
  ...twoTurns,
])

const judge = (sheet: BuildSheet, written: readonly NewEntry[]) => judgeGuard(sheet, stateAfter(written, sheet))

function lets({ verdict, limit }: Guard, deg: number): boolean {
  if (verdict === 'turn') return true
  if (verdict !== 'trim') return false
  if (limit?.until === 'stop') return true
  return deg >= 0 ? deg <= (limit?.forwardDeg ?? 0) + 1e-6 : -deg <= (limit?.backDeg ?? 0) + 1e-6
}

/** What somebody writes down when the guard names this: nothing where it names nothing that could be had. */
function freedBy(sheet: BuildSheet, reason: GuardReason): NewEntry[] {
  const { code, targetId } = reason
  const behind = () => readDrive(sheet).behind(targetId)
  switch (code) {
    case 'makeSafeNotDone':
      return [{ kind: 'tick', cautionId: targetId, ticked: true }]
    case 'itemIn':
    case 'lockIn':
    case 'stopIn':
      return [item(targetId as 'rag', 'out')]
    case 'tensionerNotReleased':
    case 'tensionerNotSaid':
      return [tensioner('released', targetId)]
    case 'camshaftHeld':
      return [camshaft(targetId, 'driven')]
    case 'loopHangs':
      return [item('heldTaut', 'in')]
    case 'loopOff':
    case 'loopOffAwayFromPose':
    case 'couplingApart':
    case 'couplingApartAwayFromPose':
      return behind().map((shaftId) => camshaft(shaftId, 'out'))
    case 'loopOffPlaceUnknown':
    case 'loopOffLookAgain':
    case 'couplingApartPlaceUnknown':
    case 'couplingApartLookAgain':
      return [atPose]
    case 'loopNotCounted':
    case 'couplingNotRead':
      return wantedLine(sheet, reason.wanted?.[0])
    default:
      return []
  }
}

function wantedLine(sheet: BuildSheet, wanted: Wanted | undefined): NewEntry[] {
  if (wanted?.by === 'count') {
    const book = sheet.counts.find(
      ({ fromMarkId, toMarkId }) => fromMarkId === wanted.fromMarkId && toMarkId === wanted.toMarkId,
    )
    return book ? [countOf(sheet, book.loopId, book.fromMarkId, book.toMarkId, book.run, book.pitches.value)] : []
  }
  if (wanted?.by === 'mesh') return [{ kind: 'meshCount', couplingId: wanted.couplingId, teeth: 0, phase: 'set' }]
  if (wanted?.by === 'mark') {
    const mark = sheet.marks.find(({ id }) => id === wanted.markId)
    const shaftId = sheet.members.find(({ id }) => id === mark?.memberId)?.shaftId
    return shaftId ? [seen(sheet, shaftId, wanted.crankMarkId)] : []
  }
  return []
}

/** The job done, with what is forgotten left out; what is wrong with the guard in it, or nothing. */
function wrongIn({ sheet, lines }: GoodJob, forgotten: (i: number) => boolean): string | undefined {
  const written: NewEntry[] = []
  for (const [i, one] of lines.entries()) {
    if ('says' in one) {
      if (!one.forgettable || !forgotten(i)) written.push(one.says)
      continue
    }
    for (let tries = 0; ; tries++) {
      const guard = judge(sheet, written)
      if (lets(guard, one.turn)) break
      const held = guard.reasons.filter(({ verdict }) => verdict !== 'turn')
      const facts = held.map((reason) => freedBy(sheet, reason)).find((found) => found.length > 0)
      if (!facts || tries > 20)
        return `line ${i}, turn ${one.turn}: ${guard.verdict}, ${held.map(({ code, targetId }) => `${code} ${targetId}`).join(', ')}`
      written.push(...facts)
    }
    written.push(turned(one.turn))
  }
  return undefined
}

test('there are twenty of them', () => {
  expect(jobs.length).toBeGreaterThanOrEqual(20)
})

describe.each(jobs.map((one) => [one.name, one] as const))('%s', (_name, good) => {
  test('everything written, every turn is let', () => {
    expect(wrongIn(good, () => false)).toBeUndefined()
  })
  test('whatever is forgotten, what frees the turn is named', () => {
    fc.assert(
      fc.property(fc.array(fc.boolean(), { minLength: good.lines.length, maxLength: good.lines.length }), (forgot) => {
        expect(wrongIn(good, (i) => forgot[i] === true)).toBeUndefined()
      }),
      { numRuns: 40 },
    )
  })
})
