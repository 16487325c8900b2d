import { couplingsTo, driverOf, hangingOrder, ratioOfShaft, walkDrive } from '../drive'
import type { JobState } from '../ledger'
import type { Adjuster, BuildSheet, Phase, Shaft } from '../model'
import { degFromRad, ratioValue } from '../units'
import type { CamToSet, MoveProblem, Mover } from './bestMoves'

/** How much trouble each kind of move is, against the others: common practice, no source. */
const EFFORT: Record<Adjuster['kind'] | 'coupling' | 'crankTooth', number> = {
  slots: 1,
  taper: 2,
  grubScrews: 2,
  couplingSlip: 2,
  hub: 2,
  coupling: 3,
  chainTooth: 3,
  crankTooth: 4,
  offsetKey: 5,
  keyway: 5,
  turnedOver: 5,
}
const BEST = 4
/** A slot or slip whose range nobody measured is not used. A taper or grub screws stand anywhere. */
const ANYWHERE: readonly Adjuster['kind'][] = ['taper', 'grubScrews']

/** Everything on the drive that can be moved, for every camshaft whose lateness is known, as one search; what each mover is, by its id.
 *  Undefined where no lateness is known or nothing can be moved. */
export function moveProblemOf(sheet: BuildSheet, state: JobState, phase: Phase): MoveProblem | undefined {
  const cams = camshaftsOutwards(sheet).flatMap((shaft): CamToSet[] => {
    const timing = state.timing[shaft.id]?.[phase]
    if (!timing) return []
    const aimDeg = state.targets[shaft.id]?.latenessDeg ?? 0
    return [{ id: shaft.id, latenessDeg: timing.latenessDeg - aimDeg, weight: 1, movers: moversOf(sheet, shaft.id) }]
  })
  if (cams.every(({ movers }) => movers.length === 0)) return undefined
  const shared = sheet.members
    .filter(({ shaftId }) => sheet.shafts.some(({ id, kind }) => id === shaftId && kind === 'crank'))
    .flatMap(({ id }) => moversOn(sheet, id, 1).filter(({ by }) => by.kind === 'choices'))
    .map((mover) => ({ mover, camIds: cams.map(({ id }) => id) }))
  return { cams, shared, cycleDeg: sheet.cycleDeg, best: BEST }
}

/** Camshafts from the crank outwards, along the pulled runs: the order in which they are set, those before held. Source: handbook 8 and 12. */
export function camshaftsOutwards(sheet: BuildSheet): Shaft[] {
  const { ways } = walkDrive(sheet)
  const placeOf = ({ id }: Shaft) => {
    const way = ways[id]
    const last = way?.findLast(({ by }) => by.kind === 'loop')
    const loop = sheet.loops.find((one) => one.id === last?.by.id)
    const at = loop ? hangingOrder(sheet, loop, []).findIndex(({ memberId }) => memberId === last?.teeth?.driven.id) : 0
    return [way?.length ?? Infinity, at] as const
  }
  return sheet.shafts
    .filter(({ kind }) => kind === 'cam')
    .map((shaft) => ({ shaft, place: placeOf(shaft) }))
    .sort((a, b) => a.place[0] - b.place[0] || a.place[1] - b.place[1])
    .map(({ shaft }) => shaft)
}

/** What sets one camshaft: the tooth of its loop, the places of its couplings, what its own wheel has. */
function moversOf(sheet: BuildSheet, shaftId: string): Mover[] {
  const shaft = sheet.shafts.find(({ id }) => id === shaftId)
  if (!shaft) return []
  const perTurn = Math.abs(ratioValue(ratioOfShaft(sheet, shaft)))
  const wheel = walkDrive(sheet).ways[shaftId]?.findLast(
    ({ by, toShaftId }) => by.kind === 'loop' && toShaftId === shaftId,
  )?.teeth?.driven
  const teeth = wheel?.teeth?.value
  const loops = sheet.loops.filter(
    (loop) =>
      wheel && loop.path.some(({ memberId }) => memberId === wheel.id) && driverOf(sheet, loop)?.id !== wheel.id,
  )
  const places = (n: number) => Math.max(1, Math.round((n * perTurn * sheet.cycleDeg) / 360))
  return [
    ...(teeth && loops[0]
      ? [
          {
            id: `tooth ${loops[0].id} ${wheel.id}`,
            effort: EFFORT.chainTooth,
            by: { kind: 'steps', places: places(teeth) },
          } as const,
        ]
      : []),
    ...couplingsTo(sheet, shaftId).flatMap(({ id, positions, positionsTo }): Mover[] => [
      ...(positions
        ? [
            {
              id: `coupling ${id}`,
              effort: EFFORT.coupling,
              by: { kind: 'steps', places: places(positions.value) },
            } as const,
          ]
        : []),
      ...(positionsTo
        ? [
            {
              id: `couplingTo ${id}`,
              effort: EFFORT.coupling,
              by: { kind: 'steps', places: places(positionsTo.value) },
            } as const,
          ]
        : []),
    ]),
    ...sheet.members.filter((member) => member.shaftId === shaftId).flatMap(({ id }) => moversOn(sheet, id, perTurn)),
  ]
}

/** The adjusters of one wheel, crank degrees. */
function moversOn(sheet: BuildSheet, memberId: string, perTurn: number): Mover[] {
  return sheet.adjusters
    .filter((one) => one.memberId === memberId)
    .flatMap((adjuster): Mover[] => {
      const mover = (by: Mover['by']): Mover[] => [{ id: `adjuster ${adjuster.id}`, effort: EFFORT[adjuster.kind], by }]
      switch (adjuster.kind) {
        case 'chainTooth':
          return []
        case 'hub':
          return adjuster.positions
            ? mover({
                kind: 'steps',
                places: Math.max(1, Math.round((adjuster.positions * perTurn * sheet.cycleDeg) / 360)),
              })
            : []
        case 'keyway':
        case 'turnedOver':
          return adjuster.anglesDeg
            ? mover({ kind: 'choices', laterDeg: [0, ...adjuster.anglesDeg.map((deg) => deg / perTurn)] })
            : []
        case 'offsetKey': {
          const { keysMm, shaftMm } = adjuster
          if (!keysMm || !shaftMm) return []
          const each = keysMm
            .filter((mm) => mm > 0 && 2 * mm <= shaftMm)
            .map((mm) => offsetKeyDeg(mm, shaftMm) / perTurn)
          return mover({ kind: 'choices', laterDeg: [0, ...each, ...each.map((deg) => -deg)] })
        }
        default: {
          const most = ANYWHERE.includes(adjuster.kind) ? 180 : adjuster.rangeDeg
          return most ? mover({ kind: 'range', mostDeg: most / perTurn }) : []
        }
      }
    })
}

/** What a key offset by so much on a shaft of that diameter turns it by: asin(2d/D). Source: handbook 9. */
export const offsetKeyDeg = (offsetMm: number, shaftMm: number) => degFromRad(Math.asin((2 * offsetMm) / shaftMm))
