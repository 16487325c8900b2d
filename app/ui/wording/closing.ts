import type { CheckId, CheckWhen, judgeGap } from '@link-count/core/closing'
import type { EntryOf } from '@link-count/core/model'

export const checkWhenWords: Readonly<Record<CheckWhen, string>> = {
  beforeCovers: 'Before the covers go on',
  closing: 'Closing',
  firstRun: 'First run',
  afterRun: 'After the first run',
}

export const checkWords: Readonly<Record<CheckId, string>> = {
  oilPockets: 'Oil pockets filled',
  lubricated: 'Lobes and pivots oiled',
  sealsRound: 'Seals the right way round, lips oiled',
  guardGap: 'Gap of the belt’s guard',
  pipesOn: 'Pipes, leads and linkages back on',
  fuelBled: 'Fuel bled',
  coolingWater: 'Cooling water runs',
  oilPressure: 'Oil pressure comes up',
  noise: 'No noise',
  leaks: 'No leaks',
  lashAgain: 'Lash again, after the run',
  tensionAgain: 'Tension again, after the run',
  boltsAgain: 'Bolts again, where their source says so',
  paintLines: 'No paint line has moved',
}

export const checkIsWords: Readonly<Record<EntryOf<'check'>['is'], string>> = {
  done: 'done',
  notHere: 'nothing of the kind here',
  owed: 'owed',
}

export const guardGapWords: Readonly<Record<ReturnType<typeof judgeGap>, string>> = {
  right: 'The gap is right.',
  tooClose: 'Too close: the belt will rub.',
  tooFar: 'Too far: the belt can jump.',
  cannotTell: 'The two blades lie about a limit: take nearer ones.',
  crossed: 'The blade that goes must be the thinner one.',
}
