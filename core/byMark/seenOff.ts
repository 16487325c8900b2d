import { readDrive } from '../drive'
import type { BuildSheet, Member, Shaft } from '../model/buildSheet'
import * as field from '../model/fields'
import { partsOf } from '../sheet'
import { degFromRad, ratioValue } from '../units'

/** How far off its place a camshaft is seen to stand, by whatever there is to see. Late is plus. */
export const seenOff = field.eitherBy('by', [
  field.group({ by: field.exactly('level') }),
  field.group({
    by: field.exactly('teeth'),
    teeth: field.between('Off by so many teeth of its own sprocket, + = late', -200, 200),
  }),
  field.group({
    by: field.exactly('degrees'),
    deg: field.between('Off by so many degrees of its own, + = late', -180, 180),
  }),
  field.group({
    by: field.exactly('mm'),
    mm: field.between('Off by so much in a straight line, mm, + = late', -1000, 1000),
    radiusMm: field.between('So far from the middle of its shaft, mm', 1, 2000),
  }),
  field.group({
    by: field.exactly('feeler'),
    mm: field.between(
      'The blade that goes under one end of the bar, or into the slot beside it, mm, + = late',
      -50,
      50,
    ),
    acrossMm: field.between('From there to where the bar rests, mm', 1, 2000),
  }),
  field.group({
    by: field.exactly('gauge'),
    deg: field.between('What a pin gauge on the camshaft reads, degrees of its own, + = late', -45, 45),
    sureToDeg: field.between('Good to so many degrees either way', 0.01, 10),
  }),
  field.group({
    by: field.exactly('clock'),
    hours: field.between('Off by so many hours of a clock face, + = late', -6, 6),
    sureToHours: field.between('Sure to so many hours', 0.25, 3),
  }),
  field.group({ by: field.exactly('letters'), are: field.oneOf('The letters on it', ['upright', 'upsideDown']) }),
  field.group({
    by: field.exactly('lobes'),
    point: field.oneOf('The lobes point the way that the book has them, or the other way', ['asInBook', 'opposite']),
  }),
  field.group({
    by: field.exactly('rocking'),
    cylinderId: field.id('The cylinder whose two valves rock as the crank is moved a little either way'),
  }),
  field.group({
    by: field.exactly('pushrods'),
    cylinderId: field.id('The cylinder, its head off'),
    exhaustHigherMm: field.between('So much the exhaust pushrod stands higher than the inlet, mm; 0 = level', -30, 30),
  }),
])

export type SeenOff = field.ValueOf<typeof seenOff>

/** A fraction of a tooth by eye, teeth, one sigma; a rule held across; a blade. Common practice, no source. */
const TOOTH_SIGMA = 0.125
const PROTRACTOR_SIGMA_DEG = 0.5
const RULE_SIGMA_MM = 0.25
const BLADE_SIGMA_MM = 0.025
/** What can be told by the way letters stand, by where lobes point, by the rocking of two valves: degrees of the camshaft, one sigma. Common practice, no
 *  source; of lobes the handbook says that they are told to an hour at worst. */
const LETTERS_SIGMA_DEG = 10
const LOBES_SIGMA_DEG = 22.5
export const ROCKING_SIGMA_DEG = 2.5
/** A clock face is read to half an hour at best: handbook 1. */
const LEAST_CLOCK_HOURS = 0.5

export interface OffPlace {
  /** Degrees of the camshaft's own, + = late; one sigma. */
  readonly deg: number
  readonly sigmaDeg: number
}

/** What was seen as degrees of the camshaft's own off its place, without what its mark and the crank's may be out by. The tops of two pushrods need the
 *  lobes and are read with them. `noTeeth`: off by teeth, and nobody counted them; `noRadius`: it cannot stand off so far at that radius.
 *  Source: plain geometry, asin(off / radius); 30° an hour. */
