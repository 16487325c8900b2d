import { lashRound, type LashRule, type LashStop } from '@link-count/core/lash'
import type { JobView } from '../../../../domain/views'
import { useDraft } from '../../../../ui/fields'

/** The round of places by which lash is taken, by the rule that was chosen. */
export function useLashRound({ job, sheet, state }: JobView): {
  readonly rule: LashRule
  readonly setRule: (rule: string) => void
  readonly stops: readonly LashStop[]
} {
  const chosen = useDraft(`${job.id}:lash-rule`, 'lobeAway')
  const rule = chosen.text === 'companion' ? 'companion' : 'lobeAway'
  return { rule, setRule: chosen.setText, stops: lashRound(sheet, rule, state.crank.deg ?? 0) }
}
