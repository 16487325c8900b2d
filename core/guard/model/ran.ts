import type { Entry } from '../../model'
import type { Happening } from './history'
import type { RanQuestions, World } from './world'

/** Somebody's word that it ran so, and what ends it. */
export function ranQuestions(w: World): RanQuestions {
  const { all, knew } = w
  const touchesDrive = (one: Happening, i: number) =>
    one.kind === 'settled'
      ? (['loop', 'coupling'].includes(one.part.about) &&
          !w.linkDisputed({ kind: one.part.about as 'loop', id: one.part.id }, i + 1) &&
          settledTouches(i)) ||
        w.linksAt(i + 1).some((link) => w.acts(link, i))
      : w.linksAt(i + 1).some((link) => w.acts(link, i))
  const settledTouches = (i: number) => {
    const one = all[i] as Extract<Entry, { kind: 'settled' }>
    return !(
      one.part.is === 'asItRan' && w.settles({ kind: one.part.about as 'loop', id: one.part.id }, i) === 'asItRan'
    )
  }
  const ranHolds = (i: number): boolean => {
    const one = all[i] as Happening
    if (one.kind !== 'ranUntilNow' || one.says !== 'yes') return false
    const begun = all.slice(0, i).findLastIndex((other) => other.kind === 'begins')
    const start = all
      .slice(0, i)
      .findLastIndex((other, k) => k >= 0 && other.kind === 'begins' && other.job.id === one.jobId)
    const from = Math.max(begun, start)
    return (
      !all.slice(from, i).some((other, k) => other.kind !== 'begins' && touchesDrive(other, from + k)) &&
      w
        .linksAt(i)
        .every((link) => w.linkIs(link, i) === 'on' && w.changesOf(link, i).every((change) => knew(one, change))) &&
      !anyDispute(w, i) &&
      allShafts(i).every((shaft) => w.camshaftAt(shaft, i).is === 'driven')
    )
  }
  const allShafts = (n: number) => [
    ...new Set(
      all
        .slice(0, n)
        .flatMap((one) =>
          one.kind === 'camshaft'
            ? [one.shaftId]
            : one.kind === 'settled' && one.part.about === 'camshaft'
              ? [one.part.id]
              : [],
        ),
    ),
  ]
  const cylindersOf = (shaft: string) =>
    w.sheet.cams.filter(({ shaftId }) => shaftId === shaft).map(({ cylinderId }) => cylinderId)
  /** What was touched leaves a camshaft, and every valve of its cylinders, where they were. */
  const leaves = (shaft: string, one: Happening, i: number) =>
    one.kind !== 'settled' &&
    cylindersOf(shaft).length > 0 &&
    w
      .linksAt(i + 1)
      .filter((link) => w.acts(link, i) !== undefined)
      .every(
        (link) =>
          w.isOnSheet(link, w.sheet) &&
          w
            .behind(link, w.sheet)
            .every((moved) => moved !== shaft && !cylindersOf(moved).some((id) => cylindersOf(shaft).includes(id))),
      )
  const ranSo = (shaft: string, n: number): boolean => {
    for (let i = n - 1; i >= 0; i--) {
      const one = all[i] as Happening
      if (one.kind === 'begins' && one.job.arrival === 'everyLoopOff') return false
      if (one.kind === 'ranUntilNow') return ranHolds(i) || (one.says === 'yes' && ranSo(shaft, i))
      if (one.kind !== 'begins' && touchesDrive(one, i) && !leaves(shaft, one, i)) return false
    }
    return false
  }
  return { touchesDrive, ranHolds, ranSo }
}

const anyDispute = (w: World, n: number) =>
  w.crankDisputed(n) ||
  w.linksAt(n).some((link) => w.linkDisputed(link, n)) ||
  w.all
    .slice(0, n)
    .some(
      (one) =>
        (one.kind === 'item' && w.itemDisputed(one.itemId, n)) ||
        (one.kind === 'tensioner' && w.tensionerDisputed(one.memberId, n)) ||
        (one.kind === 'camshaft' && w.camshaftDisputed(one.shaftId, n)),
    )
