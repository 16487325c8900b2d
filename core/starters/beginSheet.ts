import type { Layout } from '../cylinders'
import type { BuildSheet, Cylinder } from '../model/buildSheet'
import { drivePartsOf, valvesOfCycle, type Pulled, type Topology } from './topologies'

export interface StarterChoice {
  readonly id: string
  readonly engineId: string
  readonly at: string
  readonly cylinders: number
  readonly layout?: Layout
  readonly cycleDeg?: 720 | 360
  /** One camshaft on one chain, another plain shape, or nothing of the kind. */
  readonly drive?: 'oneChain' | 'none' | Topology
  /** Which end of a bank its first number stands at. */
  readonly numberedFrom?: 'timing' | 'opposite'
  /** Of two camshafts on one loop, the one that the pulled run comes from. */
  readonly pulled?: Pulled
  readonly guide: boolean
  readonly tensioner: boolean
}

/** Ids of the parts of this shape, so that an editor can find them. */
export const PART_IDS = {
  bank: 'bank',
  crank: 'crank',
  cam: 'camshaft',
  crankSprocket: 'crank-sprocket',
  camSprocket: 'cam-sprocket',
  guide: 'guide',
  tensioner: 'tensioner',
  chain: 'chain',
  crankMark: 'crank-mark',
  camMark: 'cam-mark',
  tightCount: 'tight-count',
} as const

const settled = <T>(value: T) => ({ value, typed: String(value), trust: 'measured' as const })
const assumed = <T>(value: T) => ({ value, typed: String(value), trust: 'unknown' as const })

function banksOf(layout: Layout): BuildSheet['banks'] {
  const bank = (id: string, name: string, axisDeg?: number) => ({
    id,
    name,
    ...(axisDeg === undefined ? {} : { axisDeg: settled(axisDeg) }),
    twelveIs: 'alongCylinder' as const,
  })
  if (layout === 'inLine') return [bank(PART_IDS.bank, 'In line', 90)]
  if (layout === 'radial') return [bank(PART_IDS.bank, 'Star', 90)]
  const flat = layout === 'flat' || layout === 'opposed'
  return [
    bank(PART_IDS.bank, 'First bank', flat ? 180 : undefined),
    bank('bank-2', 'Second bank', flat ? 0 : undefined),
  ]
}

/** Cylinders bank by bank, each from the timing side; a radial's round the star, clockwise as seen from there. */
function cylindersOf({ cylinders, layout = 'inLine', numberedFrom = 'timing' }: StarterChoice): Cylinder[] {
  const inBank = layout === 'inLine' || layout === 'radial' ? cylinders : cylinders / 2
  return Array.from({ length: cylinders }, (_, i): Cylinder => {
    const place = i % inBank
    const name = String(i - place + (numberedFrom === 'timing' ? place : inBank - 1 - place) + 1)
    return {
      id: `cyl-${name}`,
      name,
      bankId: i < inBank ? PART_IDS.bank : 'bank-2',
      ...(layout === 'radial' ? { axisDeg: assumed((450 - (i * 360) / cylinders) % 360) } : {}),
      ...(name === '1' ? { firingDeg: settled(0), crankpinDeg: settled(0) } : {}),
    }
  })
}

/** A build sheet with the shape of an engine, at most one camshaft on one chain, and no figure in it but the ones that the shape itself
 *  settles (a cam at half speed, the zero cylinder at 0, the banks of a flat engine). */
