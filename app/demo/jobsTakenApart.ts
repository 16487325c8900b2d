import type { NewEntry } from '@link-count/core/model'
import { lash, madeSafe, type DemoJob } from './says'

const bolt = (n: number, pass: number): NewEntry => ({
  kind: 'bolt',
  groupId: 'head-a',
  boltId: `b${n}`,
  pass,
  did: 'tightened',
})

/** A ring of six, each across from the one before. */
const ACROSS = [1, 4, 2, 5, 3, 6]

/** A job in which things come off, are looked at, and go back. */
export const jobsTakenApart: readonly DemoJob[] = [
  {
    id: 'job-fire-pump-3',
    engineId: 'fire-pump',
    number: 3,
    at: '2026-11-27T08:30:00.000Z',
    arrival: 'whole',
    reason: 'weeps at the first head, gasket to be changed',
    purpose: 'clearances',
    says: (engine) => [
      ...madeSafe(engine),
      ...lash('found', ['0.15 mm', '0.20 mm', '0.15 mm', '0.25 mm']),
      {
        kind: 'boltGroup',
        groupId: 'head-a',
        change: 'begun',
        boltsAre: 'new',
      },
      {
        kind: 'item',
        itemId: 'bolts-head-a',
        item: 'notTight',
        where: 'head bolts, first cylinder',
        change: 'in',
      },
      ...[0, 1].flatMap((pass) => ACROSS.map((n) => bolt(n, pass))),
      bolt(1, 2),
      bolt(4, 2),
    ],
  },
]
