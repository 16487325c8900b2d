/** A visit at which something was measured. */
export interface Visited {
  readonly x: number
  readonly value: number
  /** One sigma. */
  readonly sigma: number
  /** It was renewed at this visit: what was measured before it, on the way in, is of the old one. */
  readonly renewed: boolean
}

/** What was measured over visits as lines, one to each part that was on: one that is renewed begins a new line with the next visit. */
export function linesOf(visits: readonly Visited[]): readonly (readonly Visited[])[] {
  const lines: Visited[][] = []
  let current: Visited[] = []
  for (const visit of visits.toSorted((a, b) => a.x - b.x)) {
    current.push(visit)
    if (!visit.renewed) continue
    lines.push(current)
    current = []
  }
  return [...lines, current].filter(({ length }) => length > 0)
}
