import type { MoveProblem, Mover } from './moves'
import { MOST_SLIDES } from './sharedSlides'
import { countOf, waysOf, type Ways } from './waysOfCam'

/** Camshafts that share movers, and what they share, by which of them it moves. */
export interface Shared {
  readonly cams: ReadonlySet<number>
  readonly ways: Ways
}
export interface Stepless {
  readonly cams: ReadonlySet<number>
  readonly one: MoveProblem['shared'][number]
}
export interface Part {
  readonly cams: readonly number[]
  readonly shared: readonly Shared[]
  readonly stepless: readonly Stepless[]
}

/** All camshafts, with what moves several of them put together by which it moves; what moves most of them first. */
export function wholeOf({ cams, shared, cycleDeg }: MoveProblem): Part {
  const setOf = (camIds: readonly string[]) => new Set(cams.flatMap(({ id }, i) => (camIds.includes(id) ? [i] : [])))
  const groups = new Map<string, { cams: ReadonlySet<number>; movers: Mover[] }>()
  for (const { mover, camIds } of shared.filter(({ mover: { by } }) => by.kind !== 'range')) {
    const set = setOf(camIds)
    const key = [...set].join(' ')
    const group = groups.get(key) ?? { cams: set, movers: [] }
    group.movers.push(mover)
    groups.set(key, group)
  }
  return {
    cams: cams.map((_cam, i) => i),
    shared: [...groups.values()]
      .map(({ cams: set, movers }) => ({ cams: set, ways: waysOf(movers, cycleDeg) }))
      .sort((a, b) => b.cams.size - a.cams.size),
    stepless: shared
      .filter(({ mover: { by } }) => by.kind === 'range')
      .map((one) => ({ cams: setOf(one.camIds), one })),
  }
}

/** The parts that share nothing any more. */
export function apart({ cams, shared, stepless }: Part): Part[] {
  const partOf = new Map(cams.map((cam) => [cam, cam]))
  for (const { cams: set } of [...shared, ...stepless]) {
    const [first, ...rest] = [...set].flatMap((cam) => partOf.get(cam) ?? [])
    for (const other of rest)
      for (const [cam, of] of partOf) if (of === other && first !== undefined) partOf.set(cam, first)
  }
  return [...new Set(partOf.values())].map((of) => {
    const own = cams.filter((cam) => partOf.get(cam) === of)
    const touches = ({ cams: set }: { readonly cams: ReadonlySet<number> }) => own.some((cam) => set.has(cam))
    return { cams: own, shared: shared.filter(touches), stepless: stepless.filter(touches) }
  })
}

/** How often camshafts that share nothing stepped any more are settled. */
export function leavesOf(part: Part): number {
  const parts = apart(part)
  if (parts.length > 1) return parts.reduce((sum, one) => sum + leavesOf(one), 0)
  const [widest, ...rest] = part.shared
  return widest ? countOf(widest.ways) * leavesOf({ ...part, shared: rest }) : 1
}

/** How many places of one camshaft are looked at in all. */
export function looksOf(part: Part, ways: readonly Ways[]): number {
  const parts = apart(part)
  if (parts.length > 1) return parts.reduce((sum, one) => sum + looksOf(one, ways), 0)
  const [widest, ...rest] = part.shared
  if (widest) return countOf(widest.ways) * looksOf({ ...part, shared: rest }, ways)
  const slides = 1 + part.stepless.length * MOST_SLIDES
  return slides * part.cams.reduce((sum, i) => sum + countOf(ways[i] as Ways), 0)
}
