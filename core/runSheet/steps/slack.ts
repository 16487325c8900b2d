import { allOf } from '../../ledger'
import type { BuildSheet } from '../../model/buildSheet'
import type { Phase } from '../../model/entry'
import { partsOf } from '../../sheet'
import type { Given, StepKindRecord } from './step'

/** The loops whose slack is asked for: those with a tensioner or a wanted slack; without any, all of them. */
function judgedLoops(sheet: BuildSheet): readonly string[] {
  const tensioners = new Set(partsOf(sheet).tensioners.map(({ id }) => id))
  const judged = sheet.loops.filter(
    ({ path, slackWanted }) => slackWanted ?? path.some(({ memberId }) => tensioners.has(memberId)),
  )
  return (judged.length > 0 ? judged : sheet.loops).map(({ id }) => id)
}

/** How slack each chain or belt is: as it came, and as it is set before it is turned. */
const slack = (phase: Phase, needs: readonly Given[], gives: readonly Given[]): StepKindRecord => ({
  targets: (sheet) => {
    const asked = judgedLoops(sheet)
    return asked.length > 0 ? [asked] : []
  },
  needs,
  gives,
  phase,
  evidence: ({ state, targetIds }) => {
    const read = new Set(allOf(state, 'slack').flatMap((one) => (one.phase === phase ? [one.loopId] : [])))
    const n = targetIds.filter((id) => read.has(id)).length
    return n === 0 ? 'none' : n < targetIds.length ? 'part' : 'read'
  },
})

export const slackFound = slack('found', ['madeSafe'], ['slackFound'])
export const slackSet = slack('set', ['tight'], ['slackSet'])
