import type { CamToSet, Move, Mover } from './bestMoves'

/** Places of a camshaft nearer together than this are one place: rounding of the sums, and nothing that can be read. Degrees. */
const SAME_DEG = 1e-7

/** One place a camshaft can be brought to by its stepped moves, by the least trouble. */
export interface Way {
  readonly laterDeg: number
  readonly effort: number
  readonly moves: readonly Move[]
}

export const wrap = (deg: number, cycleDeg: number) => deg - cycleDeg * Math.round(deg / cycleDeg)

/** All that one mover can do; a range is settled last, when the rest is known. */
export function movesOf({ id, by }: Mover, cycleDeg: number): Move[] {
  switch (by.kind) {
    case 'steps': {
      const most = Math.min(by.mostSteps ?? Infinity, Math.floor(by.places / 2))
      const least = by.places % 2 === 0 && most === by.places / 2 ? 1 - most : -most
      return Array.from({ length: most - least + 1 }, (_, i) => {
        const amount = least + i
        return { moverId: id, amount, laterDeg: (amount * cycleDeg) / by.places }
      })
    }
    case 'choices':
      return by.laterDeg.map((laterDeg, amount) => ({ moverId: id, amount, laterDeg }))
    case 'range':
      return [{ moverId: id, amount: 0, laterDeg: 0 }]
  }
}

export const effortOf = ({ effort, by }: Mover, { amount }: Move) =>
  amount === 0 ? 0 : by.kind === 'steps' ? effort * Math.abs(amount) : effort

/** Every place that one camshaft's stepped moves can bring it to, each by the least trouble. Two ways to one place are one place before the next
 *  mover is added, so two ends of a quill, a hub and a tooth stay as many places as their common steps. The least trouble first. */
export function waysOfCam({ movers }: CamToSet, cycleDeg: number): Way[] {
  const stepped = movers.filter(({ by }) => by.kind !== 'range')
  const all = stepped.reduce<Way[]>(
    (ways, mover) => {
      const own = movesOf(mover, cycleDeg).map((move) => ({ move, effort: effortOf(mover, move) }))
      const places = new Map<number, Way>()
      for (const way of ways)
        for (const { move, effort } of own) {
          const laterDeg = wrap(way.laterDeg + move.laterDeg, cycleDeg)
          const place = Math.round(laterDeg / SAME_DEG)
          const known = places.get(place)
          if (known && known.effort <= way.effort + effort) continue
          places.set(place, {
            laterDeg,
            effort: way.effort + effort,
            moves: move.amount === 0 ? way.moves : [...way.moves, move],
          })
        }
      return [...places.values()]
    },
    [{ laterDeg: 0, effort: 0, moves: [] }],
  )
  return all.sort((a, b) => a.effort - b.effort)
}
