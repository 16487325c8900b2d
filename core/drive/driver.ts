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

/** The wheel after which the slack run of a loop comes: the last one before its tensioner, as it travels, that drives or is driven. With several tensioners the
 *  first after the driver counts. Undefined without a tensioner: then the slack lies where the driver pays out. */
export function slackAfterOf(sheet: BuildSheet, loop: Loop): string | undefined {
  const driver = driverOf(sheet, loop)
  const start = loop.path.findIndex(({ memberId }) => memberId === driver?.id)
  if (start < 0) return undefined
  let last: string | undefined
  for (const { memberId } of [...loop.path.slice(start), ...loop.path.slice(0, start)]) {
    const member = partsOf(sheet).member(memberId)
    if (member?.kind === 'tensioner') return last
    const shaft = partsOf(sheet).shaft(member?.shaftId)
    if (shaft && shaft.kind !== 'idler') last = memberId
  }
  return undefined
}
