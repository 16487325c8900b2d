import { shaftsBehind, readDrive } from '../drive'
import type { Adjuster, BuildSheet } from '../model'
import { partsOf } from '../sheet'
import { degFromRad, ratioValue } from '../units'
import type { Mover } from './moves'
import { camshaftsBehind } from './camshaftsBehind'

/** Something on the drive that can be moved, and every camshaft that moves with it. */
export interface DriveMove {
  readonly mover: Mover
  readonly camIds: readonly string[]
}

/** How much trouble each kind of move is, against the others: common practice, no source. */
export const EFFORT: Record<Adjuster['kind'] | 'coupling' | 'toothAbove', number> = {
  slots: 1,
  taper: 2,
  grubScrews: 2,
  couplingSlip: 2,
  hub: 2,
  coupling: 3,
  chainTooth: 3,
  toothAbove: 4,
  offsetKey: 5,
  keyway: 5,
  turnedOver: 5,
}
/** A slot or slip whose range nobody measured is not used. A taper or grub screws stand anywhere. */
const ANYWHERE: readonly Adjuster['kind'][] = ['taper', 'grubScrews']

/** Every place of every coupling, both ends of a quill, with the camshafts behind it. */
export const couplingMoves = (sheet: BuildSheet): DriveMove[] =>
  sheet.couplings.flatMap(({ id, kind, toId, positions, positionsTo }) => {
    const behind = shaftsBehind(sheet, id)
    const camIds = sheet.shafts.flatMap((shaft) =>
      shaft.kind === 'cam' && behind.includes(shaft.id) ? [shaft.id] : [],
    )
    const perTurn = perTurnOf(sheet, toId)
    if (kind === 'gearMesh' || perTurn === undefined) return []
    const move = (end: 'near' | 'far', places: number): DriveMove => ({
      mover: {
        id: `${end === 'near' ? 'coupling' : 'couplingTo'} ${id}`,
        of: { part: 'coupling', couplingId: id, end },
        effort: EFFORT.coupling,
        by: steps(places, perTurn, sheet),
      },
      camIds,
    })
    return [
      ...(positions ? [move('near', positions.value)] : []),
      ...(positionsTo ? [move('far', positionsTo.value)] : []),
    ]
  })

/** Every adjuster whose figures are known, with the camshafts that are turned through its wheel. One at the crank only by its keys. */
export const adjusterMoves = (sheet: BuildSheet): DriveMove[] =>
  sheet.adjusters.flatMap((adjuster) => {
    const member = partsOf(sheet).member(adjuster.memberId)
    const shaft = partsOf(sheet).shaft(member?.shaftId)
    const perTurn = shaft && perTurnOf(sheet, shaft.id)
    const by = perTurn === undefined ? undefined : moverOf(adjuster, perTurn, sheet)
    if (!shaft || !by || (shaft.kind === 'crank' && by.kind !== 'choices')) return []
    const through = camshaftsBehind(
      sheet,
      ({ teeth }) => teeth?.driver.id === adjuster.memberId || teeth?.driven.id === adjuster.memberId,
    )
    const camIds = through.length === 0 && shaft.kind === 'cam' ? [shaft.id] : through
    return [
      {
        mover: {
          id: `adjuster ${adjuster.id}`,
          of: { part: 'adjuster', adjusterId: adjuster.id },
          effort: EFFORT[adjuster.kind],
          by,
        },
        camIds,
      },
    ]
  })

/** Turns of a shaft for one of the crank, without its sense. */
function perTurnOf(sheet: BuildSheet, shaftId: string): number | undefined {
  const shaft = partsOf(sheet).shaft(shaftId)
  return shaft && Math.abs(ratioValue(readDrive(sheet).ratioOf(shaft)))
}

const steps = (places: number, perTurn: number, { cycleDeg }: BuildSheet) =>
  ({ kind: 'steps', places: Math.max(1, Math.round((places * perTurn * cycleDeg) / 360)) }) as const

/** What one adjuster can do, crank degrees; undefined where its figures are not known. */
function moverOf(adjuster: Adjuster, perTurn: number, sheet: BuildSheet): Mover['by'] | undefined {
  switch (adjuster.kind) {
    case 'chainTooth':
      return undefined
    case 'hub':
      return adjuster.positions ? steps(adjuster.positions, perTurn, sheet) : undefined
    case 'keyway':
    case 'turnedOver':
      return adjuster.anglesDeg && { kind: 'choices', laterDeg: [0, ...adjuster.anglesDeg.map((deg) => deg / perTurn)] }
    case 'offsetKey': {
      const { keysMm, shaftMm } = adjuster
      if (!keysMm || !shaftMm) return undefined
      const each = keysMm.filter((mm) => mm > 0 && 2 * mm <= shaftMm).map((mm) => offsetKeyDeg(mm, shaftMm) / perTurn)
      return { kind: 'choices', laterDeg: [0, ...each, ...each.map((deg) => -deg)] }
    }
    default: {
      const most = ANYWHERE.includes(adjuster.kind) ? 180 : adjuster.rangeDeg
      return most ? { kind: 'range', mostDeg: most / perTurn } : undefined
    }
  }
}

/** What a key offset by so much on a shaft of that diameter turns it by: asin(2d/D). Source: handbook 9. */
export const offsetKeyDeg = (offsetMm: number, shaftMm: number) => degFromRad(Math.asin((2 * offsetMm) / shaftMm))
