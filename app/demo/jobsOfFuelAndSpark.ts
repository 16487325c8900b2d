import type { NewEntry, Phase } from '@link-count/core/model'
import { camMark, done, followerMoved, followerRead, half, madeSafe, zero, type DemoJob } from './says'

const PUMP = { followerId: 'pump', by: 'lift', plusMinus: 0.02, with: 'dial', zeroed: 'back', pressedInMm: 2 } as const
const MAGNETO = { followerId: 'magneto', by: 'beforeTdc', plusMinus: 0.5, with: 'lamp', pointsAt: 'cyl-1' } as const

const PUMPS = { followerId: 'pumps', by: 'beforeTdc', plusMinus: 0.7, with: 'spill' } as const
const BREAKER = { followerId: 'breaker', by: 'piston', plusMinus: 0.06, with: 'lamp' } as const
const DISTRIBUTOR = {
  followerId: 'distributor',
  by: 'beforeTdc',
  plusMinus: 0.5,
  with: 'lamp',
  pointsAt: 'cyl-1',
} as const

/** The magnetos of both banks read, the first bank's and the second's. */
const both = (phase: Phase, figures: readonly [number, number], bolts: 'loose' | 'tight'): NewEntry[] =>
  (['a', 'b'] as const).map((bank, i) =>
    followerRead({
      followerId: `magneto-${bank}`,
      cylinderId: bank === 'a' ? 'cyl-1' : 'cyl-12',
      by: 'beforeTdc',
      plusMinus: 0.5,
      with: 'lamp',
      phase,
      value: figures[i] ?? 0,
      bolts,
    }),
  )

const live = (what: 'pawlsOut' | 'earthOff', change: 'in' | 'out'): NewEntry => ({
  kind: 'item',
  itemId: `${what}-magneto`,
  item: what,
  where: 'magneto',
  change,
})

