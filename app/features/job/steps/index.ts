import type { ReactNode } from 'react'
import type { Step, StepKind, StepStatus } from '@link-count/core/runSheet'
import type { JobView } from '../../../domain/views'
import { asFound } from './asFound'
import { bolts } from './bolts'
import { card } from './card'
import { chainOnCount } from './chainOnCount'
import { pumpFound, pumpSet, pumpTight, sparkFound, sparkSet, sparkTight } from './follower'
import { lashFound, lashLeft } from './lash'
import { makeSafe } from './makeSafe'
import { poseChainOff } from './poseChainOff'
import { setCam } from './setCam'
import { lookOver } from './lookOver'
import { paint } from './paint'
import { pressures } from './pressures'
import { recouple } from './recouple'
import { slackFound } from './slackFound'
import { slackSet } from './slackSet'
import { symptoms } from './symptoms'
import { wear } from './wear'
import type { StepView } from './stepView'
import { gettingBack, gettingIn } from './takenOff'
import { tensioner } from './tensioner'
import { trueTdc } from './trueTdc'
import { twoTurns } from './twoTurns'
import { whichTdc } from './whichTdc'

/** Every kind of step as it is worked at the bench. */
export const stepViews: Record<StepKind, StepView> = {
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
}

/** A step's result on one line. */
export function stepResult(step: Step, status: StepStatus, view: JobView): ReactNode {
  if (status.outcome === 'cannot') return 'cannot be done'
  if (status.outcome === 'skipped') return 'passed over'
  return stepViews[step.kind].result(step, view)
}
