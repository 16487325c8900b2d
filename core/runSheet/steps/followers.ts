import { cylindersRead, followerOfJob, followersOf, type FollowerTrade } from '../../followers'
import type { Follower } from '../../model/buildSheet'
import type { Phase } from '../../model/entry'
import type { Evidence, Given, Looked, StepKindRecord } from './step'
import { each } from './targets'

const step = (
  trade: FollowerTrade,
  record: Pick<StepKindRecord, 'needs' | 'gives'> & { readonly phase: Phase },
  evidence: (looked: Looked, follower: Follower, cylinderId: string | undefined) => Evidence,
): StepKindRecord => ({
  targets: (sheet) => each(followersOf(sheet, trade)),
  ...record,
  evidence: (looked) => {
    const follower = looked.sheet.followers?.find(({ id }) => id === looked.targetIds[0])
    if (!follower) return 'none'
    const each = cylindersRead(follower).map((cylinderId) => evidence(looked, follower, cylinderId))
    const least = RANKS.find((rank) => each.includes(rank)) ?? 'none'
    return least === 'none' && each.some((one) => one !== 'none') ? 'part' : least
  },
})
const RANKS: readonly Evidence[] = ['none', 'part', 'read', 'proved']

const asFound = ({ sheet, state }: Looked, follower: Follower, cylinderId: string | undefined): Evidence =>
  followerOfJob(sheet, state, follower, cylinderId).found ? 'read' : 'none'

/** Set: its last reading lies in its band. */
function set({ sheet, state }: Looked, follower: Follower, cylinderId: string | undefined): Evidence {
  const { now, readings } = followerOfJob(sheet, state, follower, cylinderId)
  if (!now) return readings.some(({ entry }) => entry.phase !== 'found') ? 'part' : 'none'
  if (now.against?.is !== 'in') return now.entry.phase === 'found' ? 'none' : 'part'
  return 'read'
}

/** Tight: read in its band with everything that holds it tight. */
function tight({ sheet, state }: Looked, follower: Follower, cylinderId: string | undefined): Evidence {
  const { now } = followerOfJob(sheet, state, follower, cylinderId)
  if (!now || now.entry.bolts !== 'tight') return 'none'
  if (now.against?.is !== 'in') return 'part'
  return now.against.sure === 'sure' ? 'proved' : 'read'
}

const made = (trade: FollowerTrade, found: Given, isSet: Given) => ({
  found: step(trade, { needs: ['madeSafe', 'zero', 'half', 'timingFound'], gives: [found], phase: 'found' }, asFound),
  set: step(trade, { needs: ['timingLeft', 'lashLeft', found, 'zero', 'half'], gives: [isSet], phase: 'set' }, set),
  tight: step(trade, { needs: [isSet], gives: [], phase: 'left' }, tight),
})

const pump = made('fuel', 'pumpFound', 'pumpSet')
const spark = made('spark', 'sparkFound', 'sparkSet')

export const [pumpFound, pumpSet, pumpTight] = [pump.found, pump.set, pump.tight]
export const [sparkFound, sparkSet, sparkTight] = [spark.found, spark.set, spark.tight]
