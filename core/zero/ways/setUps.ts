/** Readings of one set-up stand within this of each other: a stop moved to another depth is another set-up. */
const SAME_SET_UP_DEG = 1.5

/** Names the set-up that each reading was made with, in the order they were read: one whose half span lies within 1.5° of an earlier one's on the
 *  same cylinder is of that set-up. */
export function nameSetUps(method: string): (cylinderId: string, halfSpanDeg: number) => string {
  // By steps of that width, the least and the most that were read in each: all within one step are of one set-up.
  const steps = new Map<string, { readonly name: string; leastDeg: number; mostDeg: number }>()
  return (cylinderId, halfSpanDeg) => {
    const at = Math.floor(halfSpanDeg / SAME_SET_UP_DEG)
    const step = (i: number) => steps.get(`${cylinderId} ${i}`)
    const here = step(at)
    const [below, above] = [step(at - 1), step(at + 1)]
    const name =
      here?.name ??
      (below && halfSpanDeg - below.mostDeg < SAME_SET_UP_DEG ? below.name : undefined) ??
      (above && above.leastDeg - halfSpanDeg < SAME_SET_UP_DEG ? above.name : undefined) ??
      `${method} ${cylinderId} ${halfSpanDeg}`
    const [leastDeg, mostDeg] = [here?.leastDeg ?? halfSpanDeg, here?.mostDeg ?? halfSpanDeg]
    steps.set(`${cylinderId} ${at}`, {
      name,
      leastDeg: Math.min(leastDeg, halfSpanDeg),
      mostDeg: Math.max(mostDeg, halfSpanDeg),
    })
    return name
  }
}
