import type { StepKindRecord } from './step'
import { atPose, camshaftsOf, each } from './targets'

export const setCam: StepKindRecord = {
  targets: (sheet) => each(camshaftsOf(sheet)),
  needs: ['zero', 'half', 'loopOff'],
  gives: ['camSet'],
  crankAt: (sheet, [shaftId]) => {
    const mark = sheet.marks.find(
      ({ memberId, meetsAtDeg }) =>
        meetsAtDeg && sheet.members.some((member) => member.id === memberId && member.shaftId === shaftId),
    )
    return mark?.meetsAtDeg ? { at: 'mark', deg: mark.meetsAtDeg.value } : atPose(sheet)
  },
  evidence: ({ state, targetIds: [shaftId = ''] }) => (state.camSet[shaftId] ? 'read' : 'none'),
}
