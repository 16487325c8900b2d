import {
  countedMarks,
  expectedCount,
  gapZeroDeg,
  makePathReader,
  markAngleDeg,
  placeOnPath,
  type SolvedLoop,
} from '@link-count/core/drive'
import type { Point } from '@link-count/core/geometry'
import type { BuildSheet, Loop } from '@link-count/core/model'
import { planeSign, ratioValue } from '@link-count/core/units'

/** Everything a Face needs, settled once; per crank angle only lookups are left. Angles are of the plane. */
export interface DriveScene {
  readonly solved: SolvedLoop
  readonly links: number
  readonly loopOn: boolean
  /** Where pin k stands at a crank angle. */
  readonly pinAt: (k: number, crankDeg: number) => Point
  /** All pins into x and y. */
  readonly fillPins: (crankDeg: number, xs: Float64Array, ys: Float64Array) => void
  /** How far a member has turned from where its tooth gap 0 points along +x, plane degrees. */
  readonly turnOf: (memberId: string, crankDeg: number) => number
  readonly marks: readonly {
    readonly id: string
    readonly name: string
    readonly memberId: string
    readonly angleDeg: number
    readonly seat: 'gap' | 'tip'
  }[]
  /** Pitches from the first pin to the mark where a count starts, in the reference pose; undefined without marks. */
  readonly countStart: number | undefined
  readonly tightRun: { readonly from: Point; readonly to: Point; readonly pitches: number } | undefined
  readonly slackRun: { readonly from: Point; readonly to: Point; readonly pitches: number } | undefined
}

export interface SceneState {
  readonly loopOn: boolean
  /** How the loop lies, in whole or half pitches from cam mark to crank mark; undefined: as near to the book as it can. */
  readonly seatedPitches: number | undefined
  /** With the loop off: how far the camshaft stands off its mark, its own degrees, + = late. */
  readonly camOffDeg: number
}

export function makeDriveScene(
  sheet: BuildSheet,
  loop: Loop,
  solved: SolvedLoop,
  { loopOn, seatedPitches, camOffDeg }: SceneState,
): DriveScene {
  const sign = planeSign(sheet.running?.value ?? 'clockwise')
  const poseDeg = sheet.referencePose.crankDeg.value
  const ratioOf = (memberId: string) => {
    const shaftId = sheet.members.find(({ id }) => id === memberId)?.shaftId
    const ratio = sheet.shafts.find(({ id }) => id === shaftId)?.ratio
    return ratio ? ratioValue(ratio) : 0
  }
  const crank = solved.members.find(({ shaftId }) =>
    sheet.shafts.some(({ id, kind }) => id === shaftId && kind === 'crank'),
  )
  const crankTeeth = crank?.teeth ?? 1
  const read = makePathReader(solved.path)
  const crankGap = crank ? (gapZeroDeg(sheet, crank.memberId) ?? 90) : 0
  // Pins sit in the crank sprocket's gaps: the chain's phase comes from there and never drifts.
  const firstPin = crank
    ? (placeOnPath(solved.path, { memberId: crank.memberId, teeth: crankTeeth, deg: crankGap })?.atPitches ?? 0)
    : 0
  const travel = (crankDeg: number) => ((crankDeg - poseDeg) * crankTeeth) / 360
  const stretch = solved.path.pitches / solved.pitches
  const pinAt = (k: number, crankDeg: number) => read(firstPin + (k + travel(crankDeg)) * stretch)

  const seats = new Map(
    solved.members.filter(({ teeth }) => teeth).map((member) => [member.memberId, seatOf(member.memberId)]),
  )
  function seatOf(memberId: string): number {
    const known = gapZeroDeg(sheet, memberId)
    if (memberId === crank?.memberId) return crankGap
    const member = solved.members.find((one) => one.memberId === memberId)
    const start = known ?? 90
    if (!member?.teeth || !loopOn) return start - sign * camOffDeg
    const marks = countedMarks(sheet, loop, 'tight')
    const expected = marks && expectedCount(sheet, solved, marks.from, marks.to)
    if (seatedPitches !== undefined && expected?.from === 'geometry') {
      return start - (sign * (seatedPitches - expected.pitches) * 360) / member.teeth
    }
    // No count yet: the member turns by the least that brings its gaps under the pins.
    const at = placeOnPath(solved.path, { memberId, teeth: member.teeth, deg: start })?.atPitches ?? 0
    const off = at - firstPin
    return start - (sign * (off - Math.round(off)) * 360) / member.teeth
  }
  const turnOf = (memberId: string, crankDeg: number) => {
    const follows = loopOn || memberId === crank?.memberId
    return (seats.get(memberId) ?? 0) + (follows ? sign * (crankDeg - poseDeg) * Math.abs(ratioOf(memberId)) : 0)
  }

  const runs = solved.path.pieces.filter((piece) => piece.kind === 'run')
  const last = runs.at(-1)
  const marks = sheet.marks.flatMap((mark) => {
    const teeth = solved.members.find(({ memberId }) => memberId === mark.memberId)?.teeth
    if (!teeth) return []
    const seat = mark.halfTeeth % 2 === 0 ? ('gap' as const) : ('tip' as const)
    return [{ id: mark.id, name: mark.name, memberId: mark.memberId, angleDeg: markAngleDeg(mark, teeth), seat }]
  })
  return {
    solved,
    links: solved.pitches,
    loopOn,
    pinAt,
    fillPins: (crankDeg, xs, ys) => {
      for (let k = 0; k < solved.pitches; k++) {
        const point = pinAt(k, crankDeg)
        xs[k] = point.x
        ys[k] = point.y
      }
    },
    turnOf,
    marks,
    countStart: startOfCount(),
    tightRun: last && { from: last.from, to: last.to, pitches: last.pitches },
    slackRun: runs[0] && runs.length > 1 ? { from: runs[0].from, to: runs[0].to, pitches: runs[0].pitches } : undefined,
  }

  function startOfCount(): number | undefined {
    const counted = countedMarks(sheet, loop, 'tight')
    if (!counted?.driven.teeth) return undefined
    const teeth = counted.driven.teeth.value
    const deg = (seats.get(counted.driven.id) ?? 0) + markAngleDeg(counted.from, teeth)
    const place = placeOnPath(solved.path, { memberId: counted.driven.id, teeth, deg })
    return place && (place.atPitches - firstPin) / stretch
  }
}

/** The pins that were counted, as numbers along the loop from the first pin: the nth counted. A mark in a gap has a pin
 *  under it, which the rule counts or not; a tip's first pin is half a pitch on. */
export const countedPin = (start: number, n: number, first: 'under' | 'next' | 'afterTip') =>
  Math.round((start + (first === 'under' ? 0 : first === 'next' ? 1 : 0.5)) * 2) / 2 + n - 1
