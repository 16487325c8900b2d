import { tdcOnOneTurn } from '../../cylinders'
import type { Entry } from '../../model'
import type { Happening } from './history'
import type { ItemIn, RegisterQuestions, World } from './world'

/** What is in, out or loose, and where the crank stood when it was put there. */
export function registerQuestions(w: World): RegisterQuestions {
  const { all, ask } = w
  const itemsIn = (n: number): ItemIn[] =>
    ask('items', n, () => {
      const ids = [...new Set(all.slice(0, n).flatMap((one) => (one.kind === 'item' ? [one.itemId] : [])))]
      return ids.flatMap((id) => itemIn(id, n) ?? [])
    })
  /** Said again while it is in, it is in where it first went in. */
  const itemIn = (id: string, n: number): ItemIn | undefined => {
    let now: ItemIn | undefined
    let last: ItemIn | undefined
    all.slice(0, n).forEach((one, i) => {
      if (one.kind === 'item' && one.itemId === id) {
        const fresh = { item: one, since: now ? now.since : i }
        last = one.change === 'in' ? fresh : (last ?? fresh)
        now = one.change === 'in' || w.itemDisputed(id, i + 1) ? last : undefined
      }
      if (one.kind === 'settled' && w.settledOf('item', id)(one) && !w.itemDisputed(id, i + 1) && last)
        now = one.part.is === 'in' ? last : undefined
    })
    return now
  }
  /** Where the crank stood when something was put in or let go, while that can be told. */
  const stoodThen = (i: number, n: number): number | undefined => {
    const doubts = all.slice(0, n).map((one, k) => k >= i && w.crankSays(one) !== undefined && w.crankDisputed(k + 1))
    const lastDoubt = doubts.lastIndexOf(true)
    if (lastDoubt < 0) return w.total(i)
    const seen = all.slice(0, n).findIndex((one, k) => k > lastDoubt && standsTaken(k, one))
    return seen < 0 ? undefined : w.total(seen + 1)
  }
  const standsTaken = (k: number, one: Happening) =>
    (one.kind === 'stands' && !w.crankDisputed(k + 1) && !w.crankAt(k + 1).against && tdcOf(one, k) !== undefined) ||
    (one.kind === 'settled' && one.part.about === 'crank' && w.crankAt(k).against?.entry.id === one.part.id)
  const tdcOf = (one: Extract<Entry, { kind: 'stands' }>, k: number) =>
    one.place === 'pose' ? 0 : tdcOnOneTurn(w.sheetAt(k + 1), one.cylinderId)
  return { itemsIn, stoodThen }
}
