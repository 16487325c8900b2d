import type { Adjuster, BuildSheet } from '../model'
import { degFromRad } from '../units'
import type { Mover } from './moves'

/** What an adjuster stands on. */
interface Seat {
  /** Turns of its shaft for one of the crank, without its sense. */
  readonly perTurn: number
  readonly cycleDeg: BuildSheet['cycleDeg']
}

export interface AdjusterKindRecord {
  /** How much trouble it is, against the others: common practice, no source. */
  readonly effort: number
  /** What it can do, crank degrees; undefined where its figures are not known. */
  readonly moves: (adjuster: Adjuster, seat: Seat) => Mover['by'] | undefined
}

export const adjusterKinds: { readonly [K in Adjuster['kind']]: AdjusterKindRecord } = {
  // The loop laid over by a tooth is a move of the loop, with or without this line on the sheet.
  chainTooth: { effort: 3, moves: () => undefined },
  hub: {
    effort: 2,
    moves: ({ positions }, seat) => (positions ? stepsOf(360 / positions / seat.perTurn, seat.cycleDeg) : undefined),
  },
  keyway: { effort: 5, moves: chosenAngles },
  turnedOver: { effort: 5, moves: chosenAngles },
  offsetKey: { effort: 5, moves: keysInDrawer },
  slots: { effort: 1, moves: withinRange },
  couplingSlip: { effort: 2, moves: withinRange },
  taper: { effort: 2, moves: anywhere },
  grubScrews: { effort: 2, moves: anywhere },
}

/** Steps of so many crank degrees round the whole cycle, which need not hold a whole number of them: 13 splines on a shaft at 2/3 step by 41.54°. */
export function stepsOf(stepDeg: number, cycleDeg: number) {
  const places = cycleDeg / stepDeg
  const whole = Math.round(places)
  return { kind: 'steps', places: Math.abs(places - whole) < 1e-9 ? whole : places } as const
}

function chosenAngles({ anglesDeg }: Adjuster, { perTurn }: Seat): Mover['by'] | undefined {
  return anglesDeg && { kind: 'choices', laterDeg: [0, ...anglesDeg.map((deg) => deg / perTurn)] }
}

function keysInDrawer({ keysMm, shaftMm }: Adjuster, { perTurn }: Seat): Mover['by'] | undefined {
  if (!keysMm || !shaftMm) return undefined
  const each = keysMm.filter((mm) => mm > 0 && 2 * mm <= shaftMm).map((mm) => offsetKeyDeg(mm, shaftMm) / perTurn)
  return { kind: 'choices', laterDeg: [0, ...each, ...each.map((deg) => -deg)] }
}

/** A slot or slip whose range nobody measured is not used. */
function withinRange({ rangeDeg }: Adjuster, { perTurn }: Seat): Mover['by'] | undefined {
  return rangeDeg ? { kind: 'range', mostDeg: rangeDeg / perTurn } : undefined
}

function anywhere(_adjuster: Adjuster, { perTurn }: Seat): Mover['by'] {
  return { kind: 'range', mostDeg: 180 / perTurn }
}

/** What a key offset by so much on a shaft of that diameter turns it by: asin(2d/D). Source: handbook 9. */
export const offsetKeyDeg = (offsetMm: number, shaftMm: number) => degFromRad(Math.asin((2 * offsetMm) / shaftMm))
