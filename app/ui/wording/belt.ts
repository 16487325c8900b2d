import type { BuildSheet } from '@link-count/core/model'

/** On an engine that has belts and no chain, nothing is called a chain. */
export function asBelt(words: string, { loops }: Pick<BuildSheet, 'loops'>): string {
  if (loops.length === 0 || loops.some(({ kind }) => kind !== 'toothedBelt')) return words
  return words
    .replace(/\bChain\b/g, 'Belt')
    .replace(/\bchain\b/g, 'belt')
    .replace(/\bsprockets\b/g, 'pulleys')
    .replace(/\bnumber of links\b/g, 'number of teeth')
    .replace(/\bpitches\b/g, 'teeth')
}
