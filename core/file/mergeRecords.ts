import type { Records } from '../model'

export interface MergeOutcome {
  /** What is new and will be added; nothing that is here is ever overwritten. */
  readonly add: Records
  readonly same: number
  /** Records that are here under the same id with other content: ours stays. */
  readonly kept: readonly { readonly list: keyof Records; readonly id: string; readonly name: string }[]
}

/** What importing would do, before it is done: the union by id. */
export function mergeRecords(mine: Records, theirs: Records): MergeOutcome {
  const kept: MergeOutcome['kept'][number][] = []
  let same = 0
  const fresh = <K extends keyof Records>(list: K): Records[K] => {
    const here = new Map(mine[list].map((record) => [record.id, stable(record)]))
    return theirs[list].filter((record) => {
      const ours = here.get(record.id)
      if (ours === undefined) return true
      if (ours === stable(record)) same++
      else kept.push({ list, id: record.id, name: 'name' in record ? String(record.name) : record.id })
      return false
    }) as Records[K]
  }
  const add = { engines: fresh('engines'), sheets: fresh('sheets'), jobs: fresh('jobs'), entries: fresh('entries') }
  return { add, same, kept }
}

/** JSON with its keys in order, so that two equal records read the same. */
export function stable(value: unknown): string {
  return JSON.stringify(value, (_key, inner: unknown) =>
    inner !== null && typeof inner === 'object' && !Array.isArray(inner)
      ? Object.fromEntries(Object.entries(inner).sort(([a], [b]) => (a < b ? -1 : 1)))
      : inner,
  )
}
