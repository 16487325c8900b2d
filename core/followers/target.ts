import { allOf, type JobState } from '../ledger'
import type { Follower } from '../model/buildSheet'
import type { FollowerFigure } from '../model/followers'

/** What a follower is set to in a job. */
export interface FollowerAim {
  readonly by: FollowerFigure
  readonly value: number
  readonly least: number
  readonly most: number
  readonly which: 'book' | 'brisker' | 'softer' | 'own'
  readonly reason: string
  /** Not within the book's own band: done on purpose, and told. */
  readonly outsideBook: boolean
}

/** How near a figure is set where no book says, either way: mm of lift, degrees, mm of piston, mm of rim. Common practice, no source. */
export const USUAL_BAND: Readonly<Record<FollowerFigure, number>> = { lift: 0.02, beforeTdc: 1, piston: 0.2, rim: 2 }

/** What a follower is set to: by choice of this job, else by the book. Undefined where neither says. A figure that is not the book's keeps the width of the book's band. */
export function aimOf({ wanted }: Follower, entry: ChosenAim | undefined): FollowerAim | undefined {
  const book = wanted && bandOf(wanted)
  if (!entry)
    return wanted && book
      ? { by: wanted.by, value: wanted.value.value, ...book, which: 'book', reason: '', outsideBook: false }
      : undefined
  const sameKind = book && wanted.by === entry.by
  const [under, over] = sameKind
    ? [wanted.value.value - book.least, book.most - wanted.value.value]
    : [USUAL_BAND[entry.by], USUAL_BAND[entry.by]]
  return {
    by: entry.by,
    value: entry.value,
    least: entry.value - under,
    most: entry.value + over,
    which: entry.which,
    reason: entry.reason,
    outsideBook: Boolean(sameKind && (entry.value < book.least || entry.value > book.most)),
  }
}

export type ChosenAim = Pick<FollowerAim, 'by' | 'value' | 'which' | 'reason'>

/** The same, as a job stands. */
export const aimOfJob = (follower: Follower, state: Pick<JobState, 'kept'>) =>
  aimOf(
    follower,
    allOf(state, 'followerTarget').findLast(({ followerId }) => followerId === follower.id),
  )

function bandOf({ by, value, least, most }: NonNullable<Follower['wanted']>) {
  return {
    least: least?.value ?? value.value - USUAL_BAND[by],
    most: most?.value ?? value.value + USUAL_BAND[by],
  }
}
