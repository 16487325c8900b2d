import type { Entry } from '../../model'
import type { Happening } from './history'
import type { Is, Link, LinkQuestions, World } from './world'

const linksAt =
  (w: World) =>
  (n: number): Link[] =>
    w.ask('links', n, () => {
      const seen = new Map<string, Link>()
      const add = (link: Link) => seen.set(`${link.kind} ${link.id}`, link)
      for (let i = 0; i < n; i++) {
        const one = w.all[i] as Happening
        if (one.kind === 'begins') {
          for (const { id } of one.sheet.loops) add({ kind: 'loop', id })
          for (const { id } of one.sheet.couplings) add({ kind: 'coupling', id })
        }
        if (one.kind === 'loop' || one.kind === 'moved') add({ kind: 'loop', id: one.loopId })
        if (one.kind === 'coupling') add({ kind: 'coupling', id: one.couplingId })
        if (one.kind === 'adjusted')
          for (const { id } of w.history.sheets.find((sheet) => sheet.id === one.sheetId)?.loops ?? [])
            if (setsOtherwise(w)(one, id)) add({ kind: 'loop', id })
        if (one.kind !== 'settled') continue
        const { part } = one
        if (part.about !== 'loop' && part.about !== 'coupling') continue
        const link: Link = { kind: part.about, id: part.id }
        if (w.linkDisputed(link, i + 1)) continue
        const on = w.sheetAt(i + 1)
        if (part.is === 'gone' && !w.isOnSheet(link, on)) seen.delete(`${part.about} ${part.id}`)
        else if (part.is === 'became') {
          const heir = part.became === undefined ? undefined : { kind: part.about, id: part.became }
          if (!heir || !w.isOnSheet(heir, on) || w.isOnSheet(link, on)) continue
          seen.delete(`${part.about} ${part.id}`)
          add(heir)
        } else if (part.is !== 'gone') add(link)
      }
      return [...seen.values()]
    })

/** The entry, if it does something to the link: undoes it, puts it back, lays it otherwise, or touches the camshaft at its end. */
const acts =
  (w: World) =>
  (link: Link, i: number): 'off' | 'on' | 'moved' | 'end' | undefined => {
    const one = w.all[i] as Happening
    if (one.kind === 'loop' && link.kind === 'loop' && one.loopId === link.id) return one.change
    if (one.kind === 'moved' && link.kind === 'loop' && one.loopId === link.id) return 'moved'
    if (one.kind === 'adjusted') return link.kind === 'loop' && setsOtherwise(w)(one, link.id) ? 'end' : undefined
    if (one.kind === 'coupling' && link.kind === 'coupling' && one.couplingId === link.id)
      return one.change === 'apart' ? 'off' : 'on'
    const onlyLooked = one.kind === 'camSet' || (one.kind === 'camshaft' && one.is === 'seenShut')
    const shaft =
      one.kind === 'camshaft' || (one.kind === 'camSet' && w.isLoose(one.shaftId, i))
        ? one.shaftId
        : one.kind === 'settled' && one.part.about === 'camshaft' && one.part.is !== 'gone'
          ? one.part.id
          : undefined
    if (shaft === undefined || (one.kind === 'settled' && w.camshaftDisputed(shaft, i + 1))) return undefined
    const last = w.wayTo(shaft, w.sheetAt(i + 1)).at(-1)
    const [was, is] = [w.camshaftAt(shaft, i).is, w.camshaftAt(shaft, i + 1).is]
    const comesLoose = is === 'unknown' || (!onlyLooked && (is === 'out' || was === 'out'))
    return last?.id === link.id && comesLoose ? 'end' : undefined
  }

/** A hub or key moved on a sprocket of the loop; where nobody knows on which, of any. */
const setsOtherwise =
  (w: World) =>
  ({ sheetId, adjusterId }: Extract<Entry, { kind: 'adjusted' }>, loopId: string) => {
    const on = w.history.sheets.find(({ id }) => id === sheetId)
    const memberId = on?.adjusters.find(({ id }) => id === adjusterId)?.memberId
    const round = on?.loops.filter(({ path }) => path.some((part) => part.memberId === memberId)) ?? []
    return (round.length > 0 ? round : (on?.loops ?? [])).some(({ id }) => id === loopId)
  }

