import type { BuildSheet, Entry, Job } from '../../model'

/* The model's own view of what was written: one plain list, and who knew what. Slow on purpose, and written without the fold. */

/** A job began: what was said in an earlier one is as it was left, what was made safe or looked at is not. */
export interface Begins {
  readonly kind: 'begins'
  readonly job: Job
  readonly sheet: BuildSheet
}

export type Happening = Entry | Begins

export interface History {
  readonly all: readonly Happening[]
  readonly knew: (later: Happening, earlier: Happening) => boolean
  readonly sheets: readonly BuildSheet[]
  /** The sheet that each job ended on, and the one that is looked from. */
  readonly sheetOf: (jobId: string) => BuildSheet
}

export interface Engine {
  readonly jobs: readonly Job[]
  readonly sheets: readonly BuildSheet[]
  readonly entries: readonly Entry[]
}

/** Everything that was written and is not struck, in the agreed order, with each job's beginning before its first entry; a job that is looked at and has none
 *  begins at the end. Entries of this model all carry `seen`, but for those of old workshops of one device. */
export function historyOf({ jobs, sheets, entries }: Engine, jobId: string): History {
  const jobOf = (id: string) => jobs.find((job) => job.id === id) as Job
  const before = (a: Entry, b: Entry) => {
    if (!a.seen !== !b.seen) return a.seen ? 1 : -1
    const [ja, jb] = [jobOf(a.jobId), jobOf(b.jobId)]
    if (!a.seen && ja.number !== jb.number) return ja.number - jb.number
    if (!a.seen && ja.at !== jb.at) return ja.at < jb.at ? -1 : 1
    if (!a.seen && ja.id !== jb.id) return ja.id < jb.id ? -1 : 1
    if (a.counter !== b.counter) return a.counter - b.counter
    if (a.device !== b.device) return a.device < b.device ? -1 : 1
    return a.id < b.id ? -1 : 1
  }
  const ordered = [...entries].sort(before)
  const isStruck = (entry: Entry): boolean =>
    ordered.some(
      (strike, i) =>
        strike.kind === 'strike' && strike.targetId === entry.id && ordered.indexOf(entry) < i && !isStruck(strike),
    )
  const saysKnew = (later: Entry, earlier: Entry) =>
    later.device === earlier.device
      ? ordered.indexOf(later) > ordered.indexOf(earlier)
      : (later.seen?.[earlier.device] ?? 0) >= earlier.counter
  /** Bolts were said to be tight because each was through, and of one that is struck, not known when it was said. */
  const restsOnStruck = (entry: Entry): boolean =>
    entry.kind === 'item' &&
    entry.boltGroupId !== undefined &&
    ordered
      .slice(0, ordered.indexOf(entry))
      .some(
        (bolt) =>
          bolt.kind === 'bolt' &&
          bolt.groupId === entry.boltGroupId &&
          bolt.jobId === entry.jobId &&
          ordered.some(
            (strike) =>
              strike.kind === 'strike' &&
              strike.targetId === bolt.id &&
              ordered.indexOf(bolt) < ordered.indexOf(strike) &&
              !isStruck(strike) &&
              !saysKnew(entry, strike),
          ),
      )
  const live = ordered.filter((entry) => entry.kind !== 'strike' && !isStruck(entry) && !restsOnStruck(entry))
  const sheetOf = (id: string) => {
    const adopted = live.findLast((entry) => entry.jobId === id && entry.kind === 'sheet')
    const sheetId = adopted?.kind === 'sheet' ? adopted.toSheetId : jobOf(id).sheetId
    return sheets.find((sheet) => sheet.id === sheetId) as BuildSheet
  }
  const all: Happening[] = []
  const begin = (id: string) => {
    const begun = all.some((one) => one.kind === 'begins' && one.job.id === id)
    if (!begun) all.push({ kind: 'begins', job: jobOf(id), sheet: sheetOf(id) })
  }
  for (const entry of live) {
    begin(entry.jobId)
    all.push(entry)
  }
  begin(jobId)
  const knew = (later: Happening, earlier: Happening) => {
    if (later.kind === 'begins' || earlier.kind === 'begins') return true
    if (later.device === earlier.device) return all.indexOf(later) > all.indexOf(earlier)
    if (!later.seen) return all.indexOf(later) > all.indexOf(earlier) && !earlier.seen
    const known = later.seen[earlier.device] ?? 0
    return earlier.seen ? known >= earlier.counter : known > 0
  }
  return { all, knew, sheets, sheetOf }
}
