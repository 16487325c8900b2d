import type { JobState } from '../ledger'
import type { BuildSheet, NewEntry } from '../model'
import { beginSheet, NEEDS_TWO_BANKS, type Topology } from '../starters'
import { stateAfter } from './oneChain'

const known = <T>(value: T) => ({ value, typed: String(value), trust: 'measured' as const })

/** A drive begun from a shape, its teeth counted, 30 pitches from mark to mark in every section of every loop. */
export function sheetWithDrive(
  drive: Topology,
  teeth: Readonly<Record<string, number>>,
  change: Partial<BuildSheet> = {},
): BuildSheet {
  const base = beginSheet({
    id: 'sheet',
    engineId: 'engine',
    at: '2026-01-05T08:00:00.000Z',
    cylinders: 2,
    guide: false,
    tensioner: true,
    layout: NEEDS_TWO_BANKS.includes(drive) ? 'vee' : 'inLine',
    drive,
  })
  const members = base.members.map((member) => {
    const counted = teeth[member.id]
    return counted === undefined ? member : { ...member, teeth: known(counted) }
  })
  const counts = base.loops.flatMap(({ id, path }) => {
    const marked = path.map(({ memberId }) => memberId).filter((memberId) => teeth[memberId])
    return marked.map((from, i) => ({
      id: `book-${id}-${i}`,
      loopId: id,
      fromMarkId: `mark-${from}`,
      toMarkId: `mark-${marked[(i + 1) % marked.length]}`,
      run: i === 0 ? ('slack' as const) : ('tight' as const),
      pitches: known(30),
    }))
  })
  return { ...base, running: known('clockwise' as const), members, counts, ...change }
}

/** Two chains over an intermediate shaft to two camshafts: 19 to 38, then 20 to 20. A tooth below is 360/19 of the crank, one above 36°. */
export const stagedTeeth = {
  'crank-sprocket': 19,
  'middle-large': 38,
  'middle-small': 20,
  'exhaust-sprocket': 20,
  'inlet-sprocket': 20,
}

/** Counted as found: so many teeth from the one wheel's mark to the other's. */
export const countedFrom = (loopId: string, from: string, to: string, counted: number): NewEntry => ({
  kind: 'count',
  loopId,
  fromMarkId: `mark-${from}`,
  toMarkId: `mark-${to}`,
  run: 'tight',
  rule: 'lastOnly',
  counted,
  phase: 'found',
})

/** A job in which camshafts read so late as found, besides what was written. */
export function readsLate(
  sheet: BuildSheet,
  late: Readonly<Record<string, number>>,
  newEntries: readonly NewEntry[] = [],
): JobState {
  const timing = Object.fromEntries(
    Object.entries(late).map(([id, latenessDeg]) => [
      id,
      {
        found: {
          latenessDeg,
          sigmaDeg: 0.5,
          plusMinusDeg: 1,
          widenedBy: 'nothing' as const,
          proved: false,
          witnesses: [],
          misfits: [],
        },
      },
    ]),
  )
  return { ...stateAfter(newEntries, sheet), timing }
}
