import type { BuildSheet, Loop, Member } from '../model/buildSheet'
import { partsOf } from '../sheet'
import { planeSign, ratioValue } from '../units'
import { walkDrive } from './walkDrive'

/** The member that drives a loop: the toothed one whose shaft is the fewest steps from the crank. Undefined without one. */
export function driverOf(sheet: BuildSheet, loop: Loop): Member | undefined {
  const { ways } = walkDrive(sheet)
  const toothed = loop.path.flatMap(({ memberId }) => {
    const member = partsOf(sheet).member(memberId)
    return member?.shaftId ? [member] : []
  })
  const steps = (member: Member) => ways[member.shaftId ?? '']?.length ?? Infinity
  return toothed.reduce<Member | undefined>((best, one) => (!best || steps(one) < steps(best) ? one : best), undefined)
}

/** Counter-clockwise (+1) or clockwise (-1), as the loop passes what it passes inside, running, seen from the timing side. */
export function travelSign(sheet: BuildSheet, loop: Loop): 1 | -1 {
  const driver = driverOf(sheet, loop)
  const ratio = driver?.shaftId === undefined ? undefined : walkDrive(sheet).ratios[driver.shaftId]
  const passed = loop.path.find(({ memberId }) => memberId === driver?.id)?.passed ?? 'inside'
  const turns = planeSign(sheet.running?.value ?? 'clockwise') * (ratio && ratioValue(ratio) < 0 ? -1 : 1)
  return (passed === 'inside' ? turns : -turns) as 1 | -1
}
