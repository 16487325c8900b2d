import {
  gapZeroDeg,
  makePathReader,
  markAngleDeg,
  markSeat,
  paintedPlaces,
  placeOnPath,
  shaftPoint,
  type LoopError,
  type SolvedLoop,
  readDrive,
} from '@link-count/core/drive'
import { directionDeg, distance, type Point } from '@link-count/core/geometry'
import type { BuildSheet, Loop, Mark, Member } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { planeSign, ratioValue } from '@link-count/core/units'
import type { PaintedPin } from './paintLinks'

/** A wheel as it is drawn: on a loop, in mesh, or both. Angles are of the plane. */
export interface Wheel {
  readonly memberId: string
  readonly name: string
  readonly kind: Member['kind']
  readonly teeth: number
  readonly centre: Point
  readonly radiusMm: number
  readonly pitchMm: number
  readonly isCrank: boolean
}

export interface LoopScene {
  readonly loop: Loop
  readonly solved: SolvedLoop
  readonly links: number
  readonly on: boolean
  /** Where pin k stands at a crank angle. */
  readonly pinAt: (k: number, crankDeg: number) => Point
  /** All pins into x and y. */
  readonly fillPins: (crankDeg: number, xs: Float64Array, ys: Float64Array) => void
  /** Pitches from the first pin to a mark on a wheel of this loop, in the reference pose. */
  readonly pitchesTo: (markId: string) => number | undefined
  /** Pins that carry paint, the first of them on the driver's mark. */
  readonly painted: readonly PaintedPin[]
}

/** Everything a Face needs, settled once; per crank angle only lookups are left. */
export interface DriveScene {
  readonly loops: readonly LoopScene[]
  readonly wheels: readonly Wheel[]
  /** How far a member has turned from where its tooth gap 0 points along +x, plane degrees. */
  readonly turnOf: (memberId: string, crankDeg: number) => number
  readonly marks: readonly {
    readonly id: string
    readonly name: string
    readonly memberId: string
    readonly angleDeg: number
    readonly seat: 'gap' | 'tip'
    /** The face it is cut on, where somebody said so. */
    readonly face: Mark['face']
  }[]
  readonly drawn: 'toScale' | 'schematic'
  /** Loops that cannot be drawn, and why. */
  readonly errors: readonly { readonly loop: Loop; readonly error: LoopError }[]
}

export interface SceneState {
  readonly offLoops: readonly string[]
  /** How late wheels stand on their loop by the counts, pitches; without one a wheel is laid to the nearest gap. */
  readonly latePitches: Readonly<Record<string, number>>
  /** With its loop off: how far a shaft stands off its mark, its own degrees, + = late. */
  readonly shaftOffDeg: Readonly<Record<string, number>>
}

export const AS_MARKED: SceneState = { offLoops: [], latePitches: {}, shaftOffDeg: {} }

