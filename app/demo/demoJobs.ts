import { cautionsFor } from '@link-count/core/runSheet'
import { PART_IDS as ids } from '@link-count/core/starters'
import type { CountRule, NewEntry, Phase } from '@link-count/core/model'
import { parseLength } from '@link-count/core/units'
import type { DemoEngine } from './demoEngine'

export interface DemoJob {
  readonly id: string
  readonly engineId: string
  readonly number: number
  readonly at: string
  readonly arrival: 'chainOn' | 'chainOff'
  readonly reason: string
  readonly says: (engine: DemoEngine) => NewEntry[]
}

const CYL = 'cyl-1'

const done = (...steps: string[]): NewEntry[] =>
  steps.map((target) => ({ kind: 'step', target, outcome: 'done', reason: '' }))

const madeSafe = ({ starting, fuel }: DemoEngine): NewEntry[] => [
  ...cautionsFor({ starting, fuel }).map(({ id }): NewEntry => ({ kind: 'tick', cautionId: id, ticked: true })),
  ...done('makeSafe'),
]

/** Gaps as typed, inlet and exhaust of each cylinder in turn. */
const lash = (phase: 'found' | 'left', texts: readonly string[]): NewEntry[] => [
  ...texts.map((text, i): NewEntry => {
    const parsed = parseLength(text)
    if (!parsed.ok) throw new Error(`The demo has a gap that cannot be read: ${text}`)
    const camId = `cam-${Math.floor(i / 2) + 1}-${i % 2 === 0 ? 'inlet' : 'exhaust'}`
    return {
      kind: 'lash',
      camId,
      phase,
      gapMm: parsed.value.value,
      conditions: ['cold'],
      typed: [{ field: 'gap', text }],
    }
  }),
  ...done(phase === 'found' ? 'lashFound' : 'lashLeft'),
]

const valveEvents = (phase: Phase, camId: string, opensWheelDeg: number, closesWheelDeg: number): NewEntry => ({
  kind: 'valveEvents',
  camId,
  phase,
  opensWheelDeg,
  closesWheelDeg,
  checkingLiftMm: 0.5,
  typed: [
    { field: 'opens', text: String(opensWheelDeg) },
    { field: 'closes', text: String(closesWheelDeg) },
  ],
})

const contacts = (firstDeg: number, secondDeg: number): NewEntry => ({
  kind: 'stopContacts',
  cylinderId: CYL,
  firstDeg,
  secondDeg,
  typed: [
    { field: 'first', text: String(firstDeg) },
    { field: 'second', text: String(secondDeg) },
  ],
})

const stop = (change: 'in' | 'out'): NewEntry => ({
  kind: 'item',
  itemId: `stop-${CYL}`,
  item: 'stop',
  where: 'cylinder 1',
  change,
})

const zero = (readToDeg: number, ...pairs: [number, number][]): NewEntry[] => [
  { kind: 'degreeWheel', scale: { kind: 'full', rises: 'running', readToDeg } },
  ...pairs.flatMap(([first, second]) => [stop('in'), contacts(first, second), stop('out')]),
  ...done(`trueTdc-${CYL}`),
]

const dialRod = (change: 'in' | 'out'): NewEntry => ({
  kind: 'item',
  itemId: `dialRod-${CYL}`,
  item: 'dialRod',
  where: 'cylinder 1',
  change,
})

/** Drop, wheel coming up, wheel going down. */
const dialPairs = (...pairs: [number, number, number][]): NewEntry[] => [
  { kind: 'dial', readToMm: 0.01 },
  dialRod('in'),
  ...pairs.map(([dropMm, beforeDeg, afterDeg]): NewEntry => ({
    kind: 'dialPair',
    cylinderId: CYL,
    dropMm,
    beforeDeg,
    afterDeg,
    approach: 'oneWay',
    typed: [
      { field: 'drop', text: `${dropMm} mm` },
      { field: 'first', text: String(beforeDeg) },
      { field: 'second', text: String(afterDeg) },
    ],
  })),
  dialRod('out'),
]

const rimMark = (markId: string, name: string, wheelDeg: number, claimDeg = 0): NewEntry => ({
  kind: 'factoryMark',
  cylinderId: CYL,
  name,
  markId,
  wheelDeg,
  claimDeg,
  typed: [{ field: 'wheel', text: String(wheelDeg) }],
})

const half = (wheelDeg: number, ...witnesses: ('thumb' | 'lobes')[]): NewEntry[] => [
  { kind: 'stands', place: 'tdc', cylinderId: CYL, wheelDeg },
  ...witnesses.map((evidence): NewEntry => ({ kind: 'witness', cylinderId: CYL, evidence, says: 'firing' })),
  ...done(`whichTdc-${CYL}`),
]

