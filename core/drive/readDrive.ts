import type { Loop, Member, Shaft } from '../model/buildSheet'
import type { Result } from '../result'
import { oncePerSheet } from '../sheet'
import type { Ratio } from '../units'
import { driverOf, travelSign } from './driver'
import { readHolding, type Holding } from './holding'
import { layOut } from './layOut'
import { findRepeats, type Repeats } from './repeats'
import { sectionsOf, type Section } from './sections'
import { solveLoop, type LoopError, type SolvedLoop } from './solveLoop'
import { ratioOfShaft, walkDrive, type DriveRatios } from './walkDrive'

/** The drive of an engine as a value: what its build sheet makes of it, worked out once and asked many times. Whole-number ratios, loops solved,
 *  sections, repeats, and what is behind what. */
export interface Drive extends DriveRatios, Holding {
  /** Turns of a shaft for one of the crank: by the drive where it is whole, else what the sheet says. */
  readonly ratioOf: (shaft: Shaft) => Ratio
  /** The wheel that drives a loop: the toothed one whose shaft is the fewest steps from the crank. */
  readonly driverOf: (loop: Loop) => Member | undefined
  /** Counter-clockwise (+1) or clockwise (-1), as a loop passes what it passes inside, running, seen from the timing side. */
  readonly travelOf: (loop: Loop) => 1 | -1
  /** A loop as it lies, or why it cannot be drawn. */
  readonly solved: (loop: Loop) => Result<SolvedLoop, LoopError>
  /** The same, where why does not matter. */
  readonly lies: (loop: Loop) => SolvedLoop | undefined
  /** What is counted on a loop in one go, in the order of travel from the driver's mark. */
  readonly sections: (loop: Loop) => readonly Section[]
  /** After how many crank turns marks, links and teeth meet again. */
  readonly repeats: Repeats
}

/** The drive of a build sheet. Loops are solved when they are first asked for. */
export const readDrive = oncePerSheet((sheet): Drive => {
  const solved = once((loop) => {
    const layout = layOut(sheet, loop)
    return layout.ok ? solveLoop(layout.value) : layout
  })
  const lies = (loop: Loop) => {
    const one = solved(loop)
    return one.ok ? one.value : undefined
  }
  return {
    ...walkDrive(sheet),
    ...readHolding(sheet),
    ratioOf: (shaft) => ratioOfShaft(sheet, shaft),
    driverOf: once((loop) => driverOf(sheet, loop)),
    travelOf: once((loop) => travelSign(sheet, loop)),
    solved,
    lies,
    sections: once((loop) => sectionsOf(sheet, loop, lies(loop))),
    repeats: findRepeats(sheet),
  }
})

/** Worked out for each loop when it is first asked for. */
function once<T>(workOut: (of: Loop) => T): (of: Loop) => T {
  const known = new Map<Loop, { readonly value: T }>()
  return (of) => {
    const one = known.get(of) ?? { value: workOut(of) }
    known.set(of, one)
    return one.value
  }
}
