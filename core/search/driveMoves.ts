import { couplingWorth, shaftsBehind, readDrive } from '../drive'
import type { BuildSheet } from '../model'
import { partsOf } from '../sheet'
import { ratioValue } from '../units'
import { adjusterKinds, stepsOf } from './adjusterKinds'
import type { Mover } from './moves'
import { camshaftsBehind } from './camshaftsBehind'

/** Something on the drive that can be moved, and every camshaft that moves with it. */
export interface DriveMove {
  readonly mover: Mover
  readonly camIds: readonly string[]
}

/** What a place of a coupling, a tooth of two gears, and the loop laid over above the camshaft's own, cost against the kinds of adjuster: common
 *  practice, no source. */
export const COUPLING_EFFORT = 3
export const MESH_EFFORT = 4
export const TOOTH_ABOVE_EFFORT = 4

/** Every place of every coupling, both ends of a quill, and every tooth of two gears in mesh, with the camshafts behind it. Of a train of gears each mesh
 *  is a move of its own: over a compound idler their teeth are worth unlike angles, over a plain one alike. */
export const couplingMoves = (sheet: BuildSheet): DriveMove[] =>
  sheet.couplings.flatMap((coupling) => {
    const { id, kind } = coupling
    const behind = shaftsBehind(sheet, id)
    const camIds = sheet.shafts.flatMap((shaft) =>
      shaft.kind === 'cam' && behind.includes(shaft.id) ? [shaft.id] : [],
    )
    const { from, to } = couplingWorth(sheet, coupling)
    const move = (end: 'near' | 'far', crankDeg: number): DriveMove => ({
      mover: {
        id: `${end === 'near' ? 'coupling' : 'couplingTo'} ${id}`,
        of: { part: 'coupling', couplingId: id, end },
        effort: kind === 'gearMesh' ? MESH_EFFORT : COUPLING_EFFORT,
        by: stepsOf(crankDeg, sheet.cycleDeg),
      },
      camIds,
    })
    return [...(from ? [move('near', from.crankDeg)] : []), ...(to ? [move('far', to.crankDeg)] : [])]
  })

/** Every adjuster whose figures are known, with the camshafts that are turned through its wheel. One at the crank only by its keys. */
export const adjusterMoves = (sheet: BuildSheet): DriveMove[] =>
  sheet.adjusters.flatMap((adjuster) => {
    const member = partsOf(sheet).member(adjuster.memberId)
    const shaft = partsOf(sheet).shaft(member?.shaftId)
    const perTurn = shaft && perTurnOf(sheet, shaft.id)
    const { effort, moves } = adjusterKinds[adjuster.kind]
    const by = perTurn === undefined ? undefined : moves(adjuster, { perTurn, cycleDeg: sheet.cycleDeg })
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
          effort,
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
