import type { BuildSheet, Relief } from '../../model'
import type { Happening } from './history'
import type { CamshaftQuestions, Link, World } from './world'

const bySprings = ({ valvesShutBy }: BuildSheet) => valvesShutBy === undefined || valvesShutBy === 'springs'

/** Camshafts, and whose valves are relieved. */
export function camshaftQuestions(w: World): CamshaftQuestions {
  const { all, ask } = w
  const camshaftAt = (shaft: string, n: number): { is: string; shut: boolean } =>
    ask(`camshaft ${shaft}`, n, () => {
      if (n === 0) return { is: 'driven', shut: false }
      const was = camshaftAt(shaft, n - 1)
      const one = all[n - 1] as Happening
      if (one.kind === 'camshaft' && one.shaftId === shaft) {
        if (w.camshaftDisputed(shaft, n)) return { is: 'unknown', shut: false }
        if (one.is === 'seenShut') return { ...was, shut: was.is === 'held' || was.shut }
        return { is: one.is, shut: was.is === 'held' && one.is === 'held' && was.shut }
      }
      if (
        one.kind === 'settled' &&
        one.part.about === 'camshaft' &&
        one.part.id === shaft &&
        !w.camshaftDisputed(shaft, n)
      ) {
        if (one.part.is === 'gone') return { is: 'driven', shut: false }
        return { is: one.part.is, shut: was.is === 'held' && one.part.is === 'held' && was.shut }
      }
      if (one.kind === 'camSet' && one.shaftId === shaft && isLoose(shaft, n - 1))
        return { is: w.camshaftDisputed(shaft, n) ? 'unknown' : was.is, shut: false }
      const on = (link: Link) => w.acts(link, n - 1) === 'on'
      return w.linksAt(n).some((link) => on(link) && w.behind(link, w.sheetAt(n)).includes(shaft))
        ? { ...was, shut: false }
        : was
    })
  const isLoose = (shaft: string, n: number) =>
    camshaftAt(shaft, n).is === 'out' || w.wayTo(shaft, w.sheetAt(n + 1)).some((link) => w.linkIs(link, n) !== 'on')
  const relieved = (shaft: string, n: number, on: BuildSheet): boolean => {
    const { is, shut } = camshaftAt(shaft, n)
    const works = on.cams.filter((cam) => cam.shaftId === shaft)
    if (is === 'out' && bySprings(on)) return true
    if (is === 'held' && shut && new Set(works.map(({ cylinderId }) => cylinderId)).size === 1) return true
    const reliefs = w
      .itemsIn(n)
      .flatMap(({ item: { item, of, where } }): Relief[] =>
        item !== 'valvesRelieved' && (item !== 'headOff' || !bySprings(on))
          ? []
          : of
            ? [of]
            : where.trim() === ''
              ? [{ what: 'all' }]
              : [],
      )
    if (reliefs.some((one) => one.what === 'all' || (one.what === 'camshaft' && one.id === shaft))) return true
    return (
      works.length > 0 &&
      works.every((cam) =>
        reliefs.some(
          (one) =>
            one.what !== 'all' &&
            (one.id === cam.id ||
              one.id === cam.cylinderId ||
              one.id === on.cylinders.find(({ id }) => id === cam.cylinderId)?.bankId),
        ),
      )
    )
  }
  return { camshaftAt, isLoose, relieved }
}
