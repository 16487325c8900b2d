import { allOf } from '@link-count/core/ledger'
import type { StepView } from '../stepView'
import { LookOver } from './LookOver'

export const lookOver: StepView = {
  Panel: LookOver,
  result: ({ targetIds }, { state }) => {
    const seen = allOf(state, 'finding').filter(({ partId }) => targetIds.includes(partId))
    const bad = seen.filter(({ verdict }) => verdict !== 'goesOn').length
    return seen.length === 0 ? '' : bad > 0 ? `${bad} to renew or leave` : `${seen.length} of ${targetIds.length} good`
  },
}
