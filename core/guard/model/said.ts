import type { Happening } from './history'
import type { Link, SaidQuestions, World } from './world'

const disputed =
  (w: World) =>
  (
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
    w.ask(`disputed ${name}`, n, () => {
      let open = false
      for (let j = 0; j < n; j++) {
        const one = w.all[j] as Happening
        const unknown = (value?: string) =>
          w.all.slice(0, j).some((other, i) => {
            const said = says(other)
            const overtaken = w.all.slice(i + 1, j).some((later) => says(later) !== undefined && w.knew(later, other))
            return (
              said !== undefined && !w.knew(one, other) && !overtaken && (value === undefined || disagree(said, value))
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

const linkDisputed =
  (w: World) =>
  ({ kind, id }: Link, n: number) =>
    disputed(w)(`${kind} ${id}`, n, {
      says: (one) =>
        one.kind === 'loop' && kind === 'loop' && one.loopId === id
          ? one.change
          : one.kind === 'moved' && kind === 'loop' && one.loopId === id
            ? 'on'
            : one.kind === 'coupling' && kind === 'coupling' && one.couplingId === id
              ? one.change
              : undefined,
      disagree: differ,
      settles: w.settledOf(kind, id),
    })

const itemDisputed = (w: World) => (id: string, n: number) =>
  disputed(w)(`item ${id}`, n, {
    says: (one) => (one.kind === 'item' && one.itemId === id ? one.change : undefined),
    disagree: differ,
    settles: w.settledOf('item', id),
  })

const tensionerDisputed = (w: World) => (id: string, n: number) =>
  disputed(w)(`tensioner ${id}`, n, {
    says: (one) => (one.kind === 'tensioner' && one.memberId === id ? one.state : undefined),
    disagree: differ,
    settles: w.settledOf('tensioner', id),
  })

const camshaftDisputed = (w: World) => (id: string, n: number) =>
  disputed(w)(`camshaft ${id}`, n, {
    says: (one) =>
      one.kind === 'camshaft' && one.shaftId === id
        ? one.is === 'seenShut'
          ? 'held'
          : one.is
        : one.kind === 'camSet' && one.shaftId === id && w.isLoose(id, w.all.indexOf(one))
          ? 'moved'
          : undefined,
    disagree: differ,
    settles: w.settledOf('camshaft', id),
  })

const crankSays = (one: Happening) =>
  one.kind === 'turned'
    ? 'turned'
    : one.kind === 'witness'
      ? 'witness'
      : one.kind === 'stands'
        ? `${one.place} ${one.markId ?? one.shaftId ?? one.cylinderId}`
        : undefined

const crankDisputed = (w: World) => (n: number) =>
  disputed(w)('crank', n, {
    says: w.crankSays,
    disagree: (a, b) => a === 'turned' || b === 'turned' || (a !== b && a !== 'witness' && b !== 'witness'),
    settles: (one) => one.kind === 'stands',
  })

/** What people who did not know of each other said of one thing. */
export const saidQuestions = (w: World): SaidQuestions => ({
  settledOf,
  linkDisputed: linkDisputed(w),
  itemDisputed: itemDisputed(w),
  tensionerDisputed: tensionerDisputed(w),
  camshaftDisputed: camshaftDisputed(w),
  crankSays,
  crankDisputed: crankDisputed(w),
})
