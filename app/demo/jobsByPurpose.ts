import { PART_IDS as ids } from '@link-count/core/starters'
import type { NewEntry } from '@link-count/core/model'
import { camMark, count, done, half, lash, madeSafe, tensioner, turned, zero, type DemoJob } from './says'

type Finding = Extract<NewEntry, { kind: 'finding' }>

const seen = (
  part: Finding['part'],
  partId: string,
  saw: string,
  verdict: Finding['verdict'] = 'goesOn',
): NewEntry => ({
  kind: 'finding',
  part,
  partId,
  saw,
  verdict,
})

const compression = (bars: readonly number[]): NewEntry[] =>
  bars.map((bar, i) => ({
    kind: 'pressure',
    cylinderId: `cyl-${i + 1}`,
    what: 'compression',
    bar,
    phase: 'found',
    conditions: ['cold'],
    typed: [{ field: 'pressure', text: `${bar} bar` }],
  }))

/** Jobs that came for one thing: a look, a tension, clearances, a fault. */
export const jobsByPurpose: readonly DemoJob[] = [
  {
    id: 'job-lifeboat-2',
    engineId: 'lifeboat',
    number: 2,
    at: '2026-11-12T09:20:00.000Z',
    arrival: 'whole',
    reason: 'before the winter, is it good for another year',
    purpose: 'lookOnly',
    meter: { value: 2480, unit: 'hours' },
    schools: { wearBy: 'roadDiesel', turns: 2 },
    says: (engine) => [
      ...madeSafe(engine),
      seen('camshaft', ids.cam, 'bright, no pits'),
      seen('loop', ids.chain, 'half a link to and fro at the long run'),
      seen('tensioner', ids.tensioner, 'gives and comes back'),
      ...done('lookOver'),
      ...lash('found', ['.010 in', '.012 in', '.010 in', '.012 in', '.010 in', '.013 in', '.010 in', '.012 in']),
      ...zero(0.5, [311.5, 26.5], [298, 40]),
      ...half(349, 'thumb', 'lobes'),
      camMark('found', 350.5),
      count('found', 35),
      ...done(`asFound-${ids.cam}`),
      { kind: 'chainLength', loopId: ids.chain, overPitches: 20, measuredMm: 254.6 },
      ...done('wear'),
      ...compression([27.5, 28, 26.5, 27.8]),
      ...done('pressures'),
      { kind: 'close', role: 'fitter', reason: '' },
    ],
  },
  {
    id: 'job-fire-pump-1',
    engineId: 'fire-pump',
    number: 1,
    at: '2026-10-29T15:00:00.000Z',
    arrival: 'whole',
    reason: 'chain slaps on its guide',
    purpose: 'tensionOnly',
    schools: { tensionBy: 'play', turns: 3 },
    says: (engine) => [
      ...madeSafe(engine),
      tensioner('fitted'),
      tensioner('released'),
      tensioner('proven'),
      ...done(`tensioner-${ids.tensioner}`),
      turned(360),
      { kind: 'turnLook', turn: 1, saw: { what: 'marks', is: 'meet' } },
      turned(360),
      turned(360),
      { kind: 'turnLook', turn: 3, saw: { what: 'marks', is: 'meet' } },
      { kind: 'note', text: 'Play 3/16 at the tightest place, 5/16 at the loosest.' },
      { kind: 'close', role: 'volunteer', reason: '' },
    ],
  },
  {
    id: 'job-locomotive-2',
    engineId: 'locomotive',
    number: 2,
    at: '2026-11-19T10:30:00.000Z',
    arrival: 'whole',
    reason: 'rattles at idle since the frost',
    purpose: 'findFault',
    says: (engine) => [
      ...madeSafe(engine),
      { kind: 'symptom', symptom: 'noiseAtIdle', is: 'there' },
      {
        kind: 'plan',
        does: 'add',
        target: 'lookOver-again-2',
        stepKind: 'lookOver',
        targetIds: ['camshaft', 'chain', 'tensioner'],
        before: 'card',
        reason: '',
      },
      seen('camshaft', 'camshaft', 'good'),
      seen('tensioner', 'tensioner', 'plunger sticks, does not come back', 'renewNow'),
      seen('loop', 'chain', 'slack, plates whole'),
      { kind: 'step', target: 'lookOver-again-2', outcome: 'done', reason: '' },
      { kind: 'causeSettled', cause: 'lashWide', is: 'ruledOut', by: 'set three weeks ago' },
      ...done('symptoms'),
      { kind: 'close', role: 'driver', reason: '' },
    ],
  },
  {
    id: 'job-tourer-2',
    engineId: 'tourer',
    number: 2,
    at: '2026-11-20T08:40:00.000Z',
    arrival: 'whole',
    reason: 'twelve thousand miles since the last time',
    purpose: 'clearances',
    meter: { value: 61_300, unit: 'miles' },
    says: (engine) => [
      ...madeSafe(engine),
      ...lash('found', ['0.25 mm', '0.35 mm', '0.25 mm', '0.30 mm', '0.20 mm', '0.30 mm', '0.25 mm', '0.30 mm']),
      ...lash('left', ['0.25 mm', '0.30 mm', '0.25 mm', '0.30 mm', '0.25 mm', '0.30 mm', '0.25 mm', '0.30 mm']),
      { kind: 'close', role: 'volunteer', reason: '' },
    ],
  },
]
