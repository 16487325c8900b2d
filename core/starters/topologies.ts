import type { BuildSheet, Cylinder, Loop, Mark, Member, Shaft } from '../model/buildSheet'

/** Plain shapes of drives to begin from and bend. They hold no figures but ratios that the shape itself settles. */
export type Topology =
  | 'twinCam'
  | 'twinCamBelt'
  | 'chainEachCam'
  | 'twoStage'
  | 'gearThenChain'
  | 'twoChainsByIdlers'
  | 'chainEachBank'
  | 'chainWithPump'
  | 'beltWithPump'
  | 'beltWithIntermediate'
  | 'twoBelts'
  | 'fourCamBelt'
  | 'gearPair'
  | 'gearsOnly'
  | 'gearTower'
  | 'shaftAndBevels'
  | 'camRing'
  | 'splinedBanks'

type Drive = Pick<
  BuildSheet,
  'shafts' | 'members' | 'loops' | 'couplings' | 'cams' | 'marks' | 'adjusters' | 'witnesses'
>

const shaft = (id: string, name: string, kind: Shaft['kind'], num: number, den: number): Shaft => ({
  id,
  name,
  kind,
  ratio: { num, den },
  ...(kind === 'crank' ? { position: { how: 'origin' } } : { position: { how: 'polar', fromShaftId: 'crank' } }),
})
const crank = shaft('crank', 'Crank', 'crank', 1, 1)
const member = (id: string, name: string, kind: Member['kind'], shaftId?: string): Member => ({
  id,
  name,
  kind,
  ...(shaftId ? { shaftId } : kind === 'tensioner' ? {} : { position: { how: 'polar', fromShaftId: 'crank' } }),
})
/** `-name` = passed outside. */
const loop = (id: string, name: string, kind: Loop['kind'], ...path: string[]): Loop => ({
  id,
  name,
  kind,
  path: path.map((part) => ({ memberId: part.replace(/^-/, ''), passed: part.startsWith('-') ? 'outside' : 'inside' })),
})
const mesh = (fromId: string, toId: string) => ({
  id: `mesh-${fromId}-${toId}`.slice(0, 64),
  kind: 'gearMesh' as const,
  fromId,
  toId,
})
const spline = (fromId: string, toId: string) => ({
  id: `spline-${fromId}-${toId}`,
  kind: 'spline' as const,
  fromId,
  toId,
})

/** One part for each of two banks. */
const banks = <T>(make: (bank: { readonly of: 'a' | 'b'; readonly first: 'First' | 'Second' }) => T): T[] => [
  make({ of: 'a', first: 'First' }),
  make({ of: 'b', first: 'Second' }),
]

type Parts = Pick<Drive, 'shafts' | 'members' | 'loops' | 'couplings'>
/** Which shaft a valve of a cylinder is worked by. */
type ShaftOf = (cylinder: Cylinder, valve: 'inlet' | 'exhaust') => string

const byValve: ShaftOf = (_cylinder, valve) => (valve === 'inlet' ? 'inlet-cam' : 'exhaust-cam')
const oneCam: ShaftOf = () => 'camshaft'
const byBank: ShaftOf = ({ bankId }) => (bankId === 'bank-2' ? 'cam-b' : 'cam-a')
const byBankAndValve: ShaftOf = ({ bankId }, valve) => `${valve}-${bankId === 'bank-2' ? 'b' : 'a'}`

