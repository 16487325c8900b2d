import type { Answer } from './answers'
import { figureKey, type Figure } from './figures'

/** A figure that is wanted, and what it would buy. */
export interface Gain {
  readonly figure: Figure
  /** Answers that this one figure would settle. */
  readonly settles: readonly Answer[]
  /** Answers that it would bring nearer. */
  readonly helps: readonly Answer[]
  /** How many times their tolerance it narrows them by, all added up. */
  readonly narrows: number
}

/** By answer, then by figure, how many tolerances a figure narrows an answer by. */
type Falls = ReadonlyMap<string, ReadonlyMap<string, number>>
interface Weighing {
  /** Keys of figures that cannot be got at: ways that need one are no ways. */
  readonly cannot?: ReadonlySet<string>
  readonly falls?: Falls
}

/** The figure that buys most: the one that settles most answers; then the one that narrows most, in tolerances, each way the more the less else it wants; then the
 *  one that is measured first. Undefined when nothing more can be answered. */
export function nextFigure(answers: readonly Answer[], weighing: Weighing = {}): Gain | undefined {
  return gainsOf(answers, weighing)[0]
}

/** Every figure that is wanted, the one that buys most first. */
export function gainsOf(
  answers: readonly Answer[],
  { cannot = new Set(), falls = new Map() }: Weighing = {},
): readonly Gain[] {
  const found = new Map<string, { readonly figure: Figure; readonly least: Map<Answer, number> }>()
  for (const answer of answers) {
    for (const way of answer.ways) {
      if (way.some((figure) => cannot.has(figureKey(figure)))) continue
      for (const figure of way) {
        const key = figureKey(figure)
        const one = found.get(key) ?? { figure, least: new Map<Answer, number>() }
        one.least.set(answer, Math.min(one.least.get(answer) ?? Infinity, way.length))
        found.set(key, one)
      }
    }
  }
  return [...found]
    .map(([key, { figure, least }]) => {
      const of = [...least]
      const fall = ({ id }: Answer) => falls.get(id)?.get(key) ?? 0
      return {
        gain: {
          figure,
          settles: of.flatMap(([answer, n]) => (n === 1 ? [answer] : [])),
          helps: of.flatMap(([answer, n]) => (n > 1 ? [answer] : [])),
          narrows: of.reduce((sum, [answer]) => sum + fall(answer), 0),
        },
        // What is read to nothing of a tolerance still brings an answer nearer.
        weight: of.reduce((sum, [answer, n]) => sum + (1 + fall(answer)) / n, 0),
      }
    })
    .sort((a, b) => b.gain.settles.length - a.gain.settles.length || b.weight - a.weight)
    .map(({ gain }) => gain)
}
