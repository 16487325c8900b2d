import type { StepKind } from '../../model/stepKinds'
import { asFound } from './asFound'
import { bolts } from './bolts'
import { card } from './card'
import { chainOnCount } from './chainOnCount'
import { pumpFound, pumpSet, pumpTight, sparkFound, sparkSet, sparkTight } from './followers'
import { lashFound, lashLeft } from './lash'
import { makeSafe } from './makeSafe'
import { poseChainOff } from './poseChainOff'
import { setCam } from './setCam'
import { lookOver } from './lookOver'
import { paint } from './paint'
import { pressures } from './pressures'
import { recouple } from './recouple'
import type { StepKindRecord } from './step'
import { slackFound, slackSet } from './slack'
import { symptoms } from './symptoms'
import { wear } from './wear'
import { gettingBack, gettingIn } from './takenOff'
import { tensioner } from './tensioner'
import { trueTdc } from './trueTdc'
import { twoTurns } from './twoTurns'
import { whichTdc } from './whichTdc'

export type { CrankPlace, Evidence, Given, Hindrance, StepKindRecord } from './step'

/** Every kind of step. Of those that may come at one point of a run sheet the one that stands first here goes first. */
export const stepKinds = {
  makeSafe,
  symptoms,
  gettingIn,
  lookOver,
  lashFound,
  trueTdc,
  whichTdc,
  asFound,
  pumpFound,
  sparkFound,
  wear,
  paint,
  poseChainOff,
  recouple,
  setCam,
  chainOnCount,
  slackFound,
  tensioner,
  slackSet,
  twoTurns,
  lashLeft,
  pumpSet,
  pumpTight,
  sparkSet,
  sparkTight,
  gettingBack,
  bolts,
  pressures,
  card,
} satisfies Record<StepKind, StepKindRecord>

export { lashAsked } from './lash'
export type { StepKind }
