import type { BoltGroup, BuildSheet } from '../model/buildSheet'

/** The bolts that belong to a step by what that is done on: of a part itself, of a wheel on its shaft, or of a wheel that its chain or belt passes. */
export function boltGroupsOf(sheet: BuildSheet, targetIds: readonly string[]): readonly BoltGroup[] {
  const wheels = sheet.members.filter(({ id, shaftId }) => {
    const passed = sheet.loops.some(
      (loop) => targetIds.includes(loop.id) && loop.path.some(({ memberId }) => memberId === id),
    )
    return passed || (shaftId !== undefined && targetIds.includes(shaftId))
  })
  const followers = (sheet.followers ?? []).filter(({ shaftId }) => targetIds.includes(shaftId))
  const near = new Set([...targetIds, ...wheels.map(({ id }) => id), ...followers.map(({ id }) => id)])
  return (sheet.boltGroups ?? []).filter(({ id, ofId }) => near.has(id) || (ofId !== undefined && near.has(ofId)))
}