export function beginSheet(choice: StarterChoice): BuildSheet {
  const { id, engineId, at, guide, tensioner, layout = 'inLine', cycleDeg = 720, drive = 'oneChain' } = choice
  const cylinders = cylindersOf(choice)
  const zeroId = 'cyl-1'
  const crank = {
    id: PART_IDS.crank,
    name: 'Crank',
    kind: 'crank' as const,
    ratio: { num: 1, den: 1 },
    position: { how: 'origin' as const },
  }
  const shape: BuildSheet = {
    id,
    engineId,
    version: 1,
    at,
    layout,
    cycleDeg,
    sides: { timing: 'timing side', opposite: 'flywheel side' },
    interference: { value: 'unknown', typed: '', trust: 'unknown' },
    fuel: 'petrol',
    starting: 'battery',
    reversing: 'fewDegrees',
    banks: banksOf(layout),
    cylinders,
    zeroCylinderId: zeroId,
    referencePose: { event: 'firingTdc', cylinderId: zeroId, crankDeg: { value: 0, typed: '0', trust: 'unknown' } },
    shafts: [crank],
    members: [],
    loops: [],
    couplings: [],
    adjusters: [],
    cams: [],
    marks: [],
    rimMarks: [],
    witnesses: [],
    counts: [],
    seenFrom: 'timing',
    notes: '',
  }
  if (drive === 'none') return shape
  return drive === 'oneChain'
    ? { ...shape, ...oneChain(shape, { guide, tensioner }) }
    : { ...shape, ...drivePartsOf(drive, shape, choice.pulled) }
}

/** One camshaft, driven by one chain from a crank sprocket, with at most one guide and one tensioner. */
function oneChain(
  shape: BuildSheet,
  { guide, tensioner }: { guide: boolean; tensioner: boolean },
): Partial<BuildSheet> {
  const ids = PART_IDS
  return {
    shafts: [
      ...shape.shafts,
      {
        id: ids.cam,
        name: 'Camshaft',
        kind: 'cam',
        ratio: { num: 1, den: shape.cycleDeg / 360 },
        position: { how: 'polar', fromShaftId: ids.crank },
      },
    ],
    members: [
      { id: ids.crankSprocket, name: 'Crank sprocket', kind: 'sprocket', shaftId: ids.crank },
      ...(guide
        ? [
            {
              id: ids.guide,
              name: 'Guide',
              kind: 'guide' as const,
              position: { how: 'polar' as const, fromShaftId: ids.crank },
            },
          ]
        : []),
      ...(tensioner ? [{ id: ids.tensioner, name: 'Tensioner', kind: 'tensioner' as const }] : []),
      { id: ids.camSprocket, name: 'Cam sprocket', kind: 'sprocket', shaftId: ids.cam },
    ],
    loops: [
      {
        id: ids.chain,
        name: 'Chain',
        kind: 'rollerChain',
        path: [
          { memberId: ids.crankSprocket, passed: 'inside' },
          ...(tensioner ? [{ memberId: ids.tensioner, passed: 'outside' as const }] : []),
          { memberId: ids.camSprocket, passed: 'inside' },
          ...(guide ? [{ memberId: ids.guide, passed: 'outside' as const }] : []),
        ],
      },
    ],
    adjusters: [{ id: 'cam-tooth', kind: 'chainTooth', memberId: ids.camSprocket }],
    cams: shape.cylinders.flatMap(({ id, name }) =>
      valvesOfCycle(shape.cycleDeg).map((valve) => ({
        id: `cam-${name}-${valve}`,
        name: `${name} ${valve}`,
        shaftId: ids.cam,
        cylinderId: id,
        valve,
      })),
    ),
    marks: [
      { id: ids.crankMark, name: 'Crank mark', memberId: ids.crankSprocket, halfTeeth: 0, cutFor: 'pose', meets: '' },
      {
        id: ids.camMark,
        name: 'Cam mark',
        memberId: ids.camSprocket,
        halfTeeth: 0,
        cutFor: 'pose',
        meets: 'its pointer',
      },
    ],
    witnesses: [
      { id: 'w-cam-mark', kind: 'camMark', targetId: ids.camMark },
      { id: 'w-events', kind: 'valveEvents', targetId: 'cam-1-inlet' },
      { id: 'w-count', kind: 'count', targetId: ids.chain },
    ],
  }
}
