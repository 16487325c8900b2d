import type { BuildSheet } from '../model'
import { PART_IDS as ids } from '../starters'
import { oneChainSheet } from './oneChain'

const known = <T>(value: T) => ({ value, typed: String(value), trust: 'measured' as const })

/** Two banks, each camshaft on its own chain from the crank, and a third camshaft behind a quill at the end of the second. */
export function twoBankSheet(change: Partial<BuildSheet> = {}): BuildSheet {
  const base = oneChainSheet()
  const wheel = (id: string, shaftId: string, teeth: number) => ({
    id,
    name: id,
    kind: 'sprocket' as const,
    shaftId,
    teeth: known(teeth),
  })
  const shaft = (id: string) => ({ id, name: id, kind: 'cam' as const, ratio: { num: 1, den: 2 } })
  const mark = (id: string, memberId: string) => ({
    id,
    name: id,
    memberId,
    halfTeeth: 0,
    cutFor: 'pose' as const,
    meets: '',
  })
  const loop = (of: 'a' | 'b') => ({
    id: `chain-${of}`,
    name: `Chain ${of}`,
    kind: 'rollerChain' as const,
    pitches: known(70),
    path: [
      { memberId: `crank-${of}`, passed: 'inside' as const },
      { memberId: `tensioner-${of}`, passed: 'outside' as const },
      { memberId: `wheel-${of}`, passed: 'inside' as const },
    ],
  })
  const [first] = base.cylinders
  if (!first) throw new Error('Broken invariant: a bench without a cylinder')
  const cam = (id: string, shaftId: string, cylinderId: string, valve: 'inlet' | 'exhaust') => ({
    id,
    name: id,
    shaftId,
    cylinderId,
    valve,
  })
  return {
    ...base,
    cylinders: [first, { ...first, id: 'cyl-2', name: '2', firingDeg: known(360) }],
    shafts: [...base.shafts.filter(({ kind }) => kind === 'crank'), shaft('cam-a'), shaft('cam-b'), shaft('cam-c')],
    members: [
      ...(['a', 'b'] as const).flatMap((of) => [
        wheel(`crank-${of}`, ids.crank, 19),
        wheel(`wheel-${of}`, `cam-${of}`, 38),
        { id: `tensioner-${of}`, name: `Tensioner ${of}`, kind: 'tensioner' as const },
      ]),
    ],
    loops: [loop('a'), loop('b')],
    couplings: [{ id: 'quill', kind: 'quill', fromId: 'cam-b', toId: 'cam-c', positions: known(24) }],
    marks: (['a', 'b'] as const).flatMap((of) => [
      mark(`crank-mark-${of}`, `crank-${of}`),
      mark(`cam-mark-${of}`, `wheel-${of}`),
    ]),
    counts: (['a', 'b'] as const).map((of) => ({
      id: `book-${of}`,
      loopId: `chain-${of}`,
      fromMarkId: `cam-mark-${of}`,
      toMarkId: `crank-mark-${of}`,
      run: 'tight',
      pitches: known(29),
    })),
    cams: [
      cam('in-1', 'cam-a', 'cyl-1', 'inlet'),
      cam('ex-1', 'cam-a', 'cyl-1', 'exhaust'),
      cam('in-2', 'cam-b', 'cyl-2', 'inlet'),
      cam('ex-2', 'cam-c', 'cyl-2', 'exhaust'),
    ],
    witnesses: [],
    adjusters: (['a', 'b'] as const).map((of) => ({
      id: `hub-${of}`,
      kind: 'hub',
      memberId: `wheel-${of}`,
      positions: 19,
    })),
    ...change,
  }
}

/** The same engine, its second bank set at a place of the crank of its own. */
export function ownPlaceSheet(): BuildSheet {
  const base = twoBankSheet()
  return {
    ...base,
    marks: base.marks.map((mark) => (mark.id.endsWith('-b') ? { ...mark, meetsAtDeg: known(290) } : mark)),
  }
}

/** The same engine, its third camshaft driven by gears of 38 teeth each instead of a quill. */
export function gearedBankSheet(): BuildSheet {
  const base = twoBankSheet()
  const gear = (of: 'b' | 'c') => ({
    id: `gear-${of}`,
    name: `Gear ${of}`,
    kind: 'gear' as const,
    shaftId: `cam-${of}`,
    teeth: known(38),
  })
  return {
    ...base,
    members: [...base.members, gear('b'), gear('c')],
    couplings: [{ id: 'mesh', kind: 'gearMesh', fromId: 'gear-b', toId: 'gear-c' }],
  }
}

/** The same engine, a chain of it deleted from the sheet and drawn anew. */
export function redrawn(sheet: BuildSheet, version: number): BuildSheet {
  const old = sheet.loops.at(-1)?.id ?? ''
  const id = `${old.replace(/-v\d+$/, '')}-v${version}`
  const fresh = (loopId: string) => (loopId === old ? id : loopId)
  return {
    ...sheet,
    id: `sheet-${version}`,
    version,
    loops: sheet.loops.map((loop) => ({ ...loop, id: fresh(loop.id) })),
    counts: sheet.counts.map((count) => ({ ...count, loopId: fresh(count.loopId) })),
  }
}
