import { allOf } from '@link-count/core/ledger'
import type { JobView } from '../../domain/views'
import { checksOwed } from '@link-count/core/closing'
import { kitOf, kitOwed } from '@link-count/core/kit'
import { removalsOf, talliesOf, talliesOpen } from '@link-count/core/removals'
import {
  checkWords,
  findingVerdicts,
  inSentence,
  itemSentence,
  kitWords,
  partNameOf,
  putBackWords,
  stepTitle,
} from '../wording'
import { unprovedOf } from './unproved'

/** What a job leaves to the next: passed over or left out, not proved, still in, out or loose; what was found that is to be renewed. */
export function owedOf(view: Pick<JobView, 'state' | 'sheet' | 'job' | 'steps' | 'schools' | 'leftOut'>): string[] {
  const { sheet, state, steps, leftOut } = view
  return [
    ...state.register.map((item) => itemSentence(item, sheet)),
    ...steps.flatMap(({ step, status }) =>
      status.outcome === 'skipped' ? [`${stepTitle(step, sheet)} passed over: ${status.reason}`] : [],
    ),
    ...leftOut.map(({ step, reason }) => `${stepTitle(step, sheet)} left out: ${reason}`),
    ...allOf(state, 'finding').flatMap(({ partId, name, saw, verdict, reason }) =>
      verdict === 'goesOn'
        ? []
        : [
            `${name ?? partNameOf(sheet, partId) ?? partId}: ${saw ? `${saw}, ` : ''}${findingVerdicts[verdict]}${reason ? `, ${reason}` : ''}`,
          ],
    ),
    ...removalsOf(state).flatMap(({ entry, back }) =>
      back && back.as === 'same'
        ? []
        : [back ? `${putBackWords[back.as]}: ${entry.what}, ${back.reason}` : `Still off: ${entry.what}`],
    ),
    ...talliesOpen(talliesOf(state)).map(
      ({ what, where, out, fitted }) => `${what}${where ? `, ${where}` : ''}: ${out} came out, ${fitted} fitted`,
    ),
    ...checksOwed(sheet, state).map(({ id }) => `Owed: ${checkWords[id]}`),
    ...kitOwed(
      kitOf(
        sheet,
        steps.map(({ step }) => step),
        state,
      ),
      state,
    ).map((line) => `To be got: ${inSentence(kitWords(line, (id) => partNameOf(sheet, id)))}`),
    ...unprovedOf(view),
  ]
}
