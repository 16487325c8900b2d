import type { Answer } from './answers'
import { figureKey, type Figure } from './figures'

/** A figure that is wanted, and what it would buy. */
export interface Gain {
  readonly figure: Figure
  /** Answers that this one figure would settle. */
  readonly settles: readonly Answer[]
  /** Answers that it would bring nearer. */
  readonly helps: readonly Answer[]
}

/** The figure that buys most: the one that settles most answers; then the one that the most answers want, each the more the less else they want; then the one that
 *  is measured first. `cannot`: keys of figures that cannot be got at: ways that need one are no ways. Undefined when nothing more can be answered. */
export function nextFigure(answers: readonly Answer[], cannot: ReadonlySet<string> = new Set()): Gain | undefined {
  return gainsOf(answers, cannot)[0]
}

/** Every figure that is wanted, the one that buys most first. */
export function gainsOf(answers: readonly Answer[], cannot: ReadonlySet<string> = new Set()): Gain[] {
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
  const weighed = [...found.values()].map(({ figure, least }) => {
    const of = [...least]
    return {
      gain: {
        figure,
        settles: of.flatMap(([answer, n]) => (n === 1 ? [answer] : [])),
        helps: of.flatMap(([answer, n]) => (n > 1 ? [answer] : [])),
      },
      weight: of.reduce((sum, [, n]) => sum + 1 / n, 0),
    }
  })
  return weighed
    .sort((a, b) => b.gain.settles.length - a.gain.settles.length || b.weight - a.weight)
    .map(({ gain }) => gain)
}
