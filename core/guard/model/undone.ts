import { crankPlace } from '../../ledger/rotation'
import type { Entry } from '../../model'
import type { Happening } from './history'
import { wrap, type Link, type Undone, type UndoneQuestions, type World } from './world'

const undoneNow =
  (w: World) =>
  (link: Link, i: number): Undone => {
    const one = w.all[i] as Entry
    const unknown: Undone = { at: 'unknown', total: undefined }
    const blind = w.all.slice(0, i).some((other, k) => {
      const overtaken = w.all.slice(k + 1, i).some((later) => w.crankSays(later) !== undefined && w.knew(later, other))
      return w.crankSays(other) !== undefined && !overtaken && !w.knew(one, other)
    })
    if (blind || w.crankDisputed(i)) return unknown
    const on = w.sheetAt(i + 1)
    const { rotation, poseSeen, ownSeen, against } = w.crankAt(i)
    const place = w.placeOf(link, on)
    const seen = place === on.referencePose.crankDeg.value ? poseSeen : ownSeen
    const here = rotation.totalDeg
    if (seen !== undefined && Math.abs(here - seen) <= w.trim) return { at: 'pose', total: here }
    const { deg } = crankPlace(rotation, on, undefined).place
    if (deg === undefined || against || !rotation.reference) return unknown
    return {
      at: Math.abs(wrap(deg - place, on.cycleDeg)) <= w.trim ? 'pose' : 'elsewhere',
      total: here,
    }
  }

const undoneAt =
  (w: World) =>
  (link: Link, n: number, { afterDoubtOf }: { afterDoubtOf?: number } = {}): Undone => {
    const found = w.ask(`undone ${link.kind} ${link.id}`, n, (): Undone => {
      if (n === 0) return undefined
      const one = w.all[n - 1] as Happening
      const was = w.undoneAt(link, n - 1)
      const unknown: Undone = { at: 'unknown', total: undefined }
      const ended: Undone = { at: 'ended', total: undefined }
      if (one.kind === 'begins') {
        if (
          one.job.arrival === 'everyLoopOff' &&
          link.kind === 'loop' &&
          w.isOnSheet(link, one.sheet) &&
          w.linkIs(link, n - 1) === 'on'
        )
          return unknown
        if (w.isFirst(n - 1) || !was) return was
        return w.linkProved(link, n - 1) ? undefined : was.at === 'pose' ? ended : was
      }
      const settled = w.settles(link, n - 1)
      if (settled === 'became') return w.undoneAt(w.heirOf(link, n - 1), n - 1)
      if (settled === 'asItRan') return undefined
      if (settled) return settled === 'off' || was ? ended : undefined
      if (one.kind === 'ranUntilNow' && w.ranHolds(n - 1)) return undefined
      let now = was
      if (w.acts(link, n - 1) && (!was || w.linkProved(link, n - 1))) now = undoneNow(w)(link, n - 1)
      if (
        now &&
        w.crankSays(one) !== undefined &&
        (w.crankDisputed(n) || (one.kind === 'turned' && w.changesOf(link, n).some((change) => !w.knew(one, change))))
      )
        now = unknown
      if (
        now &&
        one.kind === 'settled' &&
        one.part.about === 'crank' &&
        w.crankAt(n - 1).against?.entry.id === one.part.id
      )
        now = ended
      if (
        now &&
        now.at !== 'elsewhere' &&
        endsTrim(w)(n - 1).some((shaft) => w.behind(link, w.sheetAt(n)).includes(shaft))
      )
        now = ended
      return now
    })
    return found && afterDoubtOf !== undefined && w.crankDisputed(afterDoubtOf)
      ? { at: 'unknown', total: undefined }
      : found
  }

/** Camshafts that this entry moved, put in, or left without what relieved them. */
const endsTrim =
  (w: World) =>
  (i: number): string[] => {
    const one = w.all[i] as Happening
    const on = w.sheetAt(i + 1)
    if (one.kind === 'camSet') return w.isLoose(one.shaftId, i) ? [one.shaftId] : []
    return w
      .shaftsOn(on)
      .filter(
        (shaft) =>
          (w.relieved(shaft, i, on) && !w.relieved(shaft, i + 1, on)) ||
          (w.camshaftAt(shaft, i).is === 'out' && w.camshaftAt(shaft, i + 1).is !== 'out') ||
          (one.kind === 'camshaft' &&
            one.shaftId === shaft &&
            one.is !== 'seenShut' &&
            w.camshaftAt(shaft, i).is === 'out'),
      )
  }

/** Where links came undone, and what ends that. */
export const undoneQuestions = (w: World): UndoneQuestions => ({
  undoneAt: undoneAt(w),
})
