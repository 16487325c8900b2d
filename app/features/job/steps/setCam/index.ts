import { fixed } from '@link-count/core/units'
import type { StepView } from '../stepView'
import { SetCam } from './SetCam'

export const setCam: StepView = {
  Panel: SetCam,
  result: ({ targetIds: [shaftId = ''] }, { state }) => {
    const set = state.camSet[shaftId]
    if (!set) return ''
    return set.offDeg === 0 ? 'meets' : `${fixed(Math.abs(set.offDeg), 1)}° ${set.offDeg > 0 ? 'late' : 'early'}`
  },
}
