const last = new WeakMap<object, Promise<unknown>>()

/** Runs pieces of work on one workshop one after the other: what reads, changes and writes must see what the one before it wrote. */
export function inTurn<T>(workshop: object, work: () => Promise<T>): Promise<T> {
  const mine = (last.get(workshop) ?? Promise.resolve()).then(work, work)
  last.set(workshop, mine)
  return mine
}
