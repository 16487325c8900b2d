import { camWays, type CamWayKind } from '../../cams/ways'
import type { Entry, EntryKind } from '../../model/entry'
import { zeroWays } from '../../zero/ways'
import type { CamRead } from '../camWitnesses'
import type { JobSoFar } from '../jobSoFar'
import { takeRead } from '../stand/parts'
import { adjusted, adjustedShape } from './adjusted'
import { camSet, camSetShape } from './camSet'
import { camshaft, camshaftShape } from './camshaft'
import { chainLength, chainLengthShape } from './chainLength'
import { close, closeShape } from './close'
import { contactAgain, contactAgainShape } from './contactAgain'
import { count, countShape } from './count'
import { coupling, couplingShape } from './coupling'
import { degreeWheel, degreeWheelShape } from './degreeWheel'
import { deviation, deviationShape } from './deviation'
import { dial, dialShape } from './dial'
import { headHeight, headHeightShape } from './headHeight'
import { item, itemShape } from './item'
import { lash, lashShape } from './lash'
import { leaning, leaningShape } from './leaning'
import { loop, loopShape } from './loop'
import { markHidden, markHiddenShape } from './markHidden'
import { meshCount, meshCountShape } from './meshCount'
import { moved, movedShape } from './moved'
import { note, noteShape } from './note'
import { kit, kitShape } from './kit'
import { toldApart, toldApartShape } from './toldApart'
import { picture, pictureShape } from './picture'
import { pictureMarks, pictureMarksShape } from './pictureMarks'
import { ranUntilNow, ranUntilNowShape } from './ranUntilNow'
import { settled, settledShape } from './settled'
import { sheet, sheetShape } from './sheet'
import { shim, shimShape } from './shim'
import { stands, standsShape } from './stands'
import { slack, slackShape } from './slack'
import { spring, springShape } from './spring'
import { step, stepShape } from './step'
import { strike, strikeShape } from './strike'
import { target, targetShape } from './target'
import { tensioner, tensionerShape } from './tensioner'
import { tick, tickShape } from './tick'
import { topLift, topLiftShape } from './topLift'
import { turned, turnedShape } from './turned'
import { walk, walkShape } from './walk'
import { wheelKnocked, wheelKnockedShape } from './wheelKnocked'
import { witness, witnessShape } from './witness'
import { causeSettled, causeSettledShape } from './causeSettled'
import { finding, findingShape } from './finding'
import { putBack, putBackShape } from './putBack'
import { smallParts, smallPartsShape } from './smallParts'
import { tookOff, tookOffShape } from './tookOff'
import { check, checkShape } from './check'
import { wait, waitShape } from './wait'
import { waitEnds, waitEndsShape } from './waitEnds'
import { bolt, boltShape } from './bolt'
import { boltGroup, boltGroupShape } from './boltGroup'
import { leadsSeen, leadsSeenShape } from './leadsSeen'
import { followerMoved, followerMovedShape } from './followerMoved'
import { followerRead, followerReadShape } from './followerRead'
import { followerTarget, followerTargetShape } from './followerTarget'
import { plan, planShape } from './plan'
import { pressure, pressureShape } from './pressure'
import { symptom, symptomShape } from './symptom'
import { turnLook, turnLookShape } from './turnLook'
import { onlyOfJob, withTheZeros, type LedgerKind, type Nothing } from './kind'

export { nothing, type LedgerKind, type Nothing } from './kind'

/** The shapes of every kind of line that is no way of reading. */
export const ledgerShapes = [
  strikeShape,
  tickShape,
  stepShape,
  itemShape,
  camshaftShape,
  ranUntilNowShape,
  settledShape,
  loopShape,
  tensionerShape,
  slackShape,
  springShape,
  degreeWheelShape,
  dialShape,
  wheelKnockedShape,
  contactAgainShape,
  leaningShape,
  standsShape,
  turnedShape,
  turnLookShape,
  witnessShape,
  lashShape,
  shimShape,
  topLiftShape,
  headHeightShape,
  chainLengthShape,
  adjustedShape,
  targetShape,
  walkShape,
  countShape,
  markHiddenShape,
  meshCountShape,
  movedShape,
  couplingShape,
  camSetShape,
  deviationShape,
  noteShape,
  pictureShape,
  pictureMarksShape,
  kitShape,
  toldApartShape,
  sheetShape,
  causeSettledShape,
  findingShape,
  followerReadShape,
  followerMovedShape,
  followerTargetShape,
  leadsSeenShape,
  tookOffShape,
  putBackShape,
  smallPartsShape,
  checkShape,
  waitShape,
  waitEndsShape,
  boltGroupShape,
  boltShape,
  planShape,
  pressureShape,
  symptomShape,
  closeShape,
] as const

const keepRead = ({ camReads }: JobSoFar, read: CamRead) => void camReads.push(read)

const ofZeroWays = Object.fromEntries(
  Object.entries(zeroWays).map(([kind, { samples }]) => [
    kind,
    { inJob: withTheZeros, onEngine: onlyOfJob, leansOnWheel: true, samples },
  ]),
) as unknown as { readonly [K in keyof typeof zeroWays]: LedgerKind<K> }

const ofCamWays = Object.fromEntries(
  Object.entries(camWays).map(([kind, { leansOnWheel, samples }]) => [
    kind,
    { inJob: keepRead, onEngine: takeRead, leansOnWheel, samples },
  ]),
) as unknown as { readonly [K in CamWayKind]: LedgerKind<K> }

/** Every kind of line there is. */
export const ledgerKinds: { readonly [K in EntryKind]: LedgerKind<K> } = {
  ...ofZeroWays,
  ...ofCamWays,
  strike,
  tick,
  step,
  item,
  camshaft,
  ranUntilNow,
  settled,
  loop,
  tensioner,
  slack,
  spring,
  degreeWheel,
  dial,
  wheelKnocked,
  contactAgain,
  leaning,
  stands,
  turned,
  turnLook,
  witness,
  lash,
  shim,
  topLift,
  headHeight,
  chainLength,
  adjusted,
  target,
  walk,
  count,
  markHidden,
  meshCount,
  moved,
  coupling,
  camSet,
  deviation,
  note,
  picture,
  pictureMarks,
  kit,
  toldApart,
  sheet,
  causeSettled,
  finding,
  followerRead,
  followerMoved,
  followerTarget,
  leadsSeen,
  tookOff,
  putBack,
  smallParts,
  check,
  wait,
  waitEnds,
  boltGroup,
  bolt,
  plan,
  pressure,
  symptom,
  close,
}

/** The kind of a line. */
export const kindOf = <E extends Entry>({ kind }: E) => ledgerKinds[kind] as unknown as LedgerKind<E['kind']>

export const isNothing = <T>(effect: T | Nothing): effect is Nothing => typeof effect !== 'function'

/** Whether a line says anything of how the engine stands: what is on, in, or proved, or where the crank is; or takes back a line that did. */
export const saysOfStand = (entry: Entry): boolean => entry.kind === 'strike' || !isNothing(kindOf(entry).onEngine)

/** Whether a line holds a reading of the degree wheel, or was made with the crank put by it. */
export function leansOnWheel(entry: Entry): boolean {
  const leans = kindOf(entry).leansOnWheel
  return typeof leans === 'function' ? leans(entry) : leans
}
