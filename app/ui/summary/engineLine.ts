import { allOf } from '@link-count/core/ledger'
import { bandsWanted, provesOf } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { fixed } from '@link-count/core/units'
import { judgeWear } from '@link-count/core/wear'
import type { EngineSummary } from '../../domain/summaries'
import type { JobView } from '../../domain/views'
import { unprovedOf } from '../job/unproved'
import { bandSays, grownSays, inSentence, itemSentence, purposeWords, reasonWords, stepTitle } from '../wording'

export type EngineLine = Omit<EngineSummary, 'jobId' | 'workedAt' | 'pins' | 'face'>

/** What state an engine is in and what it needs next, from its latest job. */
export function engineLine(view: JobView | undefined): EngineLine {
  if (!view) {
    return {
      shape: 'unknown',
      headline: 'No job yet',
      detail: 'Nobody has proved its TDC. Start there',
      button: 'Start a job',
      next: 'engine',
      urgent: false,
    }
  }
  const { state, guard, inHand, sheet } = view
  if (state.closed) {
    const open = unprovedOf(view)
    const wear = wearDetail(view)
    const left = allOf(state, 'deviation').at(-1)
    const renew = allOf(state, 'finding').filter(({ verdict }) => verdict === 'renewNow' || verdict === 'renewAsSet')
    const parts = partsOf(sheet)
    const nameOf = (id: string) => inSentence((parts.shaft(id) ?? parts.loop(id) ?? parts.member(id))?.name) ?? 'a part'
    const detail =
      renew.length > 0
        ? `To renew: ${renew.map(({ partId }) => nameOf(partId)).join(', ')}`
        : left
          ? `Cam ${fixed(Math.abs(left.latenessDeg), 1)}° ${left.latenessDeg > 0 ? 'late' : 'early'} and left so, with the reason`
          : wear
            ? wear
            : open.length > 0
              ? `Not proved: ${lower(open[0] ?? '')}${open.length > 1 ? `, and ${open.length - 1} more` : ''}`
              : wantsTurns(view)
                ? 'Turned by hand, everything read again'
                : 'Nothing of it is open'
    // What the signed job left undone or inside still holds the engine.
    const held = guard.reasons.find(({ code, verdict }) => code !== 'jobClosed' && verdict !== 'turn')
    if (held)
      return {
        shape: held.verdict,
        headline: 'Closed, and held',
        detail: reasonWords(held, sheet).why,
        button: 'Card',
        next: 'card',
        urgent: true,
      }
    return {
      shape: open.length > 0 || renew.length > 0 ? 'unknown' : 'turn',
      headline: closedAs(view, open.length === 0),
      detail,
      button: 'Card',
      next: 'card',
      urgent: false,
    }
  }
  const [inside] = state.register
  const [reason] = guard.reasons
  const more = state.register.length > 1 ? `, and ${state.register.length - 1} more` : ''
  const detail = inside
    ? `${itemSentence(inside, sheet)}${more}`
    : reason
      ? reasonWords(reason, sheet).why
      : 'Nothing is left inside'
  return {
    shape: guard.verdict,
    headline: inHand ? stepTitle(inHand, view.sheet) : 'Open job',
    detail,
    button: 'Go on',
    next: 'job',
    urgent: true,
  }
}

/** What a job that was a look says of wear, where that is more than to leave it. */
function wearDetail({ job, sheet, state, schools }: JobView): string | undefined {
  if (job.purpose !== 'lookOnly' && job.purpose !== 'findFault') return undefined
  const { worst, lateness, grown } = judgeWear(sheet, state, 'found', bandsWanted(schools))
  if (!worst || (worst.graveness === 0 && worst.sure === 'in')) return undefined
  const name = partsOf(sheet).shaft(worst.id)?.name ?? partsOf(sheet).loop(worst.id)?.name ?? ''
  const banded = lateness.find(({ shaftId }) => shaftId === worst.id)?.banded
  const own = grown.find(({ loopId }) => loopId === worst.id)?.grown
  const says =
    worst.sure === 'cannotTell' ? 'cannot be told' : own ? grownSays(own) : banded ? bandSays(banded.band) : ''
  return `${name}, wear: ${says}`
}

const wantsTurns = ({ steps }: JobView) => steps.some(({ step }) => step.kind === 'twoTurns')

/** What was done in a job that is closed: timed, where it came for that; else by what it was here for. */
function closedAs(view: JobView, isProved: boolean): string {
  const { purpose = 'whole' } = view.job
  if (wantsTurns(view) && provesOf(view.job) === 'timing') return isProved ? 'Timed and proved' : 'Timed'
  return `${purposeWords[purpose].name}: done`
}

/** Of an engine whose latest job cannot be read. */
export const notReadableLine = (number: number): EngineLine => ({
  shape: 'unknown',
  headline: `Job ${number} cannot be read`,
  detail: 'What it did to the engine is not known',
  button: 'Look at it',
  next: 'job',
  urgent: true,
})

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)
