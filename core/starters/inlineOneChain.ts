import type { BuildSheet } from '../model/buildSheet'

export interface StarterChoice {
  readonly id: string
  readonly engineId: string
  readonly at: string
  readonly cylinders: 1 | 2 | 3 | 4
  readonly guide: boolean
  readonly tensioner: boolean
}

/** Ids of the parts of this shape, so that an editor can find them. */
export const INLINE_IDS = {
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

/** A build sheet with the shape of an in-line four-stroke, one camshaft on one chain, and no figure in it but the ones that the
 *  shape itself settles (cam at half speed, zero cylinder at 0). */
export function inlineOneChain({ id, engineId, at, cylinders, guide, tensioner }: StarterChoice): BuildSheet {
  const ids = INLINE_IDS
  const names = Array.from({ length: cylinders }, (_, i) => String(i + 1))
  const cylinderId = (name: string) => `cyl-${name}`
  return {
    id,
    engineId,
    version: 1,
    at,
    cycleDeg: 720,
    sides: { timing: 'timing side', opposite: 'flywheel side' },
    interference: { value: 'unknown', typed: '', trust: 'unknown' },
    fuel: 'petrol',
    starting: 'battery',
    reversing: 'fewDegrees',
    banks: [{ id: ids.bank, name: 'In line', axisDeg: 90, twelveIs: 'alongCylinder' }],
    cylinders: names.map((name, i) => ({
      id: cylinderId(name),
      name,
      bankId: ids.bank,
      ...(i === 0 ? { firingDeg: { value: 0, typed: '0', trust: 'measured' as const } } : {}),
    })),
    zeroCylinderId: cylinderId('1'),
    referencePose: {
      event: 'firingTdc',
      cylinderId: cylinderId('1'),
      crankDeg: { value: 0, typed: '0', trust: 'unknown' },
    },
    shafts: [
      { id: ids.crank, name: 'Crank', kind: 'crank', ratio: { num: 1, den: 1 }, position: { how: 'origin' } },
      {
        id: ids.cam,
        name: 'Camshaft',
        kind: 'cam',
        ratio: { num: 1, den: 2 },
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
    couplings: [],
    adjusters: [{ id: 'cam-tooth', kind: 'chainTooth', memberId: ids.camSprocket }],
    cams: names.flatMap((name) =>
      (['inlet', 'exhaust'] as const).map((valve) => ({
        id: `cam-${name}-${valve}`,
        name: `${name} ${valve}`,
        shaftId: ids.cam,
        cylinderId: cylinderId(name),
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
    counts: [],
    seenFrom: 'timing',
    notes: '',
  }
}
