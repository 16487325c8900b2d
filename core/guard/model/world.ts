import type { BuildSheet, Entry } from '../../model'
import type { CrankPlace } from '../../ledger'
import type { Rotation } from '../../ledger/rotation'
import { historyOf, type Begins, type Engine, type Happening, type History } from './history'

/* The questions of the model. `n`: as things stood before the n-th happening; `i`: what the i-th happening does. Each is answered from the
 * whole list, once for each point in time. */

export type Is = 'on' | 'off' | 'unknown'
export interface Link {
  readonly kind: 'loop' | 'coupling'
  readonly id: string
}
/** Where something came undone, and where the crank's ledger stood. */
export type Undone =
  { readonly at: 'pose' | 'elsewhere' | 'unknown' | 'ended'; readonly total: number | undefined } | undefined
export interface Crank {
  readonly rotation: Rotation
  readonly poseSeen: number | undefined
  /** Seen at the second bank's own place. */
  readonly ownSeen: number | undefined
  /** A claim that the turns written do not lead to. */
  readonly against:
    | {
        readonly entry: Entry
        readonly placeDeg: number
        readonly pose: boolean
        readonly own: boolean
        readonly byMark: CrankPlace['byMark']
      }
    | undefined
}
export interface Lateness {
  readonly latenessDeg: number
  readonly sigmaDeg: number
}
export interface Read {
  readonly entry: Entry
  readonly shaft: string
  /** It knew of everything that was done on the way to its camshaft. */
  readonly proves: boolean
  readonly atMark: Lateness | undefined
  readonly total: number
}
export interface Late {
  readonly teeth: number
  readonly exact: number
  readonly total: number
}
/** Something on the register, and the happening since which it is there. */
export interface ItemIn {
  readonly item: Extract<Entry, { kind: 'item' }>
  readonly since: number
}
export type Count = Extract<Entry, { kind: 'count' | 'meshCount' }>

export interface Base {
  readonly history: History
  readonly all: readonly Happening[]
  readonly knew: History['knew']
  /** The build sheet of the job that is looked from, and its trim. */
  readonly sheet: BuildSheet
  readonly trim: number
  readonly ask: <T>(question: string, n: number, answer: () => T) => T
  readonly sheetAt: (n: number) => BuildSheet
  readonly isFirst: (i: number) => boolean
}

export interface DriveQuestions {
  readonly shaftsOn: (on: BuildSheet) => string[]
  readonly wayTo: (shaft: string, on: BuildSheet) => Link[]
  /** Where the crank stands when a link is put together: its camshafts' own place, or the timing position. */
  readonly placeOf: (link: Link, on: BuildSheet) => number
  readonly isOnSheet: (link: Link, on: BuildSheet) => boolean
  /** Camshafts that a link holds; all of them of a link that is on no sheet any more. */
  readonly behind: (link: Link, on: BuildSheet) => string[]
}
export interface SaidQuestions {
  readonly settledOf: (about: string, id: string) => (one: Happening) => boolean
  readonly linkDisputed: (link: Link, n: number) => boolean
  readonly itemDisputed: (id: string, n: number) => boolean
  readonly tensionerDisputed: (id: string, n: number) => boolean
  readonly camshaftDisputed: (id: string, n: number) => boolean
  readonly crankSays: (one: Happening) => string | undefined
  readonly crankDisputed: (n: number) => boolean
}
export interface CrankQuestions {
  readonly crankAt: (n: number) => Crank
  readonly total: (n: number) => number
  readonly jobOf: (one: Entry) => Begins | undefined
}
export interface LinkQuestions {
  readonly linksAt: (n: number) => Link[]
  readonly acts: (link: Link, i: number) => 'off' | 'on' | 'moved' | 'end' | undefined
  readonly settles: (link: Link, i: number) => string | undefined
  /** The link that became this one. */
  readonly heirOf: (link: Link, i: number) => Link
  readonly linkIs: (link: Link, n: number) => Is
  readonly changesOf: (link: Link, n: number) => Entry[]
  readonly lastChangedIn: (link: Link, n: number) => string | undefined
}
export interface UndoneQuestions {
  readonly undoneAt: (link: Link, n: number, during?: { readonly afterDoubtOf?: number }) => Undone
}
export interface CamshaftQuestions {
  readonly camshaftAt: (shaft: string, n: number) => { readonly is: string; readonly shut: boolean }
  readonly isLoose: (shaft: string, n: number) => boolean
  readonly relieved: (shaft: string, n: number, on: BuildSheet) => boolean
}
export interface RegisterQuestions {
  readonly itemsIn: (n: number) => ItemIn[]
  /** Where the crank stood when something was put in or let go, while that can be told. */
  readonly stoodThen: (i: number, n: number) => number | undefined
}
export interface ReadingQuestions {
  readonly readsAt: (n: number) => Read[]
  readonly saidBy: (read: Read) => Lateness | undefined
  readonly teethLate: (link: Link, n: number) => Late | undefined
  readonly toothOf: (shaft: string, on: BuildSheet) => number
  readonly safeOut: (shaft: string, on: BuildSheet) => number
  readonly says: (lateness: Lateness, safe: number) => 'in' | 'out' | 'cannotTell'
  readonly tells: (read: Read, lateness: Lateness, on: BuildSheet) => boolean
  /** The last reading of each kind, and the one before it where the two cannot both be true. */
  readonly lastOfEach: (shaft: string, n: number) => { readonly last: Read; readonly other: Read | undefined }[]
}
export interface ProofQuestions {
  readonly outOf: (shaft: string, n: number, on?: BuildSheet) => { readonly total: number | undefined } | undefined
  readonly suspect: (link: Link, n: number) => boolean
  readonly provedAt: (n: number, on?: BuildSheet) => Set<string>
  readonly linkProved: (link: Link, n: number) => boolean
}
export interface RanQuestions {
  readonly touchesDrive: (one: Happening, i: number) => boolean
  readonly ranHolds: (i: number) => boolean
  readonly ranSo: (shaft: string, n: number) => boolean
}

export type World = Base &
  DriveQuestions &
  SaidQuestions &
  CrankQuestions &
  LinkQuestions &
  UndoneQuestions &
  CamshaftQuestions &
  RegisterQuestions &
  ReadingQuestions &
  ProofQuestions &
  RanQuestions

export function baseOf(engine: Engine, jobId: string): Base {
  const history = historyOf(engine, jobId)
  const { all, knew } = history
  const sheet = history.sheetOf(jobId)
  const answers = new Map<string, unknown>()
  return {
    history,
    all,
    knew,
    sheet,
    trim: sheet.trimDeg?.value ?? 4,
    ask: <T>(question: string, n: number, answer: () => T): T => {
      const key = `${question} ${n}`
      if (!answers.has(key)) answers.set(key, answer())
      return answers.get(key) as T
    },
    sheetAt: (n) => {
      const last = all.slice(0, n).findLast((one): one is Entry => one.kind !== 'begins')
      const begins = all[n - 1]
      return begins?.kind === 'begins' ? begins.sheet : last ? history.sheetOf(last.jobId) : sheet
    },
    isFirst: (i) => all.findIndex(({ kind }) => kind === 'begins') === i,
  }
}

/** The same angle in (-half, half] of a turn. */
export const wrap = (deg: number, turn: number) => {
  const on = ((deg % turn) + turn) % turn
  return on > turn / 2 ? on - turn : on
}
