import { firingDegOf, tdcOnOneTurn } from '../../cylinders'
import {
  crankPlace,
  rotationCarried,
  rotationStands,
  rotationTurned,
  rotationWitness,
  startRotation,
} from '../../ledger/rotation'
import type { BuildSheet, Entry } from '../../model'
import type { Begins, Happening } from './history'
import { wrap, type Crank, type CrankQuestions, type World } from './world'

/** The crank: where it is by the ledger, whether it was seen at the timing position in the job, and claims that the turns do not lead to. */
export function crankQuestions(w: World): CrankQuestions {
  const { all, ask, trim } = w
  const crankAt = (n: number): Crank =>
    ask('crank', n, (): Crank => {
      if (n === 0) return { rotation: startRotation, poseSeen: undefined, against: undefined }
      const one = all[n - 1] as Happening
      const before = crankAt(n - 1)
      const on = w.sheetAt(n)
      const inDoubt = w.crankSays(one) !== undefined && w.crankDisputed(n)
      const poseSeen = inDoubt ? undefined : before.poseSeen
      if (one.kind === 'begins') {
        const rotation = before.against
          ? { ...startRotation, totalDeg: before.rotation.totalDeg }
          : rotationCarried(before.rotation, true, on.cycleDeg)
        return { rotation, poseSeen: undefined, against: undefined }
      }
      if (one.kind === 'turned') {
        const zero = undefined
        return { ...before, poseSeen, rotation: rotationTurned(before.rotation, one, zero, on.cycleDeg) }
      }
      if (one.kind === 'witness') {
        const firing = firingDegOf(on, one.cylinderId)
        if (firing === undefined || one.says === 'undecided') return { ...before, poseSeen }
        const placeDeg = firing + (one.says === 'firing' ? 0 : 360)
        return {
          ...before,
          poseSeen,
          rotation: rotationWitness(before.rotation, {
            evidence: one.evidence,
            placeDeg,
            cycleDeg: on.cycleDeg,
          }),
        }
      }
      if (one.kind === 'stands') {
        const pose = one.place === 'pose'
        const placeDeg = pose ? on.referencePose.crankDeg.value : tdcOnOneTurn(on, one.cylinderId)
        if (placeDeg === undefined || inDoubt)
          return { ...before, poseSeen: placeDeg === undefined ? before.poseSeen : undefined }
        const anyUndone = w.linksAt(n - 1).some((link) => w.undoneAt(link, n - 1, { afterDoubtOf: n }) !== undefined)
        const most = anyUndone ? trim : 45
        const { deg } = crankPlace(before.rotation, on, undefined).place
        const { reference, totalDeg, wheelDisagreesDeg } = before.rotation
        const off =
          pose && deg !== undefined
            ? Math.abs(wrap(placeDeg - deg, on.cycleDeg))
            : reference && wheelDisagreesDeg === undefined
              ? Math.abs(wrap(placeDeg - reference.originDeg - totalDeg, 360))
              : 0
        if (before.against || off > most)
          return { ...before, poseSeen: undefined, against: { entry: one, placeDeg, pose } }
        return stood(before, on, placeDeg, pose, n, jobOf(one)?.job.arrival === 'chainOff')
      }
      if (one.kind === 'settled' && one.part.about === 'crank' && before.against?.entry.id === one.part.id)
        return stood({ ...before, against: undefined }, on, before.against.placeDeg, before.against.pose, n, false)
      if (one.kind === 'ranUntilNow' && w.ranHolds(n - 1))
        return { ...before, rotation: { ...before.rotation, carriedOriginDeg: undefined } }
      return before
    })
  const stood = (
    before: Crank,
    on: BuildSheet,
    placeDeg: number,
    pose: boolean,
    n: number,
    arrivedOff: boolean,
  ): Crank => {
    const allOff = on.loops.length > 0 && on.loops.every(({ id }) => w.linkIs({ kind: 'loop', id }, n - 1) === 'off')
    const rotation = rotationStands(before.rotation, placeDeg, pose && arrivedOff && allOff, on.cycleDeg)
    return { ...before, rotation, poseSeen: pose ? rotation.totalDeg : before.poseSeen }
  }
  const jobOf = (one: Entry) =>
    all.find((other): other is Begins => other.kind === 'begins' && other.job.id === one.jobId)
  const total = (n: number) => crankAt(n).rotation.totalDeg
  return { crankAt, total, jobOf }
}
