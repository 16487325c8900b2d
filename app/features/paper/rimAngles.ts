import { tdcOnOneTurn } from '@link-count/core/cylinders'
import type { BuildSheet } from '@link-count/core/model'
import type { RimAngle } from '@link-count/core/rim'
import { wrapToSigned180 } from '@link-count/core/units'
import { parseClaim } from '../../ui/wording'

export interface TypedAngles {
  readonly angles: readonly RimAngle[]
  /** Lines that could not be read, or were too many. */
  readonly refused: readonly string[]
}

/** What belongs on the rim by itself: TDC of every cylinder whose place is known, and what its marks claim. */
export function ownAngles(sheet: BuildSheet): RimAngle[] {
  const tdcOf = (cylinderId: string) => tdcOnOneTurn(sheet, cylinderId)
  const several = sheet.cylinders.length > 1
  const tdcs = sheet.cylinders.flatMap(({ id, name }): RimAngle[] => {
    const deg = tdcOf(id)
    return deg === undefined ? [] : [{ name: several ? `TDC ${name}` : 'TDC', afterDeg: wrapToSigned180(deg) }]
  })
  const claims = sheet.rimMarks.flatMap(({ name, cutFor, cylinderId, claimDeg }): RimAngle[] => {
    const deg = tdcOf(cylinderId)
    return cutFor === 'spark' && claimDeg && deg !== undefined
      ? [{ name, afterDeg: wrapToSigned180(deg + claimDeg.value) }]
      : []
  })
  const joined = new Map<string, RimAngle>()
  // Cylinders that come up together share one mark.
  for (const angle of [...tdcs, ...claims]) {
    const key = angle.afterDeg.toFixed(3)
    const there = joined.get(key)
    joined.set(key, there ? { ...there, name: `${there.name}, ${angle.name.replace(/^TDC /, '')}` } : angle)
  }
  return [...joined.values()]
}

/** More marks than that cannot be told apart on a rim. */
const MOST_ANGLES = 60

/** Angles as somebody writes them, one a line: "spark: 28 before". */
export function typedAngles(text: string): TypedAngles {
  const angles: RimAngle[] = []
  const refused: string[] = []
  for (const line of text.split('\n').filter((one) => one.trim() !== '')) {
    const [, name = '', angle = ''] = /^(.*?)[:,]\s*([^:,]+)$/.exec(line.trim()) ?? []
    const read = parseClaim(angle)
    if (name.trim() !== '' && read.ok && angles.length < MOST_ANGLES)
      angles.push({ name: name.trim().slice(0, 40), afterDeg: read.value })
    else refused.push(line.trim())
  }
  return { angles, refused }
}
