import { bench, describe } from 'vitest'
import { foldJob } from '../ledger'
import { beginSheet, PART_IDS as ids } from '../starters'
import { ringOfCams } from '../testing/ringOfCams'
import { firstJob, oneChainSheet, entriesOf, halfProved, madeSafe, turned } from '../testing/oneChain'
import type { BuildSheet } from '../model'
import { solvePath, sprocketRadiusMm } from '.'
import { readDrive } from './readDrive'

const known = (value: number) => ({ value, typed: String(value), trust: 'measured' as const })
const base = beginSheet({ id: 's', engineId: 'e', at: firstJob.at, cylinders: 4, guide: false, tensioner: true })
const sheet: BuildSheet = {
  ...base,
  running: { value: 'clockwise', typed: '', trust: 'measured' },
  shafts: base.shafts.map((shaft) =>
    shaft.id === ids.cam ? { ...shaft, position: { how: 'xy', xMm: known(14), yMm: known(193.2746) } } : shaft,
  ),
  members: base.members.map((member) => ({
    ...member,
    ...(member.id === ids.tensioner
      ? { radiusMm: known(62) }
      : { teeth: known(member.id === ids.camSprocket ? 38 : 19) }),
  })),
  loops: base.loops.map((loop) => ({ ...loop, pitchMm: known(9.525), pitches: known(70) })),
  marks: base.marks.map((mark) => ({ ...mark, pointsAtDeg: known(mark.id === ids.camMark ? 70 : 345) })),
}
const loop = sheet.loops[0] as BuildSheet['loops'][number]
const two = [19, 38].map((teeth, i) => ({
  memberId: String(i),
  teeth,
  radiusMm: sprocketRadiusMm(9.525, teeth),
  centre: { x: 0, y: i * 194 },
  side: -1 as const,
}))
const long = entriesOf([...madeSafe, ...halfProved, ...Array.from({ length: 500 }, () => turned(360))])

/** Two, six, twelve and fourteen members, the crank among them; a loop of as many pitches as it takes. */
const rings = [1, 5, 11, 13].map((cams) => {
  const ring = ringOfCams(cams, 'rollerChain')
  const solved = readDrive(ring).solved(ring.loops[0] as BuildSheet['loops'][number])
  return {
    members: cams + 1,
    ring: ringOfCams(cams, 'rollerChain', solved.ok ? solved.value.pitches : undefined),
    pitches: solved.ok ? solved.value.pitches : 0,
  }
})

describe('core', () => {
  for (const { members, ring, pitches } of rings) {
    const around = ring.loops[0] as BuildSheet['loops'][number]
    bench(`${members} members, ${pitches} pitches: solved, counted, closed`, () => {
      readDrive({ ...ring }).sections(around)
    })
  }
  bench('two-sprocket path', () => void solvePath(two, 9.525))
  bench('chain with its tensioner solved to closure, and counted', () => {
    readDrive({ ...sheet }).sections(loop)
  })
  bench('a ledger of 500 turns folded', () => void foldJob({ job: firstJob, sheets: [oneChainSheet()], entries: long }))
})
