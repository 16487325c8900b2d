import type { EntryOf } from '@link-count/core/model'
import { fixed, formatMm } from '@link-count/core/units'
import { causeWordsOf, symptomWords } from '../symptoms'
import { pressureWords } from '../pressures'
import { kindTitle } from '../steps'
import { turnLookWords, turnName } from '../turnLooks'
import { nounsOfAll } from '../loops'
import type { Lines } from '.'
import { phaseWords } from './phase'

export const findingVerdicts: Record<EntryOf<'finding'>['verdict'], string> = {
  goesOn: 'goes on',
  renewNow: 'renew now',
  renewAsSet: 'renew as a set',
  leftOnPurpose: 'left on purpose',
}

const settledCause = { found: 'it is this', ruledOut: 'it is not this', open: 'open again' } as const

export const runSheetLines = {
  plan: ({ does, target, stepKind, reason }, { stepTitle, sheet }) =>
    does === 'add'
      ? `Step put in: ${stepKind ? kindTitle(stepKind, nounsOfAll(sheet.loops)) : target}`
      : does === 'move'
        ? `Step moved: ${stepTitle(target)}`
        : `Step left out: ${stepTitle(target)}${reason ? `, ${reason}` : ''}`,
  finding: ({ partId, name, saw, mm, verdict, with: others, reason }, { partName }) =>
    `${name ?? partName(partId)}: ${saw ? `${saw}, ` : ''}${mm === undefined ? '' : `${formatMm(mm, 2)}, `}${findingVerdicts[verdict]}${others?.length ? `, with ${others.join(', ')}` : ''}${reason ? `: ${reason}` : ''}`,
  pressure: ({ cylinderId, what, bar, percent, wet, phase }, { nameOf }) =>
    `${pressureWords[what]} ${phaseWords[phase]}, cylinder ${nameOf('cylinders', cylinderId)}: ${
      bar === undefined ? `${fixed(percent ?? 0, 0)}%` : `${fixed(bar, 1)} bar`
    }${wet ? ', with oil in it' : ''}`,
  turnLook: ({ turn, saw }, { sheet }) => `${turnName(turn)}: ${turnLookWords(saw, sheet)}`,
  symptom: ({ symptom, is }) => `${symptomWords[symptom]}: ${is === 'there' ? 'yes' : 'no'}`,
  causeSettled: ({ cause, is, by }) => `${causeWordsOf(cause).name}: ${settledCause[is]}${by ? `, ${by}` : ''}`,
} satisfies Partial<Lines>
