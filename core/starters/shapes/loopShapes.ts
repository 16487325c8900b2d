import type { Loop, Member, Shaft } from '../../model/buildSheet'
import { byBankAndValve, byValve, crank, loop, member, oneCam, shaft, type DriveShape, type Parts } from './parts'

/* Shapes of an engine in line with chains or belts alone. */

export interface LoopStuff {
  readonly kind: Loop['kind']
  readonly wheel: Extract<Member['kind'], 'sprocket' | 'pulley'>
  readonly id: 'chain' | 'belt'
  readonly name: 'Chain' | 'Belt'
}
export const CHAIN: LoopStuff = { kind: 'rollerChain', wheel: 'sprocket', id: 'chain', name: 'Chain' }
export const BELT: LoopStuff = { kind: 'toothedBelt', wheel: 'pulley', id: 'belt', name: 'Belt' }

const twoCamshafts = [
  shaft('exhaust-cam', 'Exhaust camshaft', 'cam', 1, 2),
  shaft('inlet-cam', 'Inlet camshaft', 'cam', 1, 2),
]
const twoCamWheels = [
  ['exhaust', 'Exhaust', 'exhaust-cam'],
  ['inlet', 'Inlet', 'inlet-cam'],
] as const

/** One loop from the crank past its tensioner and round what it drives, in the order of its way. */
const onOneLoop = (
  { kind, wheel, id, name }: LoopStuff,
  shafts: readonly Shaft[],
  driven: readonly (readonly [stem: string, name: string, shaftId: string])[],
): Parts => ({
  shafts: [crank, ...shafts],
  members: [
    member(`crank-${wheel}`, `Crank ${wheel}`, wheel, 'crank'),
    member('tensioner', 'Tensioner', 'tensioner'),
    ...driven.map(([stem, its, shaftId]) => member(`${stem}-${wheel}`, `${its} ${wheel}`, wheel, shaftId)),
  ],
  loops: [loop(id, name, kind, `crank-${wheel}`, '-tensioner', ...driven.map(([stem]) => `${stem}-${wheel}`))],
  couplings: [],
})

const twinCam = (stuff: LoopStuff): DriveShape => ({
  shaftOf: byValve,
  parts: onOneLoop(stuff, twoCamshafts, twoCamWheels),
})

const withPump = (stuff: LoopStuff): DriveShape => ({
  shaftOf: oneCam,
  parts: onOneLoop(
    stuff,
    [shaft('pump', 'Pump shaft', 'pump', 1, 2), shaft('camshaft', 'Camshaft', 'cam', 1, 2)],
    [
      ['cam', 'Cam', 'camshaft'],
      ['pump', 'Pump', 'pump'],
    ],
  ),
})

export const loopShapes = {
  twinCam: twinCam(CHAIN),
  twinCamBelt: twinCam(BELT),
  chainEachCam: {
    shaftOf: byValve,
    parts: {
      shafts: [crank, ...twoCamshafts],
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
      shafts: [crank, shaft('middle', 'Intermediate shaft', 'intermediate', 1, 2), ...twoCamshafts],
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
  chainWithPump: withPump(CHAIN),
  beltWithPump: withPump(BELT),
  beltWithIntermediate: {
    shaftOf: oneCam,
    parts: onOneLoop(
      BELT,
      [shaft('middle', 'Intermediate shaft', 'intermediate', 1, 2), shaft('camshaft', 'Camshaft', 'cam', 1, 2)],
      [
        ['cam', 'Cam', 'camshaft'],
        ['middle', 'Intermediate', 'middle'],
      ],
    ),
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
} satisfies Readonly<Record<string, DriveShape>>