const camMark = (
  phase: Phase,
  wheelDeg: number,
  shaftId: string = ids.cam,
  markId: string = ids.camMark,
): NewEntry => ({
  kind: 'camMark',
  shaftId,
  markId,
  phase,
  approach: 'running',
  wheelDeg,
  typed: [{ field: 'wheel', text: String(wheelDeg) }],
})

interface Counted {
  readonly loopId: string
  readonly fromMarkId: string
  readonly toMarkId: string
}
const ONE_CHAIN: Counted = { loopId: ids.chain, fromMarkId: ids.camMark, toMarkId: ids.crankMark }

const count = (phase: Phase, counted: number, where = ONE_CHAIN, rule: CountRule = 'lastOnly'): NewEntry => ({
  kind: 'count',
  ...where,
  run: 'tight',
  rule,
  counted,
  phase,
  typed: [{ field: 'counted', text: String(counted) }],
})

const turned = (deg: number): NewEntry => ({ kind: 'turned', deg, ended: 'onMark' })
const atPose = (wheelDeg: number): NewEntry => ({ kind: 'stands', place: 'pose', cylinderId: CYL, wheelDeg })
const tensioner = (state: 'heldBack' | 'fitted' | 'released' | 'proven'): NewEntry => ({
  kind: 'tensioner',
  memberId: ids.tensioner,
  state,
})
const pin = (change: 'in' | 'out'): NewEntry => ({
  kind: 'item',
  itemId: 'pin-tensioner',
  item: 'tensionerPin',
  where: '',
  change,
})
const chainOff = (wheelDeg: number): NewEntry[] => [
  turned(720),
  atPose(wheelDeg),
  tensioner('heldBack'),
  pin('in'),
  { kind: 'loop', loopId: ids.chain, change: 'off' },
  ...done(`poseChainOff-${ids.chain}`),
]
const camSet = (offDeg: number, text: string): NewEntry[] => [
  { kind: 'camSet', shaftId: ids.cam, offDeg, typed: [{ field: 'off', text }] },
  ...done(`setCam-${ids.cam}`),
]
const chainOn: NewEntry = { kind: 'loop', loopId: ids.chain, change: 'on' }

