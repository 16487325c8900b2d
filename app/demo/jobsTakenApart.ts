import type { NewEntry } from '@link-count/core/model'
import { done, lash, madeSafe, type DemoJob } from './says'

const bolt = (n: number, pass: number): NewEntry => ({
  kind: 'bolt',
  groupId: 'head-a',
  boltId: `b${n}`,
  pass,
  did: 'tightened',
})

const off = (
  removalId: string,
  what: string,
  more: Partial<Extract<NewEntry, { kind: 'tookOff' }>> = {},
): NewEntry => ({
  kind: 'tookOff',
  removalId,
  what,
  belongs: '',
  lies: '',
  ...more,
})

const pressure = (cylinder: string, phase: 'found' | 'left', bar: number): NewEntry => ({
  kind: 'pressure',
  cylinderId: `cyl-${cylinder}`,
  what: 'compression',
  bar,
  phase,
  conditions: ['cold'],
})

const planned = (
  target: string,
  stepKind: Extract<NewEntry, { kind: 'plan' }>['stepKind'],
  targetIds: string[] = [],
): NewEntry => ({
  kind: 'plan',
  does: 'add',
  target,
  stepKind,
  targetIds,
  before: 'lashLeft',
  reason: '',
})

const back = (removalId: string): NewEntry => ({ kind: 'putBack', removalId, as: 'same', reason: '' })

/** A ring of six, each across from the one before. */
const ACROSS = [1, 4, 2, 5, 3, 6]

const cameOff: readonly NewEntry[] = [
  off('shroud', 'fan shroud', { bag: 1, belongs: 'chain side' }),
  off('plate', 'deflector plate', {
    bag: 2,
    belongs: 'under the shroud',
    lies: 'bevel outward',
    fitsTwoWays: true,
  }),
  off('carburettor', 'carburettor', { bag: 3, aboveHole: true }),
  { kind: 'item', itemId: 'rag-inlet', item: 'rag', where: 'inlet of cylinder 1', change: 'in' },
  off('head-1', 'first head', { belongs: 'chain side', lies: 'its number up' }),
  { kind: 'smallParts', what: 'copper washers', where: 'head studs', change: 'out', n: 6 },
  {
    kind: 'toldApart',
    alikeId: 'push-rods',
    what: 'push rods',
    by: 'length',
    ones: [
      { name: 'inlet', reads: '171.5 mm', book: '171.5 mm' },
      { name: 'exhaust', reads: '174.0 mm', book: '171.5 mm' },
    ],
  },
]

/** Looked at, pictured and drawn on. */
const seenOnWashers: readonly NewEntry[] = [
  {
    kind: 'finding',
    part: 'washer',
    partId: 'washers',
    name: 'Copper washers of the head',
    saw: 'pressed flat',
    verdict: 'renewNow',
  },
  {
    kind: 'picture',
    pictureId: 'picture-washers',
    mediaType: 'image/webp',
    bytes: 3638,
    caption: 'copper washers of the head',
    of: { what: 'finding', id: 'washers' },
  },
  {
    kind: 'pictureMarks',
    pictureId: 'picture-washers',
    marks: [
      { shape: 'circle', x: 0.82, y: 0.52, radius: 0.07 },
      { shape: 'arrow', x: 0.57, y: 0.66, fromX: 0.45, fromY: 0.86 },
      { shape: 'word', x: 0.36, y: 0.9, text: 'pressed flat' },
      { shape: 'word', x: 0.28, y: 0.15, text: 'a new one' },
    ],
    onCard: true,
  },
]

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
      {
        kind: 'item',
        itemId: 'isolated-magnetoEarthed',
        item: 'magnetoEarthed',
        where: '',
        change: 'in',
      },
      planned('pressures-first', 'pressures'),
      planned('off', 'gettingIn'),
      planned('seen', 'lookOver'),
      planned('back', 'gettingBack'),
      planned('head-bolts', 'bolts', ['head-a']),
      ...lash('found', ['0.15 mm', '0.20 mm', '0.15 mm', '0.25 mm']),
      pressure('1', 'found', 7.1),
      pressure('2', 'found', 8.9),
      ...done('pressures-first'),
      ...cameOff,
      { kind: 'kit', itemId: 'tool-feelers', is: 'here', words: 'Feeler gauges' },
      { kind: 'kit', itemId: 'own-head-gasket', is: 'owed', words: 'gasket of the second head' },
      ...seenOnWashers,
      ...done('off', 'seen'),
      back('head-1'),
      { kind: 'smallParts', what: 'copper washers', where: 'head studs', change: 'fitted', n: 6 },
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
