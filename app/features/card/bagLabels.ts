import type { Removal } from '@link-count/core/removals'

/** One bag, and a line for each thing in it. */
export interface BagLabel {
  readonly bag: number
  readonly lines: readonly string[]
}

/** The bags of what came off and is not back, by their numbers. */
export function labelsOf(removals: readonly Removal[]): readonly BagLabel[] {
  const bags = new Map<number, string[]>()
  for (const { entry, back } of removals)
    if (entry.bag !== undefined && !back)
      bags.set(entry.bag, [
        ...(bags.get(entry.bag) ?? []),
        [entry.what, entry.belongs, entry.lies].filter(Boolean).join(', '),
      ])
  return [...bags].sort(([a], [b]) => a - b).map(([bag, lines]) => ({ bag, lines }))
}

/** What the code of a bag says: read by any phone, without a network. */
export const bagText = (engine: string, job: string, { bag, lines }: BagLabel): string =>
  [`${engine}, job ${job}`, `Bag ${bag}`, ...lines].join('\n')