/** Jobs that came for what follows the cams: one of each kind. */
export const jobsOfFuelAndSpark: readonly DemoJob[] = [
  {
    id: 'job-locomotive-3',
    engineId: 'locomotive',
    number: 3,
    at: '2026-11-26T09:40:00.000Z',
    arrival: 'whole',
    reason: 'smokes, pulls badly uphill',
    purpose: 'pump',
    says: (engine) => [
      ...madeSafe(engine),
      ...zero(0.5, [311.5, 26.5], [298, 40]),
      ...half(349, 'thumb', 'lobes'),
      followerRead({ ...PUMP, phase: 'found', value: 0.64, bolts: 'tight' }),
      ...done('pumpFound-pump'),
      followerRead({ ...PUMP, phase: 'set', value: 0.66, bolts: 'loose' }),
      followerMoved('pump', 1.5, 'advance'),
      followerRead({ ...PUMP, phase: 'set', value: 0.78, bolts: 'loose' }),
    ],
  },
  {
    id: 'job-fire-pump-2',
    engineId: 'fire-pump',
    number: 2,
    at: '2026-11-23T14:10:00.000Z',
    arrival: 'whole',
    reason: 'kicks back at the handle',
    purpose: 'spark',
    says: (engine) => [
      ...madeSafe(engine),
      ...zero(0.5, [311.5, 26.5], [298, 40]),
      ...half(349, 'thumb', 'lobes'),
      followerRead({ ...MAGNETO, phase: 'found', value: -7, bolts: 'tight', pawls: 'free' }),
      { kind: 'leadsSeen', followerId: 'magneto', phase: 'found', cylinderIds: ['cyl-1', 'cyl-2'] },
      ...done('sparkFound-magneto'),
      live('pawlsOut', 'in'),
      live('earthOff', 'in'),
      followerMoved('magneto', 2.5, 'retard'),
      followerRead({ ...MAGNETO, phase: 'set', value: 12, bolts: 'loose', pawls: 'heldOut' }),
      ...done('sparkSet-magneto'),
      followerRead({ ...MAGNETO, phase: 'left', value: 12, bolts: 'tight', pawls: 'heldOut' }),
      live('earthOff', 'out'),
      live('pawlsOut', 'out'),
      ...done('sparkTight-magneto'),
      { kind: 'close', role: 'fitter', reason: '' },
    ],
  },
  {
    id: 'job-tug-1',
    engineId: 'tug',
    number: 1,
    at: '2026-11-24T10:00:00.000Z',
    arrival: 'whole',
    reason: 'cylinder 2 runs cool, pumps to be trimmed',
    purpose: 'pump',
    meter: { value: 8120, unit: 'hours' },
    says: (engine) => [
      ...madeSafe(engine),
      ...zero(0.5, [311.5, 26.5], [298, 40]),
      ...half(349, 'thumb', 'lobes'),
      camMark('found', 350),
      ...done('asFound-camshaft'),
      ...[12.1, 13.6, 12.4].map((value, i) =>
        followerRead({ ...PUMPS, cylinderId: `cyl-${i + 1}`, phase: 'found', value, bolts: 'tight' }),
      ),
      ...done('pumpFound-pumps'),
      followerMoved('pumps', 0.4, 'advance', { cylinderId: 'cyl-1', how: 'shims' }),
      followerRead({ ...PUMPS, cylinderId: 'cyl-1', phase: 'set', value: 14.1, bolts: 'loose' }),
    ],
  },
  {
    id: 'job-rescue-1',
    engineId: 'rescue',
    number: 1,
    at: '2026-11-22T09:10:00.000Z',
    arrival: 'whole',
    reason: 'drops a bank when it is opened up',
    purpose: 'spark',
    says: (engine) => [
      ...madeSafe(engine),
      ...zero(0.5, [311.5, 26.5], [298, 40]),
      ...half(349, 'thumb', 'lobes'),
      ...both('found', [27.5, 22.5], 'tight'),
      ...done('sparkFound-magneto-a'),
      ...done('sparkFound-magneto-b'),
      followerMoved('magneto-b', 1.4, 'advance'),
      ...both('set', [27.5, 25.4], 'loose'),
      ...done('sparkSet-magneto-a'),
      ...done('sparkSet-magneto-b'),
      ...both('left', [27.5, 25.5], 'tight'),
      ...done('sparkTight-magneto-a'),
      ...done('sparkTight-magneto-b'),
      { kind: 'close', role: 'fitter', reason: '' },
    ],
  },
  {
    id: 'job-scrambler-1',
    engineId: 'scrambler',
    number: 1,
    at: '2026-11-25T16:20:00.000Z',
    arrival: 'whole',
    reason: 'pinks on the hill',
    purpose: 'spark',
    says: (engine) => [
      ...madeSafe(engine),
      ...zero(0.5, [311.5, 26.5], [298, 40]),
      ...half(349, 'thumb', 'lobes'),
      followerRead({ ...BREAKER, phase: 'found', value: 2.4, bolts: 'tight' }),
      ...done('sparkFound-breaker'),
      followerMoved('breaker', 0.8, 'retard'),
      followerRead({ ...BREAKER, phase: 'set', value: 1.85, bolts: 'loose' }),
    ],
  },
  {
    id: 'job-launch-1',
    engineId: 'launch',
    number: 1,
    at: '2026-11-26T13:40:00.000Z',
    arrival: 'whole',
    reason: 'misses since the leads were off',
    purpose: 'spark',
    says: (engine) => [
      ...madeSafe(engine),
      ...zero(0.5, [311.5, 26.5], [298, 40]),
      ...half(349, 'thumb', 'lobes'),
      followerRead({ ...DISTRIBUTOR, phase: 'found', value: 9, bolts: 'tight' }),
      {
        kind: 'leadsSeen',
        followerId: 'distributor',
        phase: 'found',
        cylinderIds: ['cyl-1', 'cyl-2', 'cyl-5', 'cyl-4', 'cyl-3', 'cyl-6'],
      },
    ],
  },
]