export function offPlace(
  sheet: BuildSheet,
  shaft: Shaft,
  seen: Exclude<SeenOff, { by: 'pushrods' }>,
): OffPlace | 'noTeeth' | 'noRadius' {
  const straight = (mm: number, radiusMm: number, sigmaMm: number): OffPlace | 'noRadius' =>
    Math.abs(mm) > radiusMm
      ? 'noRadius'
      : { deg: degFromRad(Math.asin(mm / radiusMm)), sigmaDeg: degFromRad(sigmaMm / radiusMm) }
  switch (seen.by) {
    case 'level':
      return { deg: 0, sigmaDeg: 0 }
    case 'teeth': {
      const tooth = ownToothDeg(sheet, shaft.id)
      return tooth === undefined ? 'noTeeth' : { deg: seen.teeth * tooth, sigmaDeg: TOOTH_SIGMA * tooth }
    }
    case 'degrees':
      return { deg: seen.deg, sigmaDeg: PROTRACTOR_SIGMA_DEG }
    case 'mm':
      return straight(seen.mm, seen.radiusMm, RULE_SIGMA_MM)
    case 'feeler':
      return straight(seen.mm, seen.acrossMm, BLADE_SIGMA_MM)
    case 'gauge':
      return { deg: seen.deg, sigmaDeg: seen.sureToDeg / 2 }
    case 'clock':
      return { deg: 30 * seen.hours, sigmaDeg: 15 * Math.max(LEAST_CLOCK_HOURS, seen.sureToHours) }
    case 'letters':
      return { deg: seen.are === 'upright' ? 0 : 180, sigmaDeg: LETTERS_SIGMA_DEG }
    case 'lobes':
      return { deg: seen.point === 'asInBook' ? 0 : 180, sigmaDeg: LOBES_SIGMA_DEG }
    case 'rocking':
      return { deg: 0, sigmaDeg: ROCKING_SIGMA_DEG }
  }
}

const BY_OTHERS: readonly SeenOff['by'][] = ['gauge', 'letters', 'lobes', 'rocking', 'pushrods']
/** Whether it is told by a mark of the camshaft, and so no better than that mark. */
export const isByMark = ({ by }: SeenOff) => !BY_OTHERS.includes(by)

/** A clock face, lobes, letters, rocking and pushrods are never witnesses of a tooth; the rest is as far as it is sharp enough. */
export const tellsToothBy = (seen: SeenOff): 'never' | 'ifSharp' =>
  seen.by === 'gauge' || (seen.by !== 'clock' && isByMark(seen)) ? 'ifSharp' : 'never'

/** One tooth of the sprocket, pulley or gear that drives a shaft, degrees of its own; undefined where nobody counted them. */
export function ownToothDeg(sheet: BuildSheet, shaftId: string): number | undefined {
  const teeth = drivenWheel(sheet, shaftId)?.teeth?.value
  return teeth ? 360 / teeth : undefined
}

/** The sprocket, pulley or gear that drives a shaft: the last on its way from the crank; where the way is not known for want of teeth, the only one on it. */
export function drivenWheel(sheet: BuildSheet, shaftId: string): Member | undefined {
  const last = readDrive(sheet).ways[shaftId]?.findLast(({ teeth }) => teeth !== undefined)
  if (last) return last.toShaftId === shaftId ? last.teeth?.driven : undefined
  const wheels = sheet.members.filter((one) => one.shaftId === shaftId && one.kind !== 'hub')
  return wheels.length === 1 ? wheels[0] : undefined
}

export interface InTeeth {
  /** Teeth late (+) or early (-). */
  readonly teeth: number
  /** Teeth to lay the loop over its sprocket, + = further in the running direction; 0 = no whole tooth would improve it. */
  readonly layTeeth: number
  /** Lateness that then is left, at the crank and on the camshaft itself. */
  readonly leftoverDeg: number
  readonly leftoverOwnDeg: number
  readonly toothCrankDeg: number
  /** Whether it is sharp enough to tell one tooth from the next: two sigma under half a tooth. */
  readonly tells: boolean
}

/** A lateness at the crank as teeth of the sprocket that drives the camshaft: how many it is out, what a whole number of them leaves over, and whether it
 *  can tell a tooth at all. Undefined where nobody counted the teeth. */
export function inTeeth(
  sheet: BuildSheet,
  shaft: Shaft,
  { latenessDeg, sigmaDeg }: { readonly latenessDeg: number; readonly sigmaDeg: number },
): InTeeth | undefined {
  const own = ownToothDeg(sheet, shaft.id)
  const ratio = Math.abs(ratioValue(readDrive(sheet).ratioOf(partsOf(sheet).shaft(shaft.id) ?? shaft)))
  if (own === undefined || ratio === 0) return undefined
  const toothCrankDeg = own / ratio
  const teeth = latenessDeg / toothCrankDeg
  const whole = Math.round(teeth) + 0
  const leftoverDeg = latenessDeg - whole * toothCrankDeg
  return {
    teeth,
    layTeeth: -whole + 0,
    leftoverDeg,
    leftoverOwnDeg: leftoverDeg * ratio,
    toothCrankDeg,
    tells: 2 * sigmaDeg < toothCrankDeg / 2,
  }
}
