/** Every kind of step a run sheet can have. */
export const STEP_KINDS = [
  'makeSafe',
  'symptoms',
  'lookOver',
  'lashFound',
  'trueTdc',
  'whichTdc',
  'asFound',
  'wear',
  'paint',
  'poseChainOff',
  'recouple',
  'setCam',
  'chainOnCount',
  'slackFound',
  'tensioner',
  'slackSet',
  'twoTurns',
  'lashLeft',
  'pressures',
  'card',
] as const
export type StepKind = (typeof STEP_KINDS)[number]
