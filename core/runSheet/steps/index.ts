import { asFound } from './asFound'
import { card } from './card'
import { chainOnCount } from './chainOnCount'
import { lashFound, lashLeft } from './lash'
import { makeSafe } from './makeSafe'
import { poseChainOff } from './poseChainOff'
import { setCam } from './setCam'
import type { StepKindRecord } from './step'
import { tensioner } from './tensioner'
import { trueTdc } from './trueTdc'
import { twoTurns } from './twoTurns'
import { whichTdc } from './whichTdc'

export type { CrankPlace, Evidence, Given, Hindrance, StepKindRecord } from './step'
export { PROOF_TURN_DEG } from './twoTurns'

/** Every kind of step. Of those that may come at one point of a run sheet the one that stands first here goes first. */
export const stepKinds = {
  makeSafe,
  lashFound,
  trueTdc,
  whichTdc,
  asFound,
  poseChainOff,
  setCam,
  chainOnCount,
  tensioner,
  twoTurns,
  lashLeft,
  card,
} satisfies Record<string, StepKindRecord>

export type StepKind = keyof typeof stepKinds
