import { useDraft } from '../../ui/fields'
import type { Trust } from '@link-count/core/model'

/** Where the figures that are being typed come from: said once, until it is said otherwise. */
export interface Source {
  readonly trust: Trust
  /** Which book and page, or what it is measured with. */
  readonly words: string
}

const trusts: readonly Trust[] = ['measured', 'manual', 'memory', 'unknown']

/** The source in hand of an engine. Nobody has said one: not known how. */
export function useSource(engineId: string) {
  const trust = useDraft(`sheet:${engineId}:source`)
  const words = useDraft(`sheet:${engineId}:source-words`)
  const source: Source = { trust: trusts.find((one) => one === trust.text) ?? 'unknown', words: words.text }
  return { source, isSaid: trust.text !== '', setTrust: trust.setText, setWords: words.setText }
}

/** A figure with where it comes from. */
export const sourced = <T>(value: T, typed: string, { trust, words }: Source) => ({
  value,
  typed,
  trust,
  ...(words.trim() === '' || trust === 'unknown' ? {} : { source: words.trim() }),
})
