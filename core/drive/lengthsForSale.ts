import type { BuildSheet, Loop } from '../model/buildSheet'
import { layOut } from './layOut'
import { loopKinds } from './loopKinds'
import { solveLoop, type LoopError } from './solveLoop'

export interface LengthOffered {
  readonly pitches: number
  readonly closes: boolean
  /** Over what the path needs with the tensioner away; minus = too short. Undefined when the layout itself cannot be solved. */
  readonly leftPitches: number | undefined
  readonly tensionerTravelMm: number | undefined
  /** A roller chain of an odd number needs a cranked link. */
  readonly crankedLink: boolean
  readonly error: LoopError | undefined
}

/** Which of the lengths that are for sale close this loop, with how much left for the tensioner and where it then stands. */
export function judgeLengths(sheet: BuildSheet, loop: Loop, offered: readonly number[]): readonly LengthOffered[] {
  return offered.map((pitches) => {
    const layout = layOut(sheet, { ...loop, pitches: { value: pitches, typed: String(pitches), trust: 'unknown' } })
    const solved = layout.ok ? solveLoop(layout.value) : layout
    const error = solved.ok ? undefined : solved.error
    const short = error?.code === 'loopTooShort' ? -error.shortPitches : undefined
    const over = error?.code === 'loopTooLong' ? error.overPitches : undefined
    return {
      pitches,
      closes: solved.ok,
      leftPitches: solved.ok ? solved.value.slackPitches : (short ?? over),
      tensionerTravelMm: solved.ok ? solved.value.tensionerTravelMm : undefined,
      crankedLink: loopKinds[loop.kind].crankedWhenOdd && pitches % 2 === 1,
      error,
    }
  })
}
