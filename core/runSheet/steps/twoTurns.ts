import { turnedTightDeg } from '../../ledger'
import type { StepKindRecord } from './step'
import { camshaftsOf } from './targets'
import { timed } from './timed'

/** Two full turns in the running direction, with everything tight (handbook 13). */
export const PROOF_TURN_DEG = 720

/** One proof for the whole drive: two turns, then everything is read. */
export const twoTurns: StepKindRecord = {
  targets: (sheet) => (sheet.loops.length + camshaftsOf(sheet).length > 0 ? [sheet.loops.map(({ id }) => id)] : []),
  needs: ['camSet', 'loopOn', 'tight'],
  gives: ['timingLeft'],
  phase: 'left',
  loops: ({ loops }) => loops,
  evidence: (looked) => {
    const turned = turnedTightDeg(looked.state, looked.targetIds)
    const read = timed('left')(looked)
    if (turned < PROOF_TURN_DEG) return turned > 0 || read !== 'none' ? 'part' : 'none'
    return read === 'none' ? 'part' : read
  },
}
