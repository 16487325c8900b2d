import type { EntryOf, NewEntry, Phase } from '@link-count/core/model'
import { CYL, done, lash, madeSafe, turned, type DemoJob } from './says'

/* Jobs without a degree wheel: by lines, marks and what is seen of a camshaft. */

const atLine = (markId: string): NewEntry => ({ kind: 'stands', place: 'mark', cylinderId: CYL, markId, offDeg: 0 })
const fires: readonly NewEntry[] = (['thumb', 'lobes'] as const).map((evidence) => ({
  kind: 'witness',
  cylinderId: CYL,
  evidence,
  says: 'firing',
}))
const seen = (
  phase: Phase,
  shaftId: string,
  { mark, line, teeth = 0 }: { readonly mark: string; readonly line: string; readonly teeth?: number },
): NewEntry => ({
  kind: 'camAtMark',
  shaftId,
  markId: mark,
  phase,
  crank: { by: 'mark', markId: line, offDeg: 0 },
  off: teeth === 0 ? { by: 'level' } : { by: 'teeth', teeth },
})
const passedOver = (target: string, reason: string): NewEntry => ({ kind: 'step', target, outcome: 'skipped', reason })
const pushes = (memberId: string, state: EntryOf<'tensioner'>['state']): NewEntry => ({
  kind: 'tensioner',
  memberId,
  state,
})
const pinIn = (memberId: string, change: 'in' | 'out'): NewEntry => ({
  kind: 'item',
  itemId: `pin-${memberId}`,
  item: 'tensionerPin',
  where: '',
  change,
})
const meets = (shaftId: string, markId: string): NewEntry => ({
  kind: 'camSet',
  shaftId,
  markId,
  offDeg: 0,
  off: { by: 'level' },
})
/** A chain off, its camshaft set to its mark and the chain on again. */
const offAndOn = (loopId: string, shaftId: string, markId: string, memberId: string): NewEntry[] => [
  pushes(memberId, 'heldBack'),
  pinIn(memberId, 'in'),
  { kind: 'loop', loopId, change: 'off' },
  ...done(`poseChainOff-${loopId}`),
  meets(shaftId, markId),
  ...done(`setCam-${shaftId}`),
  { kind: 'loop', loopId, change: 'on' },
]
const released = (memberId: string): NewEntry[] => [
  pushes(memberId, 'fitted'),
  pinIn(memberId, 'out'),
  pushes(memberId, 'released'),
  pushes(memberId, 'proven'),
  ...done(`tensioner-${memberId}`),
]

const cam = { mark: 'mark-cam-sprocket', line: 'mark-flywheel' }
const first = { mark: 'mark-cam-sprocket-a', line: 'mark-line-1' }
const second = { mark: 'mark-cam-sprocket-b', line: 'mark-line-2' }

export const jobsByMarks: readonly DemoJob[] = [
  {
    id: 'job-locomotive-1',
    engineId: 'locomotive',
    number: 1,
    at: '2026-11-02T09:00:00.000Z',
    arrival: 'whole',
    reason: 'new chain at the peat works, no wheel at hand',
    says: (engine) => [
      ...madeSafe(engine),
      ...lash('found', ['0.3 mm', '0.35 mm', '0.3 mm', '0.4 mm']),
      atLine(cam.line),
      ...done(`trueTdc-${CYL}`),
      ...fires,
      ...done(`whichTdc-${CYL}`),
      seen('found', 'camshaft', { ...cam, teeth: 0.25 }),
      ...done('asFound-camshaft'),
      ...offAndOn('chain', 'camshaft', cam.mark, 'tensioner'),
      seen('set', 'camshaft', { ...cam, teeth: 1 }),
      { kind: 'moved', loopId: 'chain', memberId: 'cam-sprocket', teeth: -1 },
      seen('set', 'camshaft', cam),
      ...done('chainOnCount-chain'),
      ...released('tensioner'),
      turned(360),
      turned(360),
      seen('left', 'camshaft', cam),
      ...done('twoTurns-chain'),
      ...lash('left', ['0.3 mm', '0.35 mm', '0.3 mm', '0.35 mm']),
      { kind: 'close', role: 'driver', reason: '' },
    ],
  },
  {
    id: 'job-tricycle-1',
    engineId: 'tricycle',
    number: 1,
    at: '2026-11-25T13:00:00.000Z',
    arrival: 'whole',
    reason: 'second cylinder spits back',
    says: (engine) => [
      ...madeSafe(engine),
      { kind: 'ranUntilNow', says: 'yes', role: 'owner' },
      passedOver('lashFound', 'set last week'),
      atLine(first.line),
      ...done(`trueTdc-${CYL}`),
      ...fires,
      ...done(`whichTdc-${CYL}`),
      seen('found', 'cam-a', first),
      ...done('asFound-cam-a'),
      turned(290),
      atLine(second.line),
      seen('found', 'cam-b', { ...second, teeth: 1 }),
      ...done('asFound-cam-b'),
      turned(430),
      atLine(first.line),
      ...offAndOn('chain-a', 'cam-a', first.mark, 'tensioner-a'),
      seen('set', 'cam-a', first),
      ...done('chainOnCount-chain-a'),
      ...released('tensioner-a'),
      turned(290),
      atLine(second.line),
      ...offAndOn('chain-b', 'cam-b', second.mark, 'tensioner-b'),
      seen('set', 'cam-b', { ...second, teeth: 1 }),
    ],
  },
]
