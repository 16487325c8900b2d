import type { CamToSet, Move, Mover, MoverOf } from './moves'
import { byWorth, SAME, unbeaten } from './sums'
import { choicesBeside, ofWhat, wrap, type Way, type Ways } from './waysOfCam'

/** One way of setting a camshaft. */
export interface Candidate {
  readonly moves: readonly Move[]
  readonly leftoverDeg: number
  readonly misses: number
  readonly effort: number
}

/** The best few ways of setting one cam that reads so late, the least left over first, then the least trouble; and every one that no other
 *  beats in both. */
export function bestOfCam(
  { weight, movers }: CamToSet,
  { places, beside }: Ways,
  lateDeg: number,
  cycleDeg: number,
  best: number,
) {
  const kept: Candidate[] = []
  const all: Candidate[] = []
  let worst = Infinity
  const choices = slidesOf(movers).map((slides) => ({
    slides,
    mostDeg: slides.reduce((sum, one) => sum + one.mostDeg, 0),
    slideEffort: slides.reduce((sum, one) => sum + one.effort, 0),
  }))
  const look = (other: Way, { slides, mostDeg, slideEffort }: (typeof choices)[number]) => {
    let least = Infinity
    for (const way of places) {
      const lateStill = wrap(lateDeg + other.laterDeg + way.laterDeg, cycleDeg)
      const leftoverDeg = lateStill - Math.max(-mostDeg, Math.min(mostDeg, lateStill))
      const misses = weight * leftoverDeg * leftoverDeg
      // Ways come by the least trouble first: what leaves no less than one before it is beaten.
      if (misses > worst + SAME && misses >= least - SAME) continue
      const slid = slide(lateStill, slides)
      const effort = way.effort + other.effort + slideEffort
      const candidate = { moves: [...way.moves, ...other.moves, ...slid], leftoverDeg, misses, effort }
      if (misses < least - SAME) all.push(candidate)
      insert(kept, best, candidate)
      if (kept.length === best) worst = kept.at(-1)?.misses ?? Infinity
      least = Math.min(least, misses)
    }
  }
  for (const other of choicesBeside(beside)) for (const choice of choices) look(other, choice)
  return { kept, front: unbeaten(all) }
}

interface Slide {
  readonly moverId: string
  readonly of?: MoverOf
  readonly effort: number
  readonly mostDeg: number
}

/** Every choice of what is slid at all, nothing the first. */
const slidesOf = (movers: readonly Mover[]): Slide[][] =>
  movers.reduce<Slide[][]>(
    (so, { id, of, effort, by }) =>
      by.kind === 'range'
        ? [...so, ...so.map((few) => [...few, { moverId: id, ...ofWhat(of), effort, mostDeg: by.mostDeg }])]
        : so,
    [[]],
  )

/** Each takes what it can of what is left, the first the most. */
function slide(lateDeg: number, slides: readonly Slide[]): Move[] {
  let left = lateDeg
  return slides.map(({ moverId, of, mostDeg }) => {
    const laterDeg = 0 - Math.max(-mostDeg, Math.min(mostDeg, left))
    left += laterDeg
    return { moverId, ...ofWhat(of), amount: laterDeg, laterDeg }
  })
}

function insert(kept: Candidate[], best: number, one: Candidate): void {
  let at = kept.length
  while (at > 0 && byWorth(kept[at - 1] as Candidate, one) > 0) at--
  kept.splice(at, 0, one)
  if (kept.length > best) kept.pop()
}
