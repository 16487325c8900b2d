import {
  makePathReader,
  markAngleDeg,
  markSeat,
  paintedPlaces,
  placeOnPath,
  readDrive,
  type SolvedLoop,
} from '../drive'
import type { BuildSheet, Loop } from '../model/buildSheet'
import { partsOf } from '../sheet'
import type { DriveScene, LoopScene, PaintedPin, SceneState } from './scene'
import { seatParts, type Seats } from './seats'
import { speedsOf } from './speeds'
import { toothedPartsOf } from './toothedParts'

/** The drive of a build sheet as it is drawn, in the timing position and turned from there. */
export function makeDriveScene(sheet: BuildSheet, state: SceneState): DriveScene {
  const drive = readDrive(sheet)
  const lying = sheet.loops.map((loop) => ({ loop, solved: drive.solved(loop) }))
  const speedOf = speedsOf(sheet)
  const toothed = toothedPartsOf(
    sheet,
    lying.flatMap(({ solved }) => (solved.ok ? [solved.value] : [])),
  )
  const seats = seatParts(sheet, toothed, { speedOf, state })
  const loops = lying.flatMap(({ loop, solved }) =>
    solved.ok ? [loopScene({ sheet, loop, solved: solved.value, seats, speedOf, state })] : [],
  )
  const poseDeg = sheet.referencePose.crankDeg.value
  /** With its loop off a part stays where it is, but for the one that drives it. */
  const stays = new Set(
    sheet.loops
      .filter(({ id }) => state.offLoops.includes(id))
      .flatMap((loop) =>
        loop.path.flatMap(({ memberId }) => (memberId === drive.lies(loop)?.driverId ? [] : [memberId])),
      ),
  )
  return {
    loops,
    toothed,
    turnOf: (memberId, crankDeg) =>
      (seats.seats.get(memberId) ?? 90) + (stays.has(memberId) ? 0 : speedOf(memberId) * (crankDeg - poseDeg)),
    marks: sheet.marks.flatMap((mark) => {
      const teeth = partsOf(sheet).member(mark.memberId)?.teeth?.value
      if (!teeth || !toothed.some(({ memberId }) => memberId === mark.memberId)) return []
      const { id, name, memberId, face } = mark
      return [{ id, name, memberId, face, angleDeg: markAngleDeg(mark, teeth), seat: markSeat(mark) }]
    }),
    drawn: loops.some(({ solved }) => solved.drawn === 'schematic') ? 'schematic' : 'toScale',
    errors: lying.flatMap(({ loop, solved }) => (solved.ok ? [] : [{ loop, error: solved.error }])),
  }
}

/** One loop: where its pins are, and what is painted on it. */
function loopScene({
  sheet,
  loop,
  solved,
  seats: { seats, firstPins },
  speedOf,
  state,
}: {
  readonly sheet: BuildSheet
  readonly loop: Loop
  readonly solved: SolvedLoop
  readonly seats: Seats
  readonly speedOf: (memberId: string) => number
  readonly state: SceneState
}): LoopScene {
  const read = makePathReader(solved.path)
  const firstPin = firstPins.get(loop.id) ?? 0
  const stretch = solved.path.pitches / solved.pitches
  const driverTeeth = solved.members.find(({ memberId }) => memberId === solved.driverId)?.teeth ?? 1
  const perDeg = (driverTeeth * Math.abs(speedOf(solved.driverId ?? ''))) / 360
  const poseDeg = sheet.referencePose.crankDeg.value
  const pitchesTo = (markId: string, teethOn = 0) => {
    const mark = partsOf(sheet).mark(markId)
    const teeth = partsOf(sheet).member(mark?.memberId)?.teeth?.value
    if (!mark || !teeth) return undefined
    const side = solved.members.find(({ memberId }) => memberId === mark.memberId)?.side ?? 1
    const deg = (seats.get(mark.memberId) ?? 0) + markAngleDeg(mark, teeth) + (side * teethOn * 360) / teeth
    const place = placeOnPath(solved.path, { memberId: mark.memberId, teeth, deg })
    return place && (place.atPitches - firstPin) / stretch
  }
  const driverMark = sheet.marks.find(({ memberId, cutFor }) => memberId === solved.driverId && cutFor === 'pose')
  const pinAt = (k: number, crankDeg: number) => read(firstPin + (k + perDeg * (crankDeg - poseDeg)) * stretch)
  return {
    loop,
    solved,
    links: solved.pitches,
    on: !state.offLoops.includes(loop.id),
    pinAt,
    fillPins: (crankDeg, xs, ys) => {
      for (let k = 0; k < solved.pitches; k++) {
        const point = pinAt(k, crankDeg)
        xs[k] = point.x
        ys[k] = point.y
      }
    },
    pitchesTo,
    painted: paintedPins(loop, solved.pitches, (driverMark && pitchesTo(driverMark.id)) ?? 0),
  }
}

/** The pins that carry paint, from the driver's mark on; a pair is two side by side. */
const paintedPins = (loop: Loop, pitches: number, start: number): PaintedPin[] =>
  paintedPlaces(loop, pitches, undefined).flatMap(({ atPitches, style }): PaintedPin[] => {
    const pin = Math.round(start + atPitches)
    const rings = style === 'double' ? 2 : 1
    return style === 'pair'
      ? [
          { pin, rings },
          { pin: pin + 1, rings },
        ]
      : [{ pin, rings }]
  })
