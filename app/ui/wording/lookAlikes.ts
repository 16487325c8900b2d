import { judgeAlike, type ToldApart } from '@link-count/core/lookAlikes'
import { upperFirst } from './upperFirst'

export const differsWords: Readonly<
  Record<ToldApart['by'], { readonly name: string; readonly example: string; readonly seen: string }>
> = {
  length: { name: 'length', example: '148 mm', seen: 'measured' },
  bore: { name: 'bore', example: '20.1 mm', seen: 'measured' },
  teeth: { name: 'teeth', example: '19', seen: 'counted' },
  stamp: { name: 'what is stamped', example: 'R2', seen: 'read on it' },
  letters: { name: 'how letters stand', example: 'upright', seen: 'seen on it' },
}

/** Parts that look alike, on one line. */
export const toldApartLine = ({ what, by, ones }: Pick<ToldApart, 'what' | 'by' | 'ones'>): string =>
  `${what}, by ${differsWords[by].name}: ${ones.map(({ name, reads }) => `${name} ${reads}`).join(', ')}`

/** Where a book says otherwise than what is seen, and what this does not tell apart: a sentence each. */
export function alikeWarnings(told: Pick<ToldApart, 'by' | 'ones'>): string[] {
  const { against, notTold } = judgeAlike(told)
  const { name, seen } = differsWords[told.by]
  return [
    ...against.map(
      (one) =>
        `${upperFirst(one.name)}: the book or model year says ${one.book}, ${one.reads} is ${seen}. What is ${seen} holds.`,
    ),
    ...notTold.map(([a, b]) => `${upperFirst(a.name)} and ${b.name} read the same: ${name} does not tell them apart.`),
  ]
}