const shapes: Readonly<Record<Topology, { readonly parts: Parts; readonly shaftOf: ShaftOf }>> = {
  twinCam: {
    shaftOf: byValve,
    parts: {
      shafts: [
        crank,
        shaft('exhaust-cam', 'Exhaust camshaft', 'cam', 1, 2),
        shaft('inlet-cam', 'Inlet camshaft', 'cam', 1, 2),
      ],
      members: [
        member('crank-sprocket', 'Crank sprocket', 'sprocket', 'crank'),
        member('tensioner', 'Tensioner', 'tensioner'),
        member('exhaust-sprocket', 'Exhaust sprocket', 'sprocket', 'exhaust-cam'),
        member('inlet-sprocket', 'Inlet sprocket', 'sprocket', 'inlet-cam'),
      ],
      loops: [
        loop('chain', 'Chain', 'rollerChain', 'crank-sprocket', '-tensioner', 'exhaust-sprocket', 'inlet-sprocket'),
      ],
      couplings: [],
    },
  },
  twinCamBelt: {
    shaftOf: byValve,
    parts: {
      shafts: [
        crank,
        shaft('exhaust-cam', 'Exhaust camshaft', 'cam', 1, 2),
        shaft('inlet-cam', 'Inlet camshaft', 'cam', 1, 2),
      ],
      members: [
        member('crank-pulley', 'Crank pulley', 'pulley', 'crank'),
        member('tensioner', 'Tensioner', 'tensioner'),
        member('exhaust-pulley', 'Exhaust pulley', 'pulley', 'exhaust-cam'),
        member('inlet-pulley', 'Inlet pulley', 'pulley', 'inlet-cam'),
      ],
      loops: [loop('belt', 'Belt', 'toothedBelt', 'crank-pulley', '-tensioner', 'exhaust-pulley', 'inlet-pulley')],
      couplings: [],
    },
  },
  chainEachCam: {
    shaftOf: byValve,
    parts: {
      shafts: [
        crank,
        shaft('exhaust-cam', 'Exhaust camshaft', 'cam', 1, 2),
        shaft('inlet-cam', 'Inlet camshaft', 'cam', 1, 2),
      ],
      members: [
        member('crank-exhaust', 'Crank sprocket for the exhaust', 'sprocket', 'crank'),
        member('crank-inlet', 'Crank sprocket for the inlet', 'sprocket', 'crank'),
        member('tensioner-exhaust', 'Exhaust tensioner', 'tensioner'),
        member('tensioner-inlet', 'Inlet tensioner', 'tensioner'),
        member('exhaust-sprocket', 'Exhaust sprocket', 'sprocket', 'exhaust-cam'),
        member('inlet-sprocket', 'Inlet sprocket', 'sprocket', 'inlet-cam'),
      ],
      loops: [
        loop(
          'chain-exhaust',
          'Exhaust chain',
          'rollerChain',
          'crank-exhaust',
          '-tensioner-exhaust',
          'exhaust-sprocket',
        ),
        loop('chain-inlet', 'Inlet chain', 'rollerChain', 'crank-inlet', '-tensioner-inlet', 'inlet-sprocket'),
      ],
      couplings: [],
    },
  },
  twoStage: {
    shaftOf: byValve,
    parts: {
      shafts: [
        crank,
        shaft('middle', 'Intermediate shaft', 'intermediate', 1, 2),
        shaft('exhaust-cam', 'Exhaust camshaft', 'cam', 1, 2),
        shaft('inlet-cam', 'Inlet camshaft', 'cam', 1, 2),
      ],
      members: [
        member('crank-sprocket', 'Crank sprocket', 'sprocket', 'crank'),
        member('middle-large', 'Large intermediate sprocket', 'sprocket', 'middle'),
        member('middle-small', 'Small intermediate sprocket', 'sprocket', 'middle'),
        member('tensioner', 'Upper tensioner', 'tensioner'),
        member('exhaust-sprocket', 'Exhaust sprocket', 'sprocket', 'exhaust-cam'),
        member('inlet-sprocket', 'Inlet sprocket', 'sprocket', 'inlet-cam'),
      ],
      loops: [
        loop('lower', 'Lower chain', 'rollerChain', 'crank-sprocket', 'middle-large'),
        loop('upper', 'Upper chain', 'rollerChain', 'middle-small', '-tensioner', 'exhaust-sprocket', 'inlet-sprocket'),
      ],
      couplings: [],
    },
  },
  gearThenChain: {
    shaftOf: oneCam,
    parts: {
      shafts: [
        crank,
        shaft('half', 'Half-speed shaft', 'intermediate', -1, 2),
        shaft('camshaft', 'Camshaft', 'cam', -1, 2),
      ],
      members: [
        member('pinion', 'Crank pinion', 'gear', 'crank'),
        member('half-gear', 'Half-speed gear', 'gear', 'half'),
        member('half-sprocket', 'Half-speed sprocket', 'sprocket', 'half'),
        member('tensioner', 'Tensioner', 'tensioner'),
        member('cam-sprocket', 'Cam sprocket', 'sprocket', 'camshaft'),
      ],
      loops: [loop('chain', 'Chain', 'rollerChain', 'half-sprocket', '-tensioner', 'cam-sprocket')],
      couplings: [mesh('pinion', 'half-gear')],
    },
  },
  twoChainsByIdlers: {
    shaftOf: byBank,
    parts: {
      shafts: [
        crank,
        ...banks(({ of, first }) => shaft(`idler-${of}`, `${first} idler shaft`, 'intermediate', -1, 2)),
        ...banks(({ of, first }) => shaft(`cam-${of}`, `${first} camshaft`, 'cam', -1, 2)),
      ],
      members: [
        member('pinion', 'Crank pinion', 'gear', 'crank'),
        ...banks(({ of, first }) => member(`gear-${of}`, `${first} idler gear`, 'gear', `idler-${of}`)),
        ...banks(({ of, first }) => member(`sprocket-${of}`, `${first} idler sprocket`, 'sprocket', `idler-${of}`)),
        ...banks(({ of, first }) => member(`tensioner-${of}`, `${first} tensioner`, 'tensioner')),
        ...banks(({ of, first }) => member(`cam-sprocket-${of}`, `${first} cam sprocket`, 'sprocket', `cam-${of}`)),
      ],
      loops: banks(({ of, first }) =>
        loop(
          `chain-${of}`,
          `${first} chain`,
          'rollerChain',
          `sprocket-${of}`,
          `-tensioner-${of}`,
          `cam-sprocket-${of}`,
        ),
      ),
      couplings: banks(({ of }) => mesh('pinion', `gear-${of}`)),
    },
  },
  chainEachBank: {
    shaftOf: byBank,
    parts: {
      shafts: [crank, ...banks(({ of, first }) => shaft(`cam-${of}`, `${first} camshaft`, 'cam', 1, 2))],
      members: [
        ...banks(({ of, first }) => member(`crank-${of}`, `${first} crank sprocket`, 'sprocket', 'crank')),
        ...banks(({ of, first }) => member(`tensioner-${of}`, `${first} tensioner`, 'tensioner')),
        ...banks(({ of, first }) => member(`cam-sprocket-${of}`, `${first} cam sprocket`, 'sprocket', `cam-${of}`)),
      ],
      loops: banks(({ of, first }) =>
        loop(`chain-${of}`, `${first} chain`, 'rollerChain', `crank-${of}`, `-tensioner-${of}`, `cam-sprocket-${of}`),
      ),
      couplings: [],
    },
  },
  chainWithPump: {
    shaftOf: oneCam,
    parts: {
      shafts: [crank, shaft('pump', 'Pump shaft', 'pump', 1, 2), shaft('camshaft', 'Camshaft', 'cam', 1, 2)],
      members: [
        member('crank-sprocket', 'Crank sprocket', 'sprocket', 'crank'),
        member('tensioner', 'Tensioner', 'tensioner'),
        member('cam-sprocket', 'Cam sprocket', 'sprocket', 'camshaft'),
        member('pump-sprocket', 'Pump sprocket', 'sprocket', 'pump'),
      ],
      loops: [loop('chain', 'Chain', 'rollerChain', 'crank-sprocket', '-tensioner', 'cam-sprocket', 'pump-sprocket')],
      couplings: [],
    },
  },
  beltWithPump: {
    shaftOf: oneCam,
    parts: {
      shafts: [crank, shaft('pump', 'Pump shaft', 'pump', 1, 2), shaft('camshaft', 'Camshaft', 'cam', 1, 2)],
      members: [
        member('crank-pulley', 'Crank pulley', 'pulley', 'crank'),
        member('tensioner', 'Tensioner', 'tensioner'),
        member('cam-pulley', 'Cam pulley', 'pulley', 'camshaft'),
        member('pump-pulley', 'Pump pulley', 'pulley', 'pump'),
      ],
      loops: [loop('belt', 'Belt', 'toothedBelt', 'crank-pulley', '-tensioner', 'cam-pulley', 'pump-pulley')],
      couplings: [],
    },
  },
  beltWithIntermediate: {
    shaftOf: oneCam,
    parts: {
      shafts: [
        crank,
        shaft('middle', 'Intermediate shaft', 'intermediate', 1, 2),
        shaft('camshaft', 'Camshaft', 'cam', 1, 2),
      ],
      members: [
        member('crank-pulley', 'Crank pulley', 'pulley', 'crank'),
        member('tensioner', 'Tensioner', 'tensioner'),
        member('cam-pulley', 'Cam pulley', 'pulley', 'camshaft'),
        member('middle-pulley', 'Intermediate pulley', 'pulley', 'middle'),
      ],
      loops: [loop('belt', 'Belt', 'toothedBelt', 'crank-pulley', '-tensioner', 'cam-pulley', 'middle-pulley')],
      couplings: [],
    },
  },
  twoBelts: {
    shaftOf: byBank,
    parts: {
      shafts: [crank, ...banks(({ of, first }) => shaft(`cam-${of}`, `${first} camshaft`, 'cam', 1, 2))],
      members: [
        ...banks(({ of, first }) => member(`crank-${of}`, `${first} crank pulley`, 'pulley', 'crank')),
        ...banks(({ of, first }) => member(`tensioner-${of}`, `${first} tensioner`, 'tensioner')),
        ...banks(({ of, first }) => member(`cam-pulley-${of}`, `${first} cam pulley`, 'pulley', `cam-${of}`)),
      ],
      loops: banks(({ of, first }) =>
        loop(`belt-${of}`, `${first} belt`, 'toothedBelt', `crank-${of}`, `-tensioner-${of}`, `cam-pulley-${of}`),
      ),
      couplings: [],
    },
  },
  fourCamBelt: {
    shaftOf: byBankAndValve,
    parts: {
      shafts: [
        crank,
        shaft('exhaust-a', 'First exhaust camshaft', 'cam', 1, 2),
        shaft('inlet-a', 'First inlet camshaft', 'cam', 1, 2),
        shaft('inlet-b', 'Second inlet camshaft', 'cam', 1, 2),
        shaft('exhaust-b', 'Second exhaust camshaft', 'cam', 1, 2),
      ],
      members: [
        member('crank-pulley', 'Crank pulley', 'pulley', 'crank'),
        member('tensioner', 'Tensioner', 'tensioner'),
        member('pulley-ea', 'First exhaust pulley', 'pulley', 'exhaust-a'),
        member('pulley-ia', 'First inlet pulley', 'pulley', 'inlet-a'),
        member('idler', 'Middle idler', 'idler'),
        member('pulley-ib', 'Second inlet pulley', 'pulley', 'inlet-b'),
        member('pulley-eb', 'Second exhaust pulley', 'pulley', 'exhaust-b'),
      ],
      loops: [
        loop(
          'belt',
          'Belt',
          'toothedBelt',
          'crank-pulley',
          '-tensioner',
          'pulley-ea',
          'pulley-ia',
          '-idler',
          'pulley-ib',
          'pulley-eb',
        ),
      ],
      couplings: [],
    },
  },
  gearPair: {
    shaftOf: oneCam,
    parts: {
      shafts: [crank, shaft('camshaft', 'Camshaft', 'cam', -1, 2)],
      members: [member('pinion', 'Crank gear', 'gear', 'crank'), member('cam-gear', 'Cam gear', 'gear', 'camshaft')],
      loops: [],
      couplings: [mesh('pinion', 'cam-gear')],
    },
  },
  gearTower: {
    shaftOf: byBank,
    parts: {
      shafts: [
        crank,
        shaft('idle', 'Idler shaft', 'idler', -1, 1),
        shaft('middle', 'Half-speed shaft', 'intermediate', 1, 2),
        shaft('cam-a', 'First camshaft', 'cam', 1, 2),
        shaft('cam-b', 'Second camshaft', 'cam', 1, 2),
      ],
      members: [
        member('pinion', 'Crank gear', 'gear', 'crank'),
        member('idle-gear', 'Idler gear', 'gear', 'idle'),
        member('half-gear', 'Half-speed gear', 'gear', 'middle'),
        member('hub-a', 'First camshaft end', 'hub', 'cam-a'),
        member('hub-b', 'Second camshaft end', 'hub', 'cam-b'),
      ],
      loops: [],
      couplings: [
        mesh('pinion', 'idle-gear'),
        mesh('idle-gear', 'half-gear'),
        { ...spline('middle', 'cam-a'), kind: 'quill' },
        { ...spline('middle', 'cam-b'), kind: 'quill' },
      ],
    },
  },
  shaftAndBevels: {
    shaftOf: oneCam,
    parts: {
      shafts: [
        crank,
        shaft('upright', 'Upright shaft', 'intermediate', -1, 1),
        shaft('camshaft', 'Camshaft', 'cam', 1, 2),
      ],
      members: [
        member('crank-bevel', 'Crank bevel', 'gear', 'crank'),
        member('lower-bevel', 'Lower bevel', 'gear', 'upright'),
        member('upper-bevel', 'Upper bevel', 'gear', 'upright'),
        member('cam-bevel', 'Cam bevel', 'gear', 'camshaft'),
      ],
      loops: [],
      couplings: [mesh('crank-bevel', 'lower-bevel'), mesh('upper-bevel', 'cam-bevel')],
    },
  },
  camRing: {
    shaftOf: oneCam,
    parts: {
      shafts: [crank, shaft('lay', 'Layshaft', 'idler', -1, 2), shaft('camshaft', 'Cam ring', 'cam', 1, 2)],
      members: [
        member('pinion', 'Crank gear', 'gear', 'crank'),
        member('lay-large', 'Large layshaft gear', 'gear', 'lay'),
        member('lay-small', 'Small layshaft gear', 'gear', 'lay'),
        member('ring-gear', 'Cam ring gear', 'gear', 'camshaft'),
      ],
      loops: [],
      couplings: [mesh('pinion', 'lay-large'), mesh('lay-small', 'ring-gear')],
    },
  },
  gearsOnly: {
    shaftOf: oneCam,
    parts: {
      shafts: [crank, shaft('idle', 'Idler shaft', 'idler', -1, 1), shaft('camshaft', 'Camshaft', 'cam', 1, 2)],
      members: [
        member('pinion', 'Crank gear', 'gear', 'crank'),
        member('idle-gear', 'Idler gear', 'gear', 'idle'),
        member('cam-gear', 'Cam gear', 'gear', 'camshaft'),
      ],
      loops: [],
      couplings: [mesh('pinion', 'idle-gear'), mesh('idle-gear', 'cam-gear')],
    },
  },
  splinedBanks: {
    shaftOf: byBank,
    parts: {
      shafts: [
        crank,
        shaft('middle', 'Half-speed shaft', 'intermediate', 1, 2),
        shaft('cam-a', 'First camshaft', 'cam', 1, 2),
        shaft('cam-b', 'Second camshaft', 'cam', 1, 2),
      ],
      members: [
        member('crank-sprocket', 'Crank sprocket', 'sprocket', 'crank'),
        member('tensioner', 'Tensioner', 'tensioner'),
        member('half-sprocket', 'Half-speed sprocket', 'sprocket', 'middle'),
        member('hub-a', 'First camshaft end', 'hub', 'cam-a'),
        member('hub-b', 'Second camshaft end', 'hub', 'cam-b'),
      ],
      loops: [loop('chain', 'Chain', 'rollerChain', 'crank-sprocket', '-tensioner', 'half-sprocket')],
      couplings: [spline('middle', 'cam-a'), spline('middle', 'cam-b')],
    },
  },
}

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
