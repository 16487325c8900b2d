import type { BuildSheet } from '../../model'
import { shaftOfEnd } from './drive'
import type { Happening } from './history'
import type { Late, Link, ProofQuestions, World } from './world'

const outOf =
  (w: World) =>
  (
    shaft: string,
    n: number,
    on = w.sheetAt(n),
  ): { total: number | undefined; by: 'read' | 'count'; size: number } | undefined => {
    const safe = w.safeOut(shaft, on)
    const read = w
      .lastOfEach(shaft, n)
      .flatMap(({ last, other }) => [last, other ?? []].flat())
      .flatMap((one) => {
        const said = w.saidBy(one)
        return said && w.says(said, safe) === 'out'
          ? [{ total: one.total as number | undefined, by: 'read' as const, size: Math.abs(said.latenessDeg) }]
          : []
      })
    const counted = w.wayTo(shaft, on).flatMap((link) => {
      const late = w.teethLate(link, n)
      if (!late || countRight(w)(late, shaft, on, safe)) return []
      return [
        {
          total: late.total as number | undefined,
          by: 'count' as const,
          size: Math.abs(late.exact) * w.toothOf(shaft, on),
        },
      ]
    })
    return [...read, ...counted].sort((a, b) => b.size - a.size)[0]
  }

const countRight = (w: World) => (late: Late, shaft: string, on: BuildSheet, safe: number) =>
  late.teeth === 0 || Math.abs(late.exact) * w.toothOf(shaft, on) + w.toothOf(shaft, on) / 2 <= safe

const suspect =
  (w: World) =>
  (link: Link, n: number): boolean =>
    w.ask(`suspect ${link.kind} ${link.id}`, n, () => {
      if (n === 0) return false
      const one = w.all[n - 1] as Happening
      if (one.kind === 'begins') return w.suspect(link, n - 1)
      const settled = w.settles(link, n - 1)
      if (settled === 'asItRan') return false
      if (settled === 'became') return w.suspect(w.heirOf(link, n - 1), n - 1)
      if (one.kind === 'ranUntilNow' && w.ranHolds(n - 1)) return false
      const on = w.sheetAt(n)
      const touched = w.linksAt(n).filter((other) => other.id !== link.id && w.acts(other, n - 1) !== undefined)
      const accused = touched.some((other) =>
        w
          .behind(other, on)
          .some((shaft) => w.outOf(shaft, n - 1, on) && w.wayTo(shaft, on).some(({ id }) => id === link.id)),
      )
      return accused || w.suspect(link, n - 1)
    })

const linkRight =
  (w: World) =>
  (link: Link, shaft: string, n: number, on: BuildSheet): boolean => {
    if (w.linkIs(link, n) !== 'on') return false
    const late = w.teethLate(link, n)
    if (late) return countRight(w)(late, shaft, on, w.safeOut(shaft, on))
    return w.changesOf(link, n).length === 0 && !w.suspect(link, n)
  }

const provedAt =
  (w: World) =>
  (n: number, on = w.sheetAt(n)): Set<string> =>
    w.ask(`proved on ${on.id}`, n, () => {
      const shafts = w.shaftsOn(on)
      const good = shafts.filter(
        (shaft) =>
          !w.outOf(shaft, n, on) &&
          w.lastOfEach(shaft, n).some(({ last, other }) => {
            const said = last.proves ? w.saidBy(last) : undefined
            const safe = w.safeOut(shaft, on)
            if (!said || !w.tells(last, said, on) || w.says(said, safe) !== 'in') return false
            const against = other && w.saidBy(other)
            return !against || w.says(against, safe) === 'in'
          }),
      )
      const proved = new Set(['crank', ...good])
      for (let again = true; again;) {
        again = false
        for (const shaft of shafts) {
          const link = w.wayTo(shaft, on).at(-1)
          const joint = link?.kind === 'coupling' ? on.couplings.find(({ id }) => id === link.id) : undefined
          const from = joint ? shaftOfEnd(on, joint.kind, joint.fromId) : link?.kind === 'coupling' ? '' : 'crank'
          if (
            !link ||
            w.outOf(shaft, n, on) ||
            (from !== 'crank' && w.outOf(from, n, on)) ||
            !linkRight(w)(link, shaft, n, on)
          )
            continue
          for (const [a, b] of [
            [from, shaft],
            [shaft, from],
          ] as const)
            if (proved.has(a) && !proved.has(b)) {
              proved.add(b)
              again = true
            }
        }
      }
      return proved
    })

const linkProved =
  (w: World) =>
  (link: Link, n: number): boolean => {
    if (w.linkIs(link, n) !== 'on') return false
    const on = w.sheetAt(n)
    return w.behind(link, on).every((shaft) => w.provedAt(n, on).has(shaft))
  }

/** What was read proves, and what it says is out. */
export const proofQuestions = (w: World): ProofQuestions => ({
  outOf: outOf(w),
  suspect: suspect(w),
  provedAt: provedAt(w),
  linkProved: linkProved(w),
})
