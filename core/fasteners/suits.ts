import type { BoltGroup } from '../model/buildSheet'
import { readThread } from './thread'

/** What a bolt of class 8.8 is usually tightened to, N·m: as delivered, lightly oiled, steel in steel. Source: handbook 20, from memory. */
const USUAL_8_8: Readonly<Record<string, number>> = { '6x1': 10, '8x1.25': 25, '10x1.5': 49, '12x1.75': 85 }

/** Stress that a strength stands without giving, N/mm². Source: ISO 898-1, SAE J429, from memory. */
const PROOF: readonly { readonly pattern: RegExp; readonly proof: number }[] = [
  { pattern: /^8\.8$/, proof: 600 },
  { pattern: /^10\.9$/, proof: 830 },
  { pattern: /^12\.9$/, proof: 970 },
  { pattern: /^grade\s*5$/, proof: 586 },
  { pattern: /^grade\s*8$/, proof: 827 },
]

/** How a figure lies to what its thread usually takes; `cannotJudge` says why. It only ever asks, and is never offered as a figure to tighten to. */
export type Suits =
  | { readonly is: 'suits' | 'muchLess' | 'muchMore'; readonly usualNm: number; readonly from: 'table' | 'stressArea' }
  | { readonly is: 'cannotJudge'; readonly why: 'noTorque' | 'stretch' | 'angle' | 'thread' | 'strength' | 'material' }

/** Further than this from the usual it is asked about. Ours. */
const MUCH = 1.6

/** Whether the last torque of a group suits its thread: by a table of class 8.8, else 75% of proof on the stress area with T = 0.2·d·F, which is ours; steel in steel. */
export function torqueSuits({
  stages,
  stretch,
  thread = '',
  strength = '',
  into,
}: Pick<BoltGroup, 'stages' | 'stretch' | 'thread' | 'strength' | 'into'>): Suits {
  const no = (why: Extract<Suits, { is: 'cannotJudge' }>['why']): Suits => ({ is: 'cannotJudge', why })
  const nm = stages.findLast((one) => one.by === 'torque')?.nm.value
  if (nm === undefined) return no('noTorque')
  if (stretch) return no('stretch')
  if (stages.some(({ by }) => by === 'angle')) return no('angle')
  if (into !== 'steel') return no('material')
  const read = readThread(thread)
  if (!read) return no('thread')
  const stamped = strength.trim().toLowerCase()
  const proof = PROOF.find(({ pattern }) => pattern.test(stamped))?.proof
  if (proof === undefined) return no('strength')
  const inTable =
    stamped === '8.8' && read.standard === 'metric' ? USUAL_8_8[`${read.diameterMm}x${read.pitchMm}`] : undefined
  const usualNm = inTable ?? (0.2 * read.diameterMm * 0.75 * proof * read.stressAreaMm2) / 1000
  const from = inTable === undefined ? 'stressArea' : 'table'
  return { is: nm > usualNm * MUCH ? 'muchMore' : nm < usualNm / MUCH ? 'muchLess' : 'suits', usualNm, from }
}
