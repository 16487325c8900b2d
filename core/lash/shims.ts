import { assign } from './assign'

/** A valve whose lash is set by a shim. */
export interface ShimmedValve {
  readonly camId: string
  readonly shimMm: number
  readonly gapMm: number
  readonly wantMm: number
  /** Limits that the gap has to lie within, both included. */
  readonly leastMm: number
  readonly mostMm: number
}
export interface ShimStock {
  readonly stepMm: number
  readonly leastMm: number
  readonly mostMm: number
}

export interface ShimMove {
  readonly camId: string
  readonly shimMm: number
  /** stays = as it is; swap = from another valve; drawer = one that is there; new = to be bought. */
  readonly from: 'stays' | 'swap' | 'drawer' | 'new'
  readonly fromCamId?: string | undefined
  readonly gapMm: number
}
export interface ShimPlan {
  readonly moves: readonly ShimMove[]
  readonly newShims: number
  /** Shims that come out and are not used again. */
  readonly leftOver: readonly number[]
}

/** The shim that gives the gap wanted: what is in, and what the gap is too wide by, to the nearest step that is made. Millimetres.
 *  Undefined when that lies outside what is made. Source: handbook 15. */
export function shimFor(
  { shimMm, gapMm, wantMm }: Pick<ShimmedValve, 'shimMm' | 'gapMm' | 'wantMm'>,
  stock: ShimStock,
): { readonly exactMm: number; readonly shimMm: number; readonly gapMm: number } | undefined {
  const exactMm = shimMm + gapMm - wantMm
  const steps = Math.round((exactMm - stock.leastMm) / stock.stepMm)
  const stepped = tidy(stock.leastMm + steps * stock.stepMm)
  if (stepped < stock.leastMm - 1e-9 || stepped > stock.mostMm + 1e-9) return undefined
  return { exactMm: tidy(exactMm), shimMm: stepped, gapMm: tidy(shimMm + gapMm - stepped) }
}

const tidy = (mm: number) => Math.round(mm * 1e6) / 1e6
/** Buying counts before moving, moving before hundredths; in thousandths of a millimetre so that sums stay exact. */
const COST = { new: 1e8, drawer: 1e5 + 1, swap: 1e5, stays: 0, never: 1e12 }

/** The cheapest set of shims that brings every gap within its limits: as few new ones as can be, then as few moved, then the nearest to what is
 *  wanted. Exact. Undefined when a valve cannot be brought right by any shim there is or is made. Source: the assignment problem. */
export function planShims({
  valves,
  drawer,
  stock,
}: {
  readonly valves: readonly ShimmedValve[]
  readonly drawer: readonly number[]
  readonly stock: ShimStock
}): ShimPlan | undefined {
  const columns = [
    ...valves.map(({ shimMm, camId }) => ({ shimMm, camId, kind: 'valve' as const })),
    ...drawer.map((shimMm) => ({ shimMm, camId: undefined, kind: 'drawer' as const })),
    ...valves.map((valve) => ({ shimMm: newFor(valve, stock), camId: valve.camId, kind: 'new' as const })),
  ]
  const costs = valves.map((valve) =>
    columns.map(({ shimMm, camId, kind }) => {
      if (shimMm === undefined || (kind === 'new' && camId !== valve.camId)) return COST.never
      const gapMm = valve.shimMm + valve.gapMm - shimMm
      if (gapMm < valve.leastMm - 1e-9 || gapMm > valve.mostMm + 1e-9) return COST.never
      const off = Math.round(Math.abs(gapMm - valve.wantMm) * 1000)
      const from =
        kind === 'new' ? COST.new : kind === 'drawer' ? COST.drawer : camId === valve.camId ? COST.stays : COST.swap
      return from + off
    }),
  )
  const chosen = assign(costs)
  if (valves.some((_valve, i) => (costs[i]?.[chosen[i] ?? -1] ?? COST.never) >= COST.never)) return undefined
  const moves = valves.map((valve, i): ShimMove => {
    const { shimMm = 0, camId, kind } = columns[chosen[i] ?? 0] ?? { shimMm: 0, camId: undefined, kind: 'new' as const }
    const from = kind === 'new' ? 'new' : kind === 'drawer' ? 'drawer' : camId === valve.camId ? 'stays' : 'swap'
    return {
      camId: valve.camId,
      shimMm,
      from,
      ...(from === 'swap' ? { fromCamId: camId } : {}),
      gapMm: tidy(valve.shimMm + valve.gapMm - shimMm),
    }
  })
  const used = new Set(chosen)
  return {
    moves,
    newShims: moves.filter(({ from }) => from === 'new').length,
    leftOver: columns.flatMap(({ kind, shimMm }, k) => (kind === 'valve' && !used.has(k) && shimMm ? [shimMm] : [])),
  }
}

/** The step nearest to what is wanted that still lies within the limits. */
function newFor(valve: ShimmedValve, { stepMm, leastMm, mostMm }: ShimStock): number | undefined {
  const exactMm = Math.min(mostMm, Math.max(leastMm, valve.shimMm + valve.gapMm - valve.wantMm))
  const nearest = leastMm + Math.round((exactMm - leastMm) / stepMm) * stepMm
  return [nearest, nearest - stepMm, nearest + stepMm].map(tidy).find((shimMm) => {
    const gapMm = valve.shimMm + valve.gapMm - shimMm
    const made = shimMm >= leastMm - 1e-9 && shimMm <= mostMm + 1e-9
    return made && gapMm >= valve.leastMm - 1e-9 && gapMm <= valve.mostMm + 1e-9
  })
}
