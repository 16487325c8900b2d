import { readDrive } from '../drive'
import type { BuildSheet } from '../model/buildSheet'
import { partsOf } from '../sheet'
import { planeSign, ratioValue } from '../units'

/** Plane degrees that a member turns for one of the crank. A toothed idler or tensioner has no shaft of the drive: its loop turns it, tooth by pitch. */
export function speedsOf(sheet: BuildSheet): (memberId: string) => number {
  const running = planeSign(sheet.running?.value ?? 'clockwise')
  const drive = readDrive(sheet)
  const speedOf = (memberId: string): number => {
    const shaft = partsOf(sheet).shaftOfMember(memberId)
    return shaft ? running * ratioValue(drive.ratioOf(shaft)) : looseSpeedOf(memberId)
  }
  const looseSpeedOf = (memberId: string): number => {
    for (const loop of sheet.loops) {
      const lies = drive.lies(loop)
      const own = lies?.members.find((one) => one.memberId === memberId)
      const driver = lies?.members.find((one) => one.memberId === lies.driverId)
      if (own?.teeth && driver?.teeth && driver.shaftId)
        return (own.side * driver.side * speedOf(driver.memberId) * driver.teeth) / own.teeth
    }
    return 0
  }
  return speedOf
}
