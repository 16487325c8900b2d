import { readDrive } from '../drive'
import { allOf, type JobState } from '../ledger'
import type { BuildSheet, Follower } from '../model/buildSheet'
import type { Entry, EntryOf } from '../model/entry'
import { againstBand, type AgainstBand } from './againstBand'
import { againstSense, type AgainstSense } from './againstSense'
import { addedToSeen, type Added } from './asMeant'
import { beforeTdc, crownCannot, type NoPlace } from './beforeTdc'
import { nextMove, type NextMove } from './nextMove'
import { aimOfJob, type FollowerAim } from './target'

type Read = EntryOf<'followerRead'>

/** Why a reading is not held against what is wanted. */
export type NotHeld = Exclude<Added, object> | NoPlace | AgainstSense

/** A reading as it is held against what is wanted. */
export interface FollowerReading {
  readonly entry: Read
  /** In the unit of the aim; undefined where it says nothing against it, and why. */
  readonly value: number | undefined
  readonly plusMinus: number
  readonly not: NotHeld | undefined
  /** In degrees of the crank before TDC as it was seen, where it is a place. */
  readonly beforeDeg: number | undefined
  readonly against: AgainstBand | undefined
  /** Something that it rests on moved since: it says nothing any more. */
  readonly stale: 'drive' | 'follower' | undefined
}

export interface FollowerOfJob {
  readonly follower: Follower
  readonly aim: FollowerAim | undefined
  readonly readings: readonly FollowerReading[]
  readonly found: FollowerReading | undefined
  /** The last that still holds. */
  readonly now: FollowerReading | undefined
  readonly move: NextMove | undefined
  /** What tightening last did to the figure, in its own unit: tight less loose. */
  readonly pull: number | undefined
}

/** What a job knows of a follower, of one cylinder's where single pumps are set one by one. */
export function followerOfJob(
  sheet: BuildSheet,
  state: Pick<JobState, 'kept' | 'live'>,
  follower: Follower,
  cylinderId?: string,
): FollowerOfJob {
  const aim = aimOfJob(follower, state)
  const mine = (one: { readonly followerId: string; readonly cylinderId?: string | undefined }) =>
    one.followerId === follower.id && (cylinderId === undefined || one.cylinderId === cylinderId)
  const moves = allOf(state, 'followerMoved').filter(mine)
  const readings = allOf(state, 'followerRead')
    .filter(mine)
    .map((entry) => readingOf({ sheet, follower, aim, state, moves }, entry))
  const now = readings.findLast(({ stale, value }) => stale === undefined && value !== undefined)
  const { move, pull } = nextMove({ sheet, follower, aim, readings, moves, order: (id) => indexOf(state, id) })
  return {
    follower,
    aim,
    readings,
    found: readings.findLast(({ entry }) => entry.phase === 'found'),
    now,
    move,
    pull,
  }
}

const indexOf = ({ live }: Pick<JobState, 'live'>, id: string) => live.findIndex((one) => one.id === id)

function readingOf(
  {
    sheet,
    follower,
    aim,
    state,
    moves,
  }: {
    readonly sheet: BuildSheet
    readonly follower: Follower
    readonly aim: FollowerAim | undefined
    readonly state: Pick<JobState, 'live'>
    readonly moves: readonly EntryOf<'followerMoved'>[]
  },
  entry: Read,
): FollowerReading {
  const at = indexOf(state, entry.id)
  const stale = state.live.slice(at + 1).some((one) => movesDrive(sheet, follower, one))
    ? 'drive'
    : moves.some(({ id }) => indexOf(state, id) > at)
      ? 'follower'
      : undefined
  const seen = beforeTdc(sheet, entry)
  const beforeDeg = typeof seen === 'string' ? undefined : seen.deg
  const told = asAimed(sheet, follower, aim, entry)
  const held = { entry, beforeDeg, stale } as const
  if (typeof told === 'string')
    return { ...held, value: undefined, plusMinus: entry.plusMinus, not: told, against: undefined }
  return { ...held, ...told, not: undefined, against: aim && againstBand(told, aim) }
}

/** A reading in the unit of what is wanted. */
function asAimed(
  sheet: BuildSheet,
  follower: Follower,
  aim: FollowerAim | undefined,
  entry: Read,
): { readonly value: number; readonly plusMinus: number } | NotHeld {
  const { by, value, plusMinus } = entry
  const wrong = againstSense(entry) ?? (by === 'piston' ? crownCannot(sheet) : undefined)
  if (wrong) return wrong
  if (by === 'lift') return aim && aim.by !== 'lift' ? 'lift' : { value, plusMinus }
  const added = addedToSeen(sheet, follower, entry)
  if (typeof added === 'string') return added
  if (added.deg === 0 && (!aim || aim.by === by)) return { value, plusMinus }
  const seen = beforeTdc(sheet, entry)
  if (typeof seen === 'string') return seen
  const deg = seen.deg + added.deg
  if (!aim || aim.by === 'beforeTdc') return { value: deg, plusMinus: seen.plusMinusDeg }
  // Back in the unit that is wanted, by the slope there.
  const slope = unitsPerDeg(sheet, aim)
  const wanted = beforeTdc(sheet, { by: aim.by, value: aim.value, plusMinus: 0 })
  if (typeof wanted === 'string') return wanted
  if (slope === undefined) return 'outOfStroke'
  return { value: aim.value + (deg - wanted.deg) * slope, plusMinus: seen.plusMinusDeg * slope }
}

/** How much of the unit of an aim a degree of the crank is worth, about it; undefined where it is no place. */
export function unitsPerDeg(sheet: BuildSheet, { by, value }: Pick<FollowerAim, 'by' | 'value'>): number | undefined {
  if (by === 'lift') return undefined
  const STEP = 1e-3
  const [low, high] = [Math.max(0, value - STEP), value + STEP].map((one) =>
    beforeTdc(sheet, { by, value: one, plusMinus: 0 }),
  )
  if (low === undefined || high === undefined || typeof low === 'string' || typeof high === 'string') return undefined
  return (value + STEP - Math.max(0, value - STEP)) / (high.deg - low.deg)
}

/** Whether a line moved something on the way from the crank to a follower: what was read before it is read again. */
export function movesDrive(sheet: BuildSheet, { shaftId }: Follower, entry: Entry): boolean {
  const way = readDrive(sheet).ways[shaftId]
  const links = way?.map(({ by }) => by.id)
  const members = way?.flatMap(({ teeth }) => (teeth ? [teeth.driven.id, teeth.driver.id] : []))
  // Where its way is not told everything may be on it.
  const onWay = (id: string) => links === undefined || links.includes(id)
  switch (entry.kind) {
    case 'loop':
      return onWay(entry.loopId)
    case 'coupling':
      return onWay(entry.couplingId)
    case 'adjusted':
      return (
        members === undefined ||
        members.includes(sheet.adjusters.find(({ id }) => id === entry.adjusterId)?.memberId ?? '')
      )
    case 'moved':
      return onWay(entry.loopId)
    default:
      return false
  }
}
