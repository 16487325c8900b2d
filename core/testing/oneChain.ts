import { foldJob, type JobState } from '../ledger'
import type { BuildSheet, Entry, ItemKind, NewEntry, Job } from '../model'
import { beginSheet, PART_IDS as ids } from '../starters'

const known = <T>(value: T) => ({ value, typed: String(value), trust: 'measured' as const })
const AT = '2026-01-05T08:00:00.000Z'

/** A single-cylinder interference engine, 19 and 38 teeth, its expected count from a book: 29. */
export function oneChainSheet(change: Partial<BuildSheet> = {}): BuildSheet {
  const base = beginSheet({ id: 'sheet', engineId: 'engine', at: AT, cylinders: 1, guide: false, tensioner: true })
  return {
    ...base,
    running: known('clockwise' as const),
    interference: known('yes' as const),
    members: base.members.map((member) =>
      member.kind === 'sprocket' ? { ...member, teeth: known(member.id === ids.camSprocket ? 38 : 19) } : member,
    ),
    loops: base.loops.map((loop) => ({ ...loop, pitches: known(70) })),
    counts: [
      {
        id: 'book',
        loopId: ids.chain,
        fromMarkId: ids.camMark,
        toMarkId: ids.crankMark,
        run: 'tight',
        pitches: known(29),
      },
    ],
    ...change,
  }
}

export const firstJob: Job = {
  id: 'job',
  engineId: 'engine',
  number: 1,
  at: AT,
  sheetId: 'sheet',
  arrival: 'whole',
  reason: '',
}

let serial = 0
/** Entries as one device would write them. */
export function entriesOf(newEntries: readonly NewEntry[], device = 'd-1', from = 1): Entry[] {
  return newEntries.map(
    (newEntry, i) =>
      ({
        conditions: [],
        typed: [],
        ...newEntry,
        id: `e-${device}-${serial++}`,
        jobId: 'job',
        sheetId: 'sheet',
        device,
        counter: from + i,
        at: AT,
        seenFrom: 'timing',
      }) as Entry,
  )
}

export const stateAfter = (newEntries: readonly NewEntry[], sheet = oneChainSheet(), job = firstJob): JobState =>
  foldJob({ job, sheets: [sheet], entries: entriesOf(newEntries) })

/* Things that are often said. */
export const CYL = 'cyl-1'
export const madeSafe: NewEntry[] = [
  'manualFirst',
  'startingOff',
  'ignitionOff',
  'fuelOff',
  'plugsOut',
  'handsClear',
  'asbestos',
].map((cautionId) => ({
  kind: 'tick',
  cautionId,
  ticked: true,
}))
export const degreeWheel: NewEntry = {
  kind: 'degreeWheel',
  scale: { kind: 'full', rises: 'running', readToDeg: 0.5 },
}
export const stops = (firstDeg: number, secondDeg: number): NewEntry => ({
  kind: 'stopContacts',
  cylinderId: CYL,
  firstDeg,
  secondDeg,
})
export const atTdc: NewEntry = { kind: 'stands', place: 'tdc', cylinderId: CYL }
export const atPose: NewEntry = { kind: 'stands', place: 'pose', cylinderId: CYL }
export const saw = (evidence: 'thumb' | 'lobes' | 'rocking', says: 'firing' | 'overlap'): NewEntry => ({
  kind: 'witness',
  cylinderId: CYL,
  evidence,
  says,
})
export const turned = (deg: number, ended: 'short' | 'onMark' | 'past' = 'onMark', wheelDeg?: number): NewEntry => ({
  kind: 'turned',
  deg,
  ended,
  ...(wheelDeg === undefined ? {} : { wheelDeg }),
})
export const item = (kind: ItemKind, change: 'in' | 'out' = 'in'): NewEntry => ({
  kind: 'item',
  itemId: kind,
  item: kind,
  where: '',
  change,
})
export const chain = (change: 'off' | 'on'): NewEntry => ({ kind: 'loop', loopId: ids.chain, change })
export const tensioner = (state: 'heldBack' | 'fitted' | 'released' | 'proven'): NewEntry => ({
  kind: 'tensioner',
  memberId: ids.tensioner,
  state,
})
export const counted = (n: number, phase: 'found' | 'set' | 'left' = 'set'): NewEntry => ({
  kind: 'count',
  loopId: ids.chain,
  fromMarkId: ids.camMark,
  toMarkId: ids.crankMark,
  run: 'tight',
  rule: 'lastOnly',
  counted: n,
  phase,
})
export const camMark = (wheelDeg: number, phase: 'found' | 'left'): NewEntry => ({
  kind: 'camMark',
  shaftId: ids.cam,
  markId: ids.camMark,
  phase,
  approach: 'running',
  wheelDeg,
})
export const halfProved: NewEntry[] = [
  degreeWheel,
  stops(340, 30),
  stops(330, 40),
  atTdc,
  saw('thumb', 'firing'),
  saw('lobes', 'firing'),
]

/** A job done whole: made safe, the zero and the half proved, the chain off and on and counted, turned twice, read again by two witnesses. */
export const wholeJob: NewEntry[] = [
  ...madeSafe,
  ...halfProved,
  chain('off'),
  chain('on'),
  counted(29),
  tensioner('released'),
  tensioner('proven'),
  turned(720),
  camMark(5, 'left'),
  counted(29, 'left'),
  { kind: 'step', target: 'lashLeft', outcome: 'done', reason: '' },
]
