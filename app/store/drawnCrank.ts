/** The crank as drawn: screen state that changes with every frame of a drag, so it lives beside Redux and tells its listeners
 *  directly. It is not the engine's crank; only a "turned" entry moves that. */
export interface DrawnCrank {
  readonly get: () => number
  readonly set: (deg: number) => void
  readonly subscribe: (listener: () => void) => () => void
}

export function makeDrawnCrank(startDeg = 0): DrawnCrank {
  let deg = startDeg
  const listeners = new Set<() => void>()
  return {
    get: () => deg,
    set: (next) => {
      if (next === deg) return
      deg = next
      for (const listener of listeners) listener()
    },
    subscribe: (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
  }
}
