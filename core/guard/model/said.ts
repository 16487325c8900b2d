import type { Happening } from './history'
import type { Link, SaidQuestions, World } from './world'

/** What people who did not know of each other said of one thing. */
export function saidQuestions(w: World): SaidQuestions {
  const { all, ask, knew } = w
  const disputed = (
    name: string,
    n: number,
    {
      says,
      disagree,
      settles,
    }: {
      says: (one: Happening) => string | undefined
      disagree: (a: string, b: string) => boolean
      settles: (one: Happening) => boolean
    },
  ): boolean =>
    ask(`disputed ${name}`, n, () => {
      let open = false
      for (let j = 0; j < n; j++) {
        const one = all[j] as Happening
        const unknown = (value?: string) =>
          all.slice(0, j).some((other, i) => {
            const said = says(other)
            const overtaken = all.slice(i + 1, j).some((later) => says(later) !== undefined && knew(later, other))
            return (
              said !== undefined && !knew(one, other) && !overtaken && (value === undefined || disagree(said, value))
            )
          })
        const value = says(one)
        if (value !== undefined && unknown(value)) open = true
        if (settles(one) && !unknown()) open = false
      }
      return open
    })
  const differ = (a: string, b: string) => a !== b
  const settledOf = (about: string, id: string) => (one: Happening) =>
    one.kind === 'settled' && one.part.about === about && one.part.id === id
  const linkDisputed = ({ kind, id }: Link, n: number) =>
    disputed(`${kind} ${id}`, n, {
      says: (one) =>
        one.kind === 'loop' && kind === 'loop' && one.loopId === id
          ? one.change
          : one.kind === 'moved' && kind === 'loop' && one.loopId === id
            ? 'on'
            : one.kind === 'coupling' && kind === 'coupling' && one.couplingId === id
              ? one.change
              : undefined,
      disagree: differ,
      settles: settledOf(kind, id),
    })
  const itemDisputed = (id: string, n: number) =>
    disputed(`item ${id}`, n, {
      says: (one) => (one.kind === 'item' && one.itemId === id ? one.change : undefined),
      disagree: differ,
      settles: settledOf('item', id),
    })
  const tensionerDisputed = (id: string, n: number) =>
    disputed(`tensioner ${id}`, n, {
      says: (one) => (one.kind === 'tensioner' && one.memberId === id ? one.state : undefined),
      disagree: differ,
      settles: settledOf('tensioner', id),
    })
  const camshaftDisputed = (id: string, n: number) =>
    disputed(`camshaft ${id}`, n, {
      says: (one) =>
        one.kind === 'camshaft' && one.shaftId === id
          ? one.is === 'seenShut'
            ? 'held'
            : one.is
          : one.kind === 'camSet' && one.shaftId === id && w.isLoose(id, w.all.indexOf(one))
            ? 'moved'
            : undefined,
      disagree: differ,
      settles: settledOf('camshaft', id),
    })
  const crankSays = (one: Happening) =>
    one.kind === 'turned'
      ? 'turned'
      : one.kind === 'witness'
        ? 'witness'
        : one.kind === 'stands'
          ? `${one.place} ${one.cylinderId}`
          : undefined
  const crankDisputed = (n: number) =>
    disputed('crank', n, {
      says: crankSays,
      disagree: (a, b) => a === 'turned' || b === 'turned' || (a !== b && a !== 'witness' && b !== 'witness'),
      settles: (one) => one.kind === 'stands',
    })
  return { settledOf, linkDisputed, itemDisputed, tensionerDisputed, camshaftDisputed, crankSays, crankDisputed }
}