/** What a settled entry makes of the link; `became` of the part that it now is. */
const settles =
  (w: World) =>
  (link: Link, i: number): string | undefined => {
    const one = w.all[i] as Happening
    if (one.kind !== 'settled' || one.part.about !== link.kind) return undefined
    const old: Link = { kind: link.kind, id: one.part.id }
    if (w.linkDisputed(old, i + 1)) return undefined
    if (one.part.is === 'became')
      return 'became' in one.part &&
        one.part.became === link.id &&
        w.isOnSheet(link, w.sheetAt(i + 1)) &&
        !w.isOnSheet(old, w.sheetAt(i + 1))
        ? 'became'
        : undefined
    if (one.part.id !== link.id || one.part.is === 'gone') return undefined
    if (one.part.is === 'asItRan')
      return w.changesOf(link, i).length === 0 && w.linkIs(link, i) !== 'off' ? 'asItRan' : undefined
    return one.part.is === 'off' || one.part.is === 'apart' ? 'off' : 'on'
  }

const heirOf =
  (w: World) =>
  (link: Link, i: number): Link => ({
    kind: link.kind,
    id: (w.all[i] as Entry & { part: { id: string } }).part.id,
  })

const linkIs =
  (w: World) =>
  (link: Link, n: number): Is =>
    w.ask(`is ${link.kind} ${link.id}`, n, () => {
      if (n === 0) return 'on'
      const was = w.linkIs(link, n - 1)
      const one = w.all[n - 1] as Happening
      if (one.kind === 'begins')
        return one.job.arrival === 'everyLoopOff' &&
          link.kind === 'loop' &&
          w.isOnSheet(link, one.sheet) &&
          was === 'on'
          ? 'off'
          : was
      const settled = w.settles(link, n - 1)
      if (settled === 'became') return w.linkIs(w.heirOf(link, n - 1), n - 1)
      if (settled) return settled === 'off' ? 'off' : 'on'
      const act = w.acts(link, n - 1)
      if (act === undefined || act === 'end') return was
      if (w.linkDisputed(link, n)) return 'unknown'
      return act === 'moved' ? was : act
    })

const changesOf =
  (w: World) =>
  (link: Link, n: number): Entry[] =>
    w.ask(`changes ${link.kind} ${link.id}`, n, () => {
      if (n === 0) return []
      const one = w.all[n - 1] as Happening
      const were = w.changesOf(link, n - 1)
      if (one.kind === 'begins') return !w.isFirst(n - 1) && w.linkProved(link, n - 1) ? [] : were
      const settled = w.settles(link, n - 1)
      if (settled === 'became') return [...w.changesOf(w.heirOf(link, n - 1), n - 1), one]
      if (settled) return settled === 'asItRan' ? [] : [one]
      if (one.kind === 'ranUntilNow' && w.ranHolds(n - 1)) return []
      return w.acts(link, n - 1) ? [...were.filter((other) => !w.knew(one, other)), one] : were
    })

const lastChangedIn =
  (w: World) =>
  (link: Link, n: number): string | undefined => {
    for (let i = n - 1; i >= 0; i--) {
      const one = w.all[i] as Happening
      if (one.kind !== 'begins' && (w.acts(link, i) || w.settles(link, i))) return one.jobId
    }
    return undefined
  }

/** Loops and couplings: which there are, how each is, and what was done to it that has to be proved. */
export const linkQuestions = (w: World): LinkQuestions => ({
  linksAt: linksAt(w),
  acts: acts(w),
  settles: settles(w),
  heirOf: heirOf(w),
  linkIs: linkIs(w),
  changesOf: changesOf(w),
  lastChangedIn: lastChangedIn(w),
})
