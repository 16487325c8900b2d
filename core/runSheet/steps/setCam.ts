import { placeOfLink, placeOfShaft, readDrive } from '../../drive'
import type { StepKindRecord } from './step'
import { atPlace, camshaftsOf, each } from './targets'

export const setCam: StepKindRecord = {
  targets: (sheet) => each(camshaftsOf(sheet)),
  needs: ['zero', 'half', 'loopOff'],
  gives: ['camSet'],
  workedAt: (sheet, [shaftId = '']) => {
    const last = readDrive(sheet).holdsBy(shaftId)?.at(-1)
    return last ? placeOfLink(sheet, last.id) : placeOfShaft(sheet, shaftId)
  },
  crankAt: (sheet, [shaftId = '']) => atPlace(sheet, placeOfShaft(sheet, shaftId)),
  evidence: ({ state, targetIds: [shaftId = ''] }) => (state.camSet[shaftId] ? 'read' : 'none'),
}
