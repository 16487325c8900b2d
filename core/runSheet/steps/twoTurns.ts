import { allOf, turnedTightDeg } from '../../ledger'
import type { StepKindRecord } from './step'
import { camshaftsOf } from './targets'
import { timed } from './timed'

/** One proof for the whole drive: full turns in the running direction with everything tight, as many as the job wants, then everything is read. */
export const twoTurns: StepKindRecord = {
  targets: (sheet) => (sheet.loops.length + camshaftsOf(sheet).length > 0 ? [sheet.loops.map(({ id }) => id)] : []),
  needs: ['camSet', 'loopOn', 'tight', 'slackSet'],
  gives: ['timingLeft'],
  phase: 'left',
  loops: ({ loops }) => loops,
  evidence: (looked) => {
    const turned = turnedTightDeg(looked.state, looked.targetIds)
    if (looked.proves === 'tension') {
      if (turned < looked.schools.turns * 360) return turned > 0 ? 'part' : 'none'
      const looks = allOf(looked.state, 'turnLook').filter(({ saw }) => saw.what === 'marks')
      return looks.some(({ turn, saw }) => turn === looked.schools.turns && saw.what === 'marks' && saw.is === 'meet')
        ? 'proved'
        : 'read'
    }
    const read = timed('left')(looked)
    if (turned < looked.schools.turns * 360) return turned > 0 || read !== 'none' ? 'part' : 'none'
    return read === 'none' ? 'part' : read
  },
}
