/** Runs pieces of work one after the other, over all tabs of this browser where it can tell them of each other. */
export type InTurn = <T>(work: () => Promise<T>) => Promise<T>

export function makeTurns(name: string, locks: LockManager | undefined = globalThis.navigator?.locks): InTurn {
  if (locks) return <T>(work: () => Promise<T>) => locks.request(name, work) as Promise<T>
  let last: Promise<unknown> = Promise.resolve()
  return <T>(work: () => Promise<T>) => {
    const mine = last.then(work, work)
    last = mine
    return mine
  }
}