export const demoJobs: readonly DemoJob[] = [
  {
    id: 'job-lifeboat-1',
    engineId: 'lifeboat',
    number: 1,
    at: '2026-09-21T08:10:00.000Z',
    arrival: 'chainOn',
    reason: 'new chain before the winter',
    says: (engine) => [
      ...madeSafe(engine),
      ...lash('found', ['.010 in', '.013 in', '.010 in', '.012 in', '.009 in', '.012 in', '.011 in', '.014 in']),
      ...zero(0.5, [311.5, 26.5], [298, 40]),
      rimMark('mark-brass', 'Brass line', 349.5),
      rimMark('mark-yellow', 'Yellow notch', 335, -20),
      ...half(349, 'thumb', 'lobes'),
      camMark('found', 355.5),
      count('found', 35),
      ...done(`asFound-${ids.cam}`),
      ...chainOff(349),
      ...camSet(0, 'meets'),
      chainOn,
      count('set', 34),
      { kind: 'moved', loopId: ids.chain, memberId: ids.camSprocket, teeth: 1 },
      count('set', 35),
      ...done(`chainOnCount-${ids.chain}`),
      tensioner('fitted'),
      pin('out'),
      tensioner('released'),
      tensioner('proven'),
      ...done(`tensioner-${ids.tensioner}`),
      turned(360),
      turned(360),
      camMark('left', 349.5),
      count('left', 35),
      ...done(`twoTurns-${ids.chain}`),
      ...lash('left', ['.010 in', '.012 in', '.010 in', '.012 in', '.010 in', '.012 in', '.010 in', '.012 in']),
      { kind: 'note', text: 'Old chain measured 0.6% long over twenty pitches and was thrown away.' },
      { kind: 'close', role: 'fitter', reason: '' },
    ],
  },
  {
    id: 'job-tourer-1',
    engineId: 'tourer',
    number: 1,
    at: '2026-10-05T13:00:00.000Z',
    arrival: 'chainOn',
    reason: 'flat on hills',
    says: (engine) => [
      ...madeSafe(engine),
      ...lash('found', ['0.25 mm', '0.30 mm', '0.25 mm', '0.35 mm', '0.25 mm', '0.30 mm', '0.30 mm', '0.30 mm']),
      ...zero(1, [322, 30]),
      ...half(356, 'thumb', 'lobes'),
      camMark('found', 2.5, 'exhaust-cam', 'mark-exhaust-sprocket'),
      camMark('found', 0.5, 'inlet-cam', 'mark-inlet-sprocket'),
      valveEvents('found', 'cam-1-exhaust', 128.5, 18.5),
      valveEvents('found', 'cam-1-inlet', 346.5, 232.5),
      { kind: 'chainLength', loopId: 'upper', overPitches: 20, measuredMm: 191.3 },
      ...done('asFound-exhaust-cam', 'asFound-inlet-cam'),
      ...[
        'poseChainOff-lower',
        'poseChainOff-upper',
        'setCam-exhaust-cam',
        'setCam-inlet-cam',
        'chainOnCount-lower',
        'chainOnCount-upper',
        'tensioner-tensioner',
      ].map((target): NewEntry => ({
        kind: 'step',
        target,
        outcome: 'skipped',
        reason: 'chains stay on until new ones are here',
      })),
      turned(360),
      turned(360),
      camMark('left', 2.6, 'exhaust-cam', 'mark-exhaust-sprocket'),
      camMark('left', 0.3, 'inlet-cam', 'mark-inlet-sprocket'),
      ...['exhaust-cam', 'inlet-cam'].map((shaftId, n): NewEntry => ({
        kind: 'deviation',
        shaftId,
        latenessDeg: n === 0 ? 6.6 : 4.3,
        reason: 'worn chains, within half a tooth; new ones are ordered',
      })),
      ...done('twoTurns-lower-upper'),
      ...lash('left', ['0.25 mm', '0.30 mm', '0.25 mm', '0.30 mm', '0.25 mm', '0.30 mm', '0.25 mm', '0.30 mm']),
      { kind: 'close', role: 'volunteer', reason: '' },
    ],
  },
  {
    id: 'job-searchlight-1',
    engineId: 'searchlight',
    number: 1,
    at: '2026-10-19T09:30:00.000Z',
    arrival: 'chainOn',
    reason: 'found in the store, nobody knows its state',
    says: (engine) => [
      ...madeSafe(engine),
      ...lash('found', ['0.3 mm', '0.35 mm', '0.25 mm', '0.4 mm', '0.3 mm', '0.35 mm', '0.3 mm', '0.45 mm']),
      ...zero(1, [54, 117]),
      ...half(85.5, 'thumb'),
      camMark('found', 91.5),
      count('found', 22),
      ...done(`asFound-${ids.cam}`),
    ],
  },
  {
    id: 'job-sidecar-1',
    engineId: 'sidecar',
    number: 1,
    at: '2026-11-17T10:00:00.000Z',
    arrival: 'chainOn',
    reason: 'rattles at idle',
    says: (engine) => [
      ...madeSafe(engine),
      ...lash('found', ['4 thou', '5 thou', '4 thou', '7 thou']),
      ...zero(0.5, [18, 101.5], [9, 110.5]),
      ...dialPairs([2, 43, 76.5], [4, 36, 83], [6, 30.5, 89]),
      rimMark('mark-line', 'Long line', 65.5),
      ...half(59.75, 'thumb', 'lobes'),
      camMark('found', 63, 'cam-a', 'mark-cam-sprocket-a'),
      camMark('found', 61.5, 'cam-b', 'mark-cam-sprocket-b'),
      ...(['a', 'b'] as const).map((bank): NewEntry => ({
        kind: 'meshCount',
        couplingId: `mesh-pinion-gear-${bank}`,
        phase: 'found',
        teeth: 0,
      })),
      count('found', 34, { loopId: 'chain-a', fromMarkId: 'mark-cam-sprocket-a', toMarkId: 'mark-sprocket-a' }),
      count('found', 36, { loopId: 'chain-b', fromMarkId: 'mark-cam-sprocket-b', toMarkId: 'mark-sprocket-b' }),
      ...done('asFound-cam-a', 'asFound-cam-b'),
      atPose(59.75),
      ...['a', 'b'].flatMap((bank): NewEntry[] => [
        { kind: 'tensioner', memberId: `tensioner-${bank}`, state: 'heldBack' },
        {
          kind: 'item',
          itemId: `pin-tensioner-${bank}`,
          item: 'tensionerPin',
          where: bank === 'a' ? 'first chain' : 'second chain',
          change: 'in',
        },
        { kind: 'loop', loopId: `chain-${bank}`, change: 'off' },
        ...done(`poseChainOff-chain-${bank}`),
      ]),
      { kind: 'item', itemId: 'rag-sump', item: 'rag', where: 'chain tunnel', change: 'in' },
    ],
  },
  {
    id: 'job-tractor-3',
    engineId: 'tractor',
    number: 3,
    at: '2026-11-23T08:00:00.000Z',
    arrival: 'chainOn',
    reason: 'smokes under load since the chain was off',
    says: (engine) => [
      ...madeSafe(engine),
      ...lash('found', ['.012 in', '.014 in', '.011 in', '.014 in', '.012 in', '.016 in']),
      ...zero(0.5, [327.5, 39.5], [316, 51]),
      ...half(3.5, 'thumb', 'lobes'),
      camMark('found', 8.5),
      count('found', 30),
      ...done(`asFound-${ids.cam}`),
      ...chainOff(3.5),
      ...camSet(0, 'meets'),
      { kind: 'item', itemId: 'rag-hole-2', item: 'rag', where: 'injector hole 2', change: 'in' },
      chainOn,
      count('set', 29),
    ],
  },
]
