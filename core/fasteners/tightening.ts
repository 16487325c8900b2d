import { allOf, type JobState } from '../ledger'
import type { Bolt, BoltGroup } from '../model/buildSheet'
import type { EntryOf } from '../model/entry'
import { tighteningOrder } from './order'
import { passesOf, type Pass } from './passes'

type BoltLine = EntryOf<'bolt'>

/** Where the tightening of a group stands. */
export interface Tightening {
  readonly order: readonly Bolt[]
  readonly passes: readonly Pass[]
  /** The line that began it; undefined while it was not begun since it was last loosened. */
  readonly begun: EntryOf<'boltGroup'> | undefined
  /** Of each bolt the times round that it is through, by its id. */
  readonly through: ReadonlyMap<string, ReadonlySet<number>>
  /** The next, always the first that is left in the earliest time round; undefined when all are through. */
  readonly next: { readonly bolt: Bolt; readonly pass: number } | undefined
  /** Bolts that went through a time round twice: an angle twice is one too much. */
  readonly twice: readonly { readonly boltId: string; readonly pass: number }[]
  /** The last line written of it. */
  readonly lastId: string | undefined
}

/** Where a group of bolts stands by the lines of a job: a bolt that was slackened starts afresh, and nothing that was left out is gone past. */
export function tighteningOf(group: BoltGroup, state: Pick<JobState, 'kept' | 'live'>): Tightening {
  const at = new Map(state.live.map(({ id }, i) => [id, i]))
  const place = ({ id }: { readonly id: string }) => at.get(id) ?? -1
  const ofGroup = allOf(state, 'boltGroup').filter(({ groupId }) => groupId === group.id)
  const loosened = ofGroup.findLast(({ change }) => change === 'loosened')
  const from = loosened ? place(loosened) : -1
  const begun = ofGroup.findLast((one) => one.change === 'begun' && place(one) > from)
  const lines = allOf(state, 'bolt').filter((one) => one.groupId === group.id && place(one) > from)
  const { through, twice } = foldBolts(group, lines)
  const order = tighteningOrder(group)
  const passes = passesOf(group)
  return {
    order,
    passes,
    begun,
    through,
    twice,
    next: nextOf(order, passes, through),
    lastId: lines.at(-1)?.id ?? begun?.id ?? loosened?.id,
  }
}

function foldBolts({ bolts }: BoltGroup, lines: readonly BoltLine[]) {
  const through = new Map<string, Set<number>>(bolts.map(({ id }) => [id, new Set<number>()]))
  let twice: { boltId: string; pass: number }[] = []
  for (const { boltId, pass, did } of lines) {
    const done = through.get(boltId)
    if (!done || did === 'paintNotTurned') continue
    if (did === 'slackened') {
      done.clear()
      twice = twice.filter((one) => one.boltId !== boltId)
    } else {
      // Held against the wrench again nothing is turned further.
      if (done.has(pass) && did === 'tightened') twice.push({ boltId, pass })
      done.add(pass)
    }
  }
  return { through, twice }
}

function nextOf(
  order: readonly Bolt[],
  passes: readonly Pass[],
  through: ReadonlyMap<string, ReadonlySet<number>>,
): Tightening['next'] {
  for (const pass of passes.keys()) {
    const bolt = order.find(({ id }) => !through.get(id)?.has(pass))
    if (bolt) return { bolt, pass }
  }
  return undefined
}

/** What is known of the bolt in hand. After an interruption it may have been turned or not: at a torque the wrench is held to it again; at an angle its paint line says it, and
 *  without one it is started afresh; half turns and by hand it is felt again. */
export type InHand = 'known' | 'wrenchAgain' | 'paintSays' | 'feelAgain'

/** What has to be asked of the next bolt, by whether the work went on without a break since the last one. */
export function inHand({ next, passes, begun, through }: Tightening, unbroken: boolean): InHand {
  const by = next && passes[next.pass]?.by
  const nothingYet = !begun && [...through.values()].every((done) => done.size === 0)
  if (unbroken || !by || nothingYet) return 'known'
  return by === 'torque' ? 'wrenchAgain' : by === 'angle' ? 'paintSays' : 'feelAgain'
}

/** Whether a group is being tightened and not through, not begun, or done. */
export const stageOf = ({ next, begun, through }: Tightening): 'notBegun' | 'inWork' | 'done' =>
  next === undefined ? 'done' : begun || [...through.values()].some((done) => done.size > 0) ? 'inWork' : 'notBegun'
