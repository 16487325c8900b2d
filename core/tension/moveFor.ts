import type { BuildSheet } from '../model/buildSheet'
import type { Entry, EntryOf } from '../model/entry'
import { partsOf } from '../sheet'
import { overFromPlay } from './play'
import { takenUpPerMm } from './runs'
import { slackValue, type RoundOf, type SlackOfRound } from './slackOfJob'

type By = NonNullable<EntryOf<'tensioner'>['by']>

/** How far to move the tensioner for the middle of what is wanted. */
export interface MoveFor {
  readonly memberId: string
  readonly towards: 'tight' | 'slack'
  /** So far; undefined where only the way is known. */
  readonly amount: { readonly value: number; readonly unit: By['unit'] } | undefined
  /** By what the last move did to the reading, or by the way of the loop. */
  readonly from: 'lastMove' | 'path' | 'wayOnly'
}

/** Which way to move the tensioner of a loop for what is wanted, and about how far: by what the last move did to the same reading where there was one, else by what the
 *  way of the loop takes up. Undefined where it is as wanted or no tensioner is there. */
export function moveFor(
  sheet: BuildSheet,
  live: readonly Entry[],
  of: RoundOf,
  { round, judged, band, spanMm }: SlackOfRound,
): MoveFor | undefined {
  const loop = partsOf(sheet).loop(of.loopId)
  const memberId = partsOf(sheet).tensioners.find(({ id }) => loop?.path.some((part) => part.memberId === id))?.id
  if (!round || !judged || judged.is === 'in' || !band || memberId === undefined) return undefined
  const towards = judged.is === 'tooSlack' ? 'tight' : 'slack'
  const wanted = middleOf(band)
  const now = round.tightest.value
  const did = lastMove(live, of, memberId)
  if (did && Math.sign(wanted - now) === Math.sign(did.perUnit) * (towards === 'tight' ? 1 : -1))
    return {
      memberId,
      towards,
      amount: { value: Math.abs((wanted - now) / did.perUnit), unit: did.unit },
      from: 'lastMove',
    }
  const takes = takenUpPerMm(sheet, of.loopId)
  if (takes && spanMm !== undefined && (of.by === 'toAndFro' || of.by === 'oneWay')) {
    const each = (value: number) => overFromPlay(spanMm, of.by === 'toAndFro' ? value / 2 : value, of.place)
    return {
      memberId,
      towards,
      amount: { value: Math.abs(each(now) - each(wanted)) / takes.perMm, unit: 'mm' },
      from: 'path',
    }
  }
  return { memberId, towards, amount: undefined, from: 'wayOnly' }
}

const middleOf = ({ least, most }: NonNullable<SlackOfRound['band']>): number =>
  least === undefined ? (most ?? 0) : most === undefined ? least : (least + most) / 2

/** What the last move of a tensioner did to the readings of one run, per unit towards tight: the reading before it against the one after it. */
function lastMove(
  live: readonly Entry[],
  of: RoundOf,
  memberId: string,
): { readonly perUnit: number; readonly unit: By['unit'] } | undefined {
  let before: number | undefined
  let moved: { sum: number; unit: By['unit'] } | undefined
  let did: { perUnit: number; unit: By['unit'] } | undefined
  for (const entry of live) {
    if (entry.kind === 'tensioner' && entry.memberId === memberId && entry.by && before !== undefined) {
      const way = entry.by.towards === 'tight' ? 1 : -1
      moved = { sum: (moved?.unit === entry.by.unit ? moved.sum : 0) + way * entry.by.amount, unit: entry.by.unit }
    }
    if (entry.kind !== 'slack' || entry.loopId !== of.loopId || entry.by !== of.by) continue
    if (entry.fromMemberId !== of.fromMemberId || entry.place !== of.place) continue
    const value = slackValue(entry)
    if (value === undefined) continue
    if (moved && moved.sum !== 0 && before !== undefined && value !== before) {
      did = { perUnit: (value - before) / moved.sum, unit: moved.unit }
      moved = undefined
    }
    before = value
  }
  return did
}
