import { isSaid } from '../cams'
import { movesOf, type LoopMove } from '../drive'
import type { BuildSheet, Loop } from '../model/buildSheet'
import type { Entry, EntryOf } from '../model/entry'
import { partsOf } from '../sheet'
import { isCamRead, latenessOfRead, shaftOfRead, type CamRead } from './camWitnesses'
import type { ZerosByEntry } from './zeros'
import { BY_THE_BOOK, readLoop, type JobSeats } from './sectionCounts'

/** One try at hanging a loop: what was moved to come to it, what was counted then, and what the counts ask for next. */
export interface Attempt {
  readonly moved: readonly { readonly memberId: string; readonly teeth: number }[]
  readonly found: readonly {
    readonly sectionId: string
    readonly foundPitches: number
    readonly expectedPitches?: number
  }[]
  /** Camshafts of the loop that were read then, crank degrees, + = late; two sigma. */
  readonly seen: readonly { readonly shaftId: string; readonly latenessDeg: number; readonly plusMinusDeg: number }[]
  readonly next: readonly LoopMove[]
  /** The earlier try, from 0, that lay the very same way: going round in a circle. */
  readonly sameAs: number | undefined
}

interface Try {
  moved: { memberId: string; teeth: number }[]
  counts: EntryOf<'count'>[]
  reads: CamRead[]
  /** Counted or read since the move, and not only what still holds from before. */
  counted: boolean
}

const NO_ZEROS: ZerosByEntry = { frames: [], frameOf: new Map(), retake: new Set() }

/** The tries at hanging a loop since it last went on (or all, where it never came off), from a job's live entries in order. A try ends when the
 *  loop is moved after something was counted or a camshaft of it read; counts that do not end on the wheel it was moved over still hold. */
export function attemptsAt(
  sheet: BuildSheet,
  loop: Loop,
  live: readonly Entry[],
  { seats = BY_THE_BOOK, zeros = NO_ZEROS }: { readonly seats?: JobSeats; readonly zeros?: ZerosByEntry } = {},
): Attempt[] {
  const isOn = (shaftId: string | undefined) =>
    shaftId !== undefined && loop.path.some(({ memberId }) => partsOf(sheet).shaftOfMember(memberId)?.id === shaftId)
  const lastOn = live.findLastIndex(
    (entry) => entry.kind === 'loop' && entry.loopId === loop.id && entry.change === 'on',
  )
  const tries: Try[] = [{ moved: [], counts: [], reads: [], counted: false }]
  for (const entry of live.slice(lastOn + 1)) {
    const now = tries.at(-1) as Try
    if (entry.kind === 'count' && entry.loopId === loop.id && entry.phase !== 'found') {
      now.counts.push(entry)
      now.counted = true
    }
    if (isCamRead(entry) && entry.phase === 'set' && isOn(shaftOfRead(sheet, entry))) {
      now.reads.push(entry)
      now.counted = true
    }
    if (entry.kind !== 'moved' || entry.loopId !== loop.id) continue
    const move = { memberId: entry.memberId, teeth: entry.teeth }
    const counts = now.counts.filter((count) => !endsOn(sheet, count, entry.memberId))
    if (now.counted) tries.push({ moved: [move], counts, reads: [], counted: false })
    else Object.assign(now, { moved: [...now.moved, move], counts })
  }
  const read = tries
    .filter(({ moved, counts, reads }) => moved.length + counts.length + reads.length > 0)
    .map(({ moved, counts, reads }) => {
      const { sections, found, lateness } = readLoop(sheet, loop, counts, undefined, seats)
      return {
        moved,
        found: found.map(({ sectionId, foundPitches }) => {
          const expectedPitches = sections.find(({ id }) => id === sectionId)?.expected?.pitches
          return { sectionId, foundPitches, ...(expectedPitches === undefined ? {} : { expectedPitches }) }
        }),
        seen: seenIn(sheet, zeros, reads),
        next: movesOf(sections, lateness, found).moves.filter(({ layTeeth }) => layTeeth !== 0),
      }
    })
  return read.map((attempt, i) => {
    const before = read.findIndex((other, k) => k < i && sameFound(other.found, attempt.found))
    return { ...attempt, sameAs: before < 0 ? undefined : before }
  })
}

/** What was read of each camshaft in a try, the last of it. */
function seenIn(sheet: BuildSheet, zeros: ZerosByEntry, reads: readonly CamRead[]): Attempt['seen'] {
  const last = new Map(reads.map((read) => [shaftOfRead(sheet, read) ?? '', latenessOfRead(sheet, zeros, read)]))
  return [...last].flatMap(([shaftId, said]) =>
    isSaid(said) ? [{ shaftId, latenessDeg: said.latenessDeg, plusMinusDeg: 2 * said.sigmaDeg }] : [],
  )
}

function endsOn(sheet: BuildSheet, { fromMarkId, toMarkId }: EntryOf<'count'>, memberId: string): boolean {
  return sheet.marks.some(({ id, memberId: on }) => on === memberId && (id === fromMarkId || id === toMarkId))
}

function sameFound(a: Attempt['found'], b: Attempt['found']): boolean {
  return (
    a.length > 0 &&
    a.length === b.length &&
    a.every(({ sectionId, foundPitches }) =>
      b.some((other) => other.sectionId === sectionId && other.foundPitches === foundPitches),
    )
  )
}
