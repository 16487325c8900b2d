import { spreadOf } from '@link-count/core/diagnose'
import { allOf } from '@link-count/core/ledger'
import type { StepView } from '../stepView'
import { Pressures } from './Pressures'

export const pressures: StepView = {
  Panel: Pressures,
  result: ({ targetIds }, { state }) => {
    const read = allOf(state, 'pressure')
    const spread = spreadOf(read, 'compression')
    if (spread && spread.verdict !== 'single') return `lowest ${Math.round(100 * spread.share)}% of the best`
    const n = new Set(read.map(({ cylinderId }) => cylinderId)).size
    return n === 0 ? '' : `${n} of ${targetIds.length} cylinders`
  },
}
