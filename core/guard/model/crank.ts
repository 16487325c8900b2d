import { firingDegOf, tdcOnOneTurn } from '../../cylinders'
import {
  crankPlace,
  rotationCarried,
  rotationStands,
  rotationTurned,
  rotationWitness,
  startRotation,
  type Rotation,
} from '../../ledger/rotation'
import type { BuildSheet, Entry } from '../../model'
import type { Begins, Happening } from './history'
import { wrap, type Crank, type CrankQuestions, type World } from './world'

type Claim = Omit<NonNullable<Crank['against']>, 'entry'>

const witnessed = (rotation: Rotation, one: Extract<Entry, { kind: 'witness' }>, on: BuildSheet): Rotation => {
  const firing = firingDegOf(on, one.cylinderId)
  if (firing === undefined || one.says === 'undecided') return rotation
  const placeDeg = firing + (one.says === 'firing' ? 0 : 360)
  return rotationWitness(rotation, { evidence: one.evidence, placeDeg, cycleDeg: on.cycleDeg })
}

/** In the walks the crank's marks meet in the timing position or at the second bank's own place, on sprockets; half a tooth where nobody said how exact
 *  they are. */
const claimOf = (one: Extract<Entry, { kind: 'stands' }>, on: BuildSheet, rotation: Rotation): Claim | undefined => {
  const poseDeg = on.referencePose.crankDeg.value
  if (one.place === 'tdc') {
    const placeDeg = tdcOnOneTurn(on, one.cylinderId)
    return placeDeg === undefined ? undefined : { placeDeg, pose: false, own: false, byMark: undefined }
  }
  if (one.place === 'pose' && one.shaftId === undefined)
    return { placeDeg: poseDeg, pose: true, own: false, byMark: undefined }
  const ownDeg = on.marks.find(({ meetsAtDeg }) => meetsAtDeg)?.meetsAtDeg?.value
  const { deg } = crankPlace(rotation, on, undefined).place
  const trim = on.trimDeg?.value ?? 4
  const isAt = (placeDeg: number, at: number | undefined) =>
    at !== undefined &&
    Math.abs(wrap(placeDeg - at, 360)) <= trim &&
    (deg === undefined || Math.abs(wrap(deg - at, on.cycleDeg)) <= 180)
  if (one.place === 'pose') {
    const placeDeg = ownDeg !== undefined && one.shaftId !== 'cam-a' ? ownDeg : poseDeg
    return { placeDeg, pose: isAt(placeDeg, poseDeg), own: isAt(placeDeg, ownDeg), byMark: undefined }
  }
  const mark = on.marks.find(({ id }) => id === one.markId)
  const member = on.members.find(({ id }) => id === mark?.memberId)
  if (!mark || on.shafts.find(({ id }) => id === member?.shaftId)?.kind !== 'crank') return undefined
  const placeDeg = (mark.meetsAtDeg?.value ?? poseDeg) + (one.offDeg ?? 0)
  const cut = mark.exact?.how === 'exact' ? 0 : 90 / (member?.teeth?.value ?? NaN)
  return {
    placeDeg,
    pose: isAt(placeDeg, poseDeg),
    own: isAt(placeDeg, ownDeg),
    byMark: { markId: mark.id, sigmaDeg: Math.hypot(0.5, cut) },
  }
}

/** The crank: where it is by the ledger, whether it was seen at the timing position in the job, and claims that the turns do not lead to. */
export function crankQuestions(w: World): CrankQuestions {
  const { all, ask, trim } = w
  const crankAt = (n: number): Crank =>
    ask('crank', n, (): Crank => {
      if (n === 0) return { rotation: startRotation, poseSeen: undefined, ownSeen: undefined, against: undefined }
      const one = all[n - 1] as Happening
      const before = crankAt(n - 1)
      const on = w.sheetAt(n)
      const inDoubt = w.crankSays(one) !== undefined && w.crankDisputed(n)
      const poseSeen = inDoubt ? undefined : before.poseSeen
      const ownSeen = inDoubt ? undefined : before.ownSeen
      if (one.kind === 'begins') {
        const rotation = before.against
          ? { ...startRotation, totalDeg: before.rotation.totalDeg }
          : rotationCarried(before.rotation, true, on.cycleDeg)
        return { rotation, poseSeen: undefined, ownSeen: undefined, against: undefined }
      }
      if (one.kind === 'turned') {
        const zero = undefined
        return { ...before, poseSeen, ownSeen, rotation: rotationTurned(before.rotation, one, zero, on.cycleDeg) }
      }
      if (one.kind === 'witness') return { ...before, poseSeen, ownSeen, rotation: witnessed(before.rotation, one, on) }
      if (one.kind === 'stands') {
        const claim = claimOf(one, on, before.rotation)
        if (claim === undefined || inDoubt)
          return claim === undefined ? before : { ...before, poseSeen: undefined, ownSeen: undefined }
        const { placeDeg } = claim
        const anyUndone = w.linksAt(n - 1).some((link) => w.undoneAt(link, n - 1, { afterDoubtOf: n }) !== undefined)
        const most = anyUndone ? trim : 45
        const { deg } = crankPlace(before.rotation, on, undefined).place
        const { reference, totalDeg, wheelDisagreesDeg } = before.rotation
        const off =
          one.place === 'pose' && deg !== undefined
            ? Math.abs(wrap(placeDeg - deg, on.cycleDeg))
            : reference && wheelDisagreesDeg === undefined
              ? Math.abs(wrap(placeDeg - reference.originDeg - totalDeg, 360))
              : 0
        if (before.against || off > most)
          return { ...before, poseSeen: undefined, ownSeen: undefined, against: { entry: one, ...claim } }
        return stood(before, on, claim, n, jobOf(one)?.job.arrival === 'everyLoopOff')
      }
      if (one.kind === 'settled' && one.part.about === 'crank' && before.against?.entry.id === one.part.id)
        return stood({ ...before, against: undefined }, on, before.against, n, false)
      if (one.kind === 'ranUntilNow' && w.ranHolds(n - 1))
        return { ...before, rotation: { ...before.rotation, carriedOriginDeg: undefined } }
      return before
    })
  const stood = (
    before: Crank,
    on: BuildSheet,
    { placeDeg, pose, own, byMark }: Claim,
    n: number,
    arrivedOff: boolean,
  ): Crank => {
    const allOff = on.loops.length > 0 && on.loops.every(({ id }) => w.linkIs({ kind: 'loop', id }, n - 1) === 'off')
    const rotation = rotationStands(before.rotation, placeDeg, pose && arrivedOff && allOff, on.cycleDeg, byMark)
    return {
      ...before,
      rotation,
      poseSeen: pose ? rotation.totalDeg : before.poseSeen,
      ownSeen: own ? rotation.totalDeg : before.ownSeen,
    }
  }
  const jobOf = (one: Entry) =>
    all.find((other): other is Begins => other.kind === 'begins' && other.job.id === one.jobId)
  const total = (n: number) => crankAt(n).rotation.totalDeg
  return { crankAt, total, jobOf }
}
