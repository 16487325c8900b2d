import { allOf, type JobState } from '../ledger'
import type { EntryOf } from '../model/entry'
import { parseLength } from '../units'

export type ToldApart = EntryOf<'toldApart'>
export type AlikeOne = ToldApart['ones'][number]

/** What a part reads as it is compared: mm, teeth, or the words themselves; undefined where it cannot be read. */
type Reading = number | string | undefined

/** Two that are measured nearer to each other than this, mm, are the same to a rule or a calliper. Ours. */
const SAME_MM = { length: 0.5, bore: 0.05 } as const

function readingOf(by: ToldApart['by'], text: string): Reading {
  const plain = text.trim().toLowerCase().replace(/\s+/g, ' ')
  if (plain === '') return undefined
  switch (by) {
    case 'length':
    case 'bore': {
      const read = parseLength(plain, 'mm')
      return read.ok ? read.value.value : undefined
    }
    case 'teeth': {
      const n = /^(\d{1,3})(?: ?(?:t|teeth|tooth))?$/.exec(plain)?.[1]
      return n === undefined ? undefined : Number(n)
    }
    default:
      return plain
  }
}

function same(by: ToldApart['by'], a: Reading, b: Reading): boolean {
  if (typeof a === 'number' && typeof b === 'number' && (by === 'length' || by === 'bore'))
    return Math.abs(a - b) <= SAME_MM[by] + 1e-9
  return a === b
}

/** Whether what was typed can be read as what differs: a length, a count of teeth, any words. */
export const canBeRead = (by: ToldApart['by'], text: string): boolean => readingOf(by, text) !== undefined

/** Rows as they were typed, without those that are empty; undefined while one is half filled, holds what cannot be read, or there are fewer than two. */
export function filledOnes(by: ToldApart['by'], ones: readonly AlikeOne[]): AlikeOne[] | undefined {
  const typed = ones
    .map(({ name, reads, book }) => ({ name: name.trim(), reads: reads.trim(), book: book.trim() }))
    .filter(({ name, reads, book }) => name !== '' || reads !== '' || book !== '')
  const full = typed.every(
    ({ name, reads, book }) => name !== '' && canBeRead(by, reads) && (book === '' || canBeRead(by, book)),
  )
  return full && typed.length >= 2 ? typed : undefined
}

/** What a look at parts that look alike comes to. */
export interface Judged {
  /** Pairs that this does not tell apart: they read the same. */
  readonly notTold: readonly (readonly [AlikeOne, AlikeOne])[]
  /** Of which a book or the model year says something else than what was counted or measured: that holds, and the other is named. */
  readonly against: readonly AlikeOne[]
}

/** Whether parts are told apart by what differs, and where a book says otherwise than what is seen on them. What cannot be read is compared with nothing. */
export function judgeAlike({ by, ones }: Pick<ToldApart, 'by' | 'ones'>): Judged {
  const read = ones.map((one) => ({ one, reads: readingOf(by, one.reads), book: readingOf(by, one.book) }))
  return {
    notTold: read.flatMap((a, i) =>
      read
        .slice(i + 1)
        .flatMap((b): (readonly [AlikeOne, AlikeOne])[] =>
          a.reads !== undefined && b.reads !== undefined && same(by, a.reads, b.reads) ? [[a.one, b.one]] : [],
        ),
    ),
    against: read.flatMap(({ one, reads, book }) =>
      reads !== undefined && book !== undefined && !same(by, reads, book) ? [one] : [],
    ),
  }
}

/** Everything that was told apart in a job, each as it was told last. */
export const toldApartIn = (state: Pick<JobState, 'kept'>): readonly ToldApart[] => allOf(state, 'toldApart')