export function makeDriveScene(sheet: BuildSheet, { offLoops, latePitches, shaftOffDeg }: SceneState): DriveScene {
  const running = planeSign(sheet.running?.value ?? 'clockwise')
  const poseDeg = sheet.referencePose.crankDeg.value
  const solvedLoops = sheet.loops.map((loop) => ({ loop, solved: readDrive(sheet).solved(loop) }))
  const errors = solvedLoops.flatMap(({ loop, solved }) => (solved.ok ? [] : [{ loop, error: solved.error }]))
  const memberOf = (id: string) => partsOf(sheet).member(id)
  const shaftOf = (memberId: string) => partsOf(sheet).shaft(memberOf(memberId)?.shaftId)
  /** Plane degrees of a member for one crank degree. */
  const speedOf = (memberId: string) => {
    const shaft = shaftOf(memberId)
    return shaft ? running * ratioValue(readDrive(sheet).ratioOf(shaft)) : looseSpeedOf(memberId)
  }
  /** A toothed idler or tensioner has no shaft of the drive: the loop turns it, tooth by pitch. */
  const looseSpeedOf = (memberId: string): number => {
    for (const { solved } of solvedLoops) {
      const members = solved.ok ? solved.value.members : []
      const own = members.find((one) => one.memberId === memberId)
      const driver = members.find((one) => solved.ok && one.memberId === solved.value.driverId)
      if (own?.teeth && driver?.teeth && driver.shaftId)
        return (own.side * driver.side * speedOf(driver.memberId) * driver.teeth) / own.teeth
    }
    return 0
  }
  const wheels = wheelsOf(
    sheet,
    solvedLoops.flatMap(({ solved }) => (solved.ok ? [solved.value] : [])),
  )
  const seats = new Map<string, number>()
  const firstPins = new Map<string, number>()
  for (const { loop, solved } of solvedLoops) if (solved.ok) seatLoop(loop, solved.value)
  seatGears()

  function seatLoop(loop: Loop, solved: SolvedLoop): void {
    const on = !offLoops.includes(loop.id)
    const toothed = solved.members.filter(({ teeth }) => teeth)
    const driver = toothed.find(({ memberId }) => memberId === solved.driverId) ?? toothed[0]
    if (!driver?.teeth) return
    const driverSeat = seats.get(driver.memberId) ?? gapZeroDeg(sheet, driver.memberId) ?? 90
    seats.set(driver.memberId, driverSeat)
    // Pins sit in the driver's gaps: the loop's phase comes from there and never drifts.
    const firstPin =
      placeOnPath(solved.path, { memberId: driver.memberId, teeth: driver.teeth, deg: driverSeat })?.atPitches ?? 0
    firstPins.set(loop.id, firstPin)
    for (const { memberId, teeth } of toothed) {
      if (memberId === driver.memberId || !teeth) continue
      const start = gapZeroDeg(sheet, memberId) ?? 90
      const turns = Math.sign(speedOf(memberId)) || running
      const late = latePitches[memberId]
      if (!on) seats.set(memberId, start - turns * (shaftOffDeg[shaftOf(memberId)?.id ?? ''] ?? 0))
      else if (late !== undefined) seats.set(memberId, start - (turns * late * 360) / teeth)
      else {
        // No count yet: it turns by the least that brings its gaps under the pins.
        const off = (placeOnPath(solved.path, { memberId, teeth, deg: start })?.atPitches ?? 0) - firstPin
        seats.set(memberId, start - (turns * (off - Math.round(off)) * 360) / teeth)
      }
    }
  }

  /** A gear without a mark of its own is laid so that its teeth stand in the other's gaps. */
  function seatGears(): void {
    for (const { kind, fromId, toId } of sheet.couplings) {
      if (kind !== 'gearMesh') continue
      const [a, b] = [
        wheels.find(({ memberId }) => memberId === fromId),
        wheels.find(({ memberId }) => memberId === toId),
      ]
      if (!a || !b) continue
      const seatA = seats.get(a.memberId) ?? gapZeroDeg(sheet, a.memberId) ?? 90
      seats.set(a.memberId, seatA)
      if (seats.has(b.memberId)) continue
      const towards = directionDeg({ x: b.centre.x - a.centre.x, y: b.centre.y - a.centre.y })
      const pastGap = (((towards - seatA) * a.teeth) / 360) % 1
      seats.set(b.memberId, towards + 180 - ((0.5 - pastGap) * 360) / b.teeth)
    }
  }

  const turnOf = (memberId: string, crankDeg: number) => {
    const off = sheet.loops.some(
      ({ id, path }) =>
        offLoops.includes(id) && path.some((part) => part.memberId === memberId) && firstDriver(id) !== memberId,
    )
    return (seats.get(memberId) ?? 90) + (off ? 0 : speedOf(memberId) * (crankDeg - poseDeg))
  }
  const firstDriver = (loopId: string) => {
    const found = solvedLoops.find(({ loop }) => loop.id === loopId)?.solved
    return found?.ok ? found.value.driverId : undefined
  }

  const loops = solvedLoops.flatMap(({ loop, solved }): LoopScene[] =>
    solved.ok ? [loopScene(loop, solved.value)] : [],
  )

  function loopScene(loop: Loop, solved: SolvedLoop): LoopScene {
    const read = makePathReader(solved.path)
    const firstPin = firstPins.get(loop.id) ?? 0
    const stretch = solved.path.pitches / solved.pitches
    const driverTeeth = solved.members.find(({ memberId }) => memberId === solved.driverId)?.teeth ?? 1
    const perDeg = (driverTeeth * Math.abs(speedOf(solved.driverId ?? ''))) / 360
    const pitchesTo = (markId: string) => {
      const mark = partsOf(sheet).mark(markId)
      const teeth = mark && memberOf(mark.memberId)?.teeth?.value
      if (!mark || !teeth) return undefined
      const deg = (seats.get(mark.memberId) ?? 0) + markAngleDeg(mark, teeth)
      const place = placeOnPath(solved.path, { memberId: mark.memberId, teeth, deg })
      return place && (place.atPitches - firstPin) / stretch
    }
    const driverMark = sheet.marks.find(({ memberId, cutFor }) => memberId === solved.driverId && cutFor === 'pose')
    const start = (driverMark && pitchesTo(driverMark.id)) ?? 0
    const painted = paintedPlaces(loop, solved.pitches, undefined).flatMap(({ atPitches, style }): PaintedPin[] => {
      const pin = Math.round(start + atPitches)
      const rings = style === 'double' ? 2 : 1
      return style === 'pair'
        ? [
            { pin, rings },
            { pin: pin + 1, rings },
          ]
        : [{ pin, rings }]
    })
    const pinAt = (k: number, crankDeg: number) => read(firstPin + (k + perDeg * (crankDeg - poseDeg)) * stretch)
    return {
      loop,
      solved,
      links: solved.pitches,
      on: !offLoops.includes(loop.id),
      pinAt,
      fillPins: (crankDeg, xs, ys) => {
        for (let k = 0; k < solved.pitches; k++) {
          const point = pinAt(k, crankDeg)
          xs[k] = point.x
          ys[k] = point.y
        }
      },
      pitchesTo,
      painted,
    }
  }

  return {
    loops,
    wheels,
    turnOf,
    marks: sheet.marks.flatMap((mark: Mark) => {
      const teeth = memberOf(mark.memberId)?.teeth?.value
      if (!teeth || !wheels.some(({ memberId }) => memberId === mark.memberId)) return []
      const { id, name, memberId, face } = mark
      return [{ id, name, memberId, face, angleDeg: markAngleDeg(mark, teeth), seat: markSeat(mark) }]
    }),
    drawn: loops.some(({ solved }) => solved.drawn === 'schematic') ? 'schematic' : 'toScale',
    errors,
  }
}

