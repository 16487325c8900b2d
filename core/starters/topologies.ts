import type { BuildSheet, Loop, Mark, Shaft } from '../model/buildSheet'
import { bankShapes } from './shapes/bankShapes'
import { gearShapes } from './shapes/gearShapes'
import { loopShapes } from './shapes/loopShapes'
import type { DriveShape } from './shapes/parts'

/** Plain shapes of drives to begin from and bend. They hold no figures but ratios that the shape itself settles. */
export type Topology = keyof typeof loopShapes | keyof typeof bankShapes | keyof typeof gearShapes

type Drive = Pick<
  BuildSheet,
  'shafts' | 'members' | 'loops' | 'couplings' | 'cams' | 'marks' | 'adjusters' | 'witnesses'
>

const shapes: Readonly<Record<Topology, DriveShape>> = { ...loopShapes, ...bankShapes, ...gearShapes }

export const TOPOLOGIES = Object.keys(shapes) as readonly Topology[]

/** The valves that an engine of a cycle usually has: a two-stroke with valves has exhaust valves only. */
export const valvesOfCycle = (cycleDeg: BuildSheet['cycleDeg']): readonly ('inlet' | 'exhaust')[] =>
  cycleDeg === 360 ? ['exhaust'] : ['inlet', 'exhaust']

/** A shaft that turns half as often as the crank on a four-stroke turns with it on a two-stroke. */
const forCycle = (one: Shaft, cycleDeg: BuildSheet['cycleDeg']): Shaft =>
  cycleDeg === 360 && one.ratio.den === 2 ? { ...one, ratio: { ...one.ratio, den: 1 } } : one

/** A cam ring that turns with the crank and has half a lobe more than there are cylinders to each turn of it: four-stroke, an odd number in the star. */
const forStar = (one: Shaft, topology: Topology, cylinders: number): Shaft =>
  topology === 'camRing' && one.kind === 'cam' && cylinders % 2 === 1
    ? { ...one, ratio: { num: 1, den: cylinders + 1 } }
    : one

/** Which of two camshafts on one loop is the last before the crank, so that the pulled run comes from it. */
export type Pulled = 'inlet' | 'exhaust'

/** The same path with the two camshafts the other way about. */
const asPulled =
  (pulled: Pulled) =>
  (one: Loop): Loop => {
    const at = (valve: Pulled) => one.path.findIndex(({ memberId }) => memberId.startsWith(`${valve}-`))
    const [inlet, exhaust] = [at('inlet'), at('exhaust')]
    if (inlet < 0 || exhaust < 0 || (pulled === 'inlet') === inlet > exhaust) return one
    const path = [...one.path]
    const [a, b] = [path[inlet], path[exhaust]]
    if (a && b) [path[inlet], path[exhaust]] = [b, a]
    return { ...one, path }
  }

/** Shapes with two camshafts on one loop: which of them the pulled run comes from has to be said. */
export const ASKS_PULLED: readonly Topology[] = ['twinCam', 'twinCamBelt', 'twoStage']

/** Where there are no inlet valves, what would work them works the fuel pumps. */
const nameForCycle = <T extends { readonly name: string }>(one: T, cycleDeg: BuildSheet['cycleDeg']): T =>
  cycleDeg === 360 ? { ...one, name: one.name.replace(/Inlet/, 'Fuel').replace(/inlet/, 'fuel') } : one

/** The parts of a shape, with a lobe set for each cylinder, and a mark for the reference pose on every toothed wheel of a loop. On a two-stroke the camshafts
 *  turn with the crank. */
export function drivePartsOf(
  topology: Topology,
  { cylinders, cycleDeg }: Pick<BuildSheet, 'cylinders' | 'cycleDeg'>,
  pulled: Pulled = 'inlet',
): Drive {
  const { parts: plain, shaftOf } = shapes[topology]
  const parts = {
    ...plain,
    shafts: plain.shafts.map((one) =>
      nameForCycle(forCycle(forStar(one, topology, cylinders.length), cycleDeg), cycleDeg),
    ),
    members: plain.members.map((one) => nameForCycle(one, cycleDeg)),
    loops: plain.loops.map((one) => nameForCycle(asPulled(pulled)(one), cycleDeg)),
  }
  const onLoops = new Set(parts.loops.flatMap(({ path }) => path.map(({ memberId }) => memberId)))
  const toothed = parts.members.filter(({ shaftId }) => shaftId)
  const marked = toothed.filter(({ id, kind }) => onLoops.has(id) || kind === 'gear' || kind === 'hub')
  return {
    ...parts,
    cams: cylinders.flatMap((cylinder) =>
      valvesOfCycle(cycleDeg).map((valve) => ({
        id: `cam-${cylinder.name}-${valve}`.replace(/[^A-Za-z0-9_-]/g, '-'),
        name: `${cylinder.name} ${valve}`,
        shaftId: shaftOf(cylinder, valve),
        cylinderId: cylinder.id,
        valve,
      })),
    ),
    marks: marked.map(({ id, name, kind }): Mark => ({
      id: `mark-${id}`,
      name: `${name} mark`,
      memberId: id,
      halfTeeth: 0,
      cutFor: kind === 'gear' ? 'assembly' : 'pose',
      meets: '',
    })),
    adjusters: toothed
      .filter(({ id, shaftId }) => onLoops.has(id) && shaftId !== 'crank')
      .map(({ id }) => ({ id: `tooth-${id}`, kind: 'chainTooth' as const, memberId: id })),
    witnesses: parts.loops.map(({ id }) => ({ id: `w-${id}`, kind: 'count' as const, targetId: id })),
  }
}

/** Shapes that need two banks to work the valves of. */
export const NEEDS_TWO_BANKS: readonly Topology[] = [
  'twoChainsByIdlers',
  'chainEachBank',
  'twoBelts',
  'fourCamBelt',
  'gearTower',
  'splinedBanks',
]

/** Shapes of a star. */
export const NEEDS_STAR: readonly Topology[] = ['camRing']
