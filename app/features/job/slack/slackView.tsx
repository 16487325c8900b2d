import { allOf } from '@link-count/core/ledger'
import type { Phase } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { lastRound, slackOfRound } from '@link-count/core/tension'
import { fixed } from '@link-count/core/units'
import { feltWords } from '../../../ui/wording'
import type { StepView } from '../steps/stepView'
import { SlackPanel } from './SlackPanel'

/** The step of reading slack in a phase. */
export const slackOf = (phase: Phase): StepView => ({
  Panel: ({ step }: { readonly step: Step }) => <SlackPanel step={step} phase={phase} />,
  result: ({ targetIds }, { sheet, state }) => {
    const entries = allOf(state, 'slack')
    return targetIds
      .flatMap((id) => {
        const of = lastRound(entries, id, phase)
        if (!of) return []
        const { round, judged, entries: own } = slackOfRound(sheet, entries, of)
        const felt = own.at(-1)?.felt
        if (!round) return felt ? [feltWords[felt]] : []
        const unit = of.by === 'links' ? 'links' : of.by === 'pitch' ? 'Hz' : of.by === 'twist' ? '°' : 'mm'
        const is = judged ? { tooTight: ', tight', in: '', tooSlack: ', loose' }[judged.is] : ''
        return [`${fixed(round.tightest.value, 1)} ${unit}${is}`]
      })
      .join('; ')
  },
})
