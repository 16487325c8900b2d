import { cautionsFor } from '@link-count/core/runSheet'
import { PART_IDS as ids } from '@link-count/core/starters'
import type { CountRule, EntryOf, Job, NewEntry, Phase, TensionerState } from '@link-count/core/model'
import { parseLength } from '@link-count/core/units'
import type { DemoEngine } from './demoEngine'
import { sheetOf } from './sheetOf'

export interface DemoJob {
  readonly id: string
  readonly engineId: string
  readonly number: number
  readonly at: string
  readonly arrival: 'whole'
  readonly purpose?: Job['purpose']
  readonly meter?: Job['meter']
  readonly schools?: Job['schools']
  readonly reason: string
  readonly says: (engine: DemoEngine) => NewEntry[]
}

export const CYL = 'cyl-1'

/** The cautions of a sheet do not hang on when it was made. */
const NEVER = '1970-01-01T00:00:00.000Z'

export const done = (...steps: string[]): NewEntry[] =>
  steps.map((target) => ({ kind: 'step', target, outcome: 'done', reason: '' }))

export const madeSafe = (engine: DemoEngine): NewEntry[] => [
  ...cautionsFor(sheetOf(engine, NEVER))
    .filter(({ gate }) => gate)
    .map(({ id }): NewEntry => ({ kind: 'tick', cautionId: id, ticked: true })),
  ...done('makeSafe'),
]

/** Gaps as typed, inlet and exhaust of each cylinder in turn. */
export const lash = (phase: 'found' | 'left', texts: readonly string[]): NewEntry[] => [
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

export const valveEvents = (phase: Phase, camId: string, opensWheelDeg: number, closesWheelDeg: number): NewEntry => ({
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

export const contacts = (firstDeg: number, secondDeg: number): NewEntry => ({
  kind: 'stopContacts',
  cylinderId: CYL,
  firstDeg,
  secondDeg,
  typed: [
    { field: 'first', text: String(firstDeg) },
    { field: 'second', text: String(secondDeg) },
  ],
})

export const stop = (change: 'in' | 'out'): NewEntry => ({
  kind: 'item',
  itemId: `stop-${CYL}`,
  item: 'stop',
  where: 'cylinder 1',
  change,
})

export const zero = (readToDeg: number, ...pairs: [number, number][]): NewEntry[] => [
  { kind: 'degreeWheel', scale: { kind: 'full', rises: 'running', readToDeg } },
  ...pairs.flatMap(([first, second]) => [stop('in'), contacts(first, second), stop('out')]),
  ...done(`trueTdc-${CYL}`),
]

export const dialRod = (change: 'in' | 'out'): NewEntry => ({
  kind: 'item',
  itemId: `dialRod-${CYL}`,
  item: 'dialRod',
  where: 'cylinder 1',
  change,
})

/** Drop, wheel coming up, wheel going down. */
export const dialPairs = (...pairs: [number, number, number][]): NewEntry[] => [
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

export const rimMark = (markId: string, name: string, wheelDeg: number, claimDeg = 0): NewEntry => ({
  kind: 'factoryMark',
  cylinderId: CYL,
  name,
  markId,
  wheelDeg,
  claimDeg,
  typed: [{ field: 'wheel', text: String(wheelDeg) }],
})

export const half = (wheelDeg: number, ...witnesses: ('thumb' | 'lobes')[]): NewEntry[] => [
  { kind: 'stands', place: 'tdc', cylinderId: CYL, wheelDeg },
  ...witnesses.map((evidence): NewEntry => ({ kind: 'witness', cylinderId: CYL, evidence, says: 'firing' })),
  ...done(`whichTdc-${CYL}`),
]

export const camMark = (
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

export interface Counted {
  readonly loopId: string
  readonly fromMarkId: string
  readonly toMarkId: string
}
export const ONE_CHAIN: Counted = { loopId: ids.chain, fromMarkId: ids.camMark, toMarkId: ids.crankMark }

export const count = (phase: Phase, counted: number, where = ONE_CHAIN, rule: CountRule = 'lastOnly'): NewEntry => ({
  kind: 'count',
  ...where,
  run: 'tight',
  rule,
  counted,
  phase,
  typed: [{ field: 'counted', text: String(counted) }],
})

export const turned = (deg: number): NewEntry => ({ kind: 'turned', deg, ended: 'onMark' })
export const atPose = (wheelDeg: number): NewEntry => ({ kind: 'stands', place: 'pose', cylinderId: CYL, wheelDeg })
export const tensioner = (state: TensionerState, memberId: string = ids.tensioner): NewEntry => ({
  kind: 'tensioner',
  memberId,
  state,
})
export const pin = (change: 'in' | 'out'): NewEntry => ({
  kind: 'item',
  itemId: 'pin-tensioner',
  item: 'tensionerPin',
  where: '',
  change,
})
export const chainOff = (wheelDeg: number, state: 'heldBack' | 'loose' = 'heldBack'): NewEntry[] => [
  turned(720),
  atPose(wheelDeg),
  tensioner(state),
  ...(state === 'heldBack' ? [pin('in')] : []),
  { kind: 'loop', loopId: ids.chain, change: 'off' },
  ...done(`poseChainOff-${ids.chain}`),
]
export const camSet = (offDeg: number, text: string): NewEntry[] => [
  { kind: 'camSet', shaftId: ids.cam, offDeg, typed: [{ field: 'off', text }] },
  ...done(`setCam-${ids.cam}`),
]
export const chainOn: NewEntry = { kind: 'loop', loopId: ids.chain, change: 'on' }

/** Fuel or spark read, as it was typed. */
export const followerRead = (
  read: Pick<EntryOf<'followerRead'>, 'followerId' | 'phase' | 'by' | 'value' | 'plusMinus' | 'with' | 'bolts'> &
    Partial<Pick<EntryOf<'followerRead'>, 'cylinderId' | 'zeroed' | 'pressedInMm' | 'pawls' | 'pointsAt'>>,
): NewEntry => ({
  kind: 'followerRead',
  cylinderId: CYL,
  approach: 'running',
  typed: [{ field: 'value', text: String(read.value) }],
  ...read,
})

export const followerMoved = (
  followerId: string,
  amount: number,
  towards: 'advance' | 'retard',
  more: Partial<Pick<EntryOf<'followerMoved'>, 'cylinderId' | 'how'>> = {},
): NewEntry => ({
  kind: 'followerMoved',
  followerId,
  how: 'swing',
  amount,
  unit: 'mm',
  towards,
  typed: [{ field: 'amount', text: String(amount) }],
  ...more,
})

/** A round of slack: its figures as they were read, so far from one place to the next. */
export const slackRound = (
  of: Pick<EntryOf<'slack'>, 'loopId' | 'fromMemberId' | 'toMemberId' | 'by' | 'phase'>,
  stepDeg: number,
  figures: readonly number[],
): NewEntry[] =>
  figures.flatMap((figure, i): NewEntry[] => [
    ...(i === 0 ? [] : [turned(stepDeg)]),
    {
      kind: 'slack',
      ...of,
      place: 'middle',
      with: of.by === 'pitch' ? 'ear' : 'finger',
      ...(of.by === 'links' ? { links: figure } : of.by === 'pitch' ? { hz: figure } : { mm: figure }),
      plusMinus: of.by === 'links' ? 0.1 : of.by === 'pitch' ? 0.6 : 0.5,
      turnDeg: i * stepDeg,
      support: 'fitted',
      conditions: ['cold'],
      typed: [{ field: 'slack', text: String(figure) }],
    },
  ])