/** Wheels of the loops as they were solved, and gears where their shafts stand, in sizes that let them touch. The largest come first, so
 *  that what sits before them on the same shaft is seen. */
function wheelsOf(sheet: BuildSheet, solved: readonly SolvedLoop[]): Wheel[] {
  const isCrank = (shaftId: string | undefined) =>
    sheet.shafts.some(({ id, kind }) => id === shaftId && kind === 'crank')
  const onLoops = solved.flatMap(({ members, path }) =>
    members.flatMap(({ memberId, teeth, centre, radiusMm, kind, shaftId }): Wheel[] => {
      const name = partsOf(sheet).member(memberId)?.name ?? ''
      return teeth
        ? [{ memberId, name, kind, teeth, centre, radiusMm, pitchMm: path.pitchMm, isCrank: isCrank(shaftId) }]
        : []
    }),
  )
  const placeOf = (shaftId: string | undefined) => {
    const shaft = partsOf(sheet).shaft(shaftId)
    const onLoop = onLoops.find(({ memberId }) =>
      sheet.members.some((one) => one.id === memberId && one.shaftId === shaftId),
    )
    return (shaft && shaftPoint(sheet, shaft)) ?? onLoop?.centre
  }
  const gears = sheet.couplings.flatMap(({ kind, fromId, toId }): Wheel[] => {
    const pair = [fromId, toId].map((id) => partsOf(sheet).member(id))
    const [a, b] = pair
    const [from, to] = pair.map((one) => placeOf(one?.shaftId))
    if (kind !== 'gearMesh' || !a?.teeth || !b?.teeth || !from || !to) return []
    const perTooth = distance(from, to) / (a.teeth.value + b.teeth.value)
    const gear = (member: Member, centre: Point): Wheel => ({
      memberId: member.id,
      name: member.name,
      kind: 'gear',
      teeth: member.teeth?.value ?? 1,
      centre,
      radiusMm: perTooth * (member.teeth?.value ?? 1),
      pitchMm: 2 * Math.PI * perTooth,
      isCrank: isCrank(member.shaftId),
    })
    return [gear(a, from), gear(b, to)]
  })
  const once = new Map([...onLoops, ...gears].map((wheel) => [wheel.memberId, wheel]))
  return [...once.values()].sort((a, b) => b.radiusMm - a.radiusMm)
}

/** The pins that were counted, as numbers along the loop from the first pin: the nth counted. A mark in a gap has a pin
 *  under it, which the rule counts or not; a tip's first pin is half a pitch on. */
export const countedPin = (start: number, n: number, first: 'under' | 'next' | 'afterTip') =>
  Math.round((start + (first === 'under' ? 0 : first === 'next' ? 1 : 0.5)) * 2) / 2 + n - 1
