import type { BuildSheet } from '../model/buildSheet'
import type { Entry } from '../model/entry'
import { leansOnWheel } from './kinds'
import { zerosOf, type Zeros } from './zeros'

/** Every zero of a job, one for each setting of its degree wheel. Entries come live and in order. */
export const readZeros = (live: readonly Entry[], sheet: BuildSheet): Zeros => zerosOf(live, sheet, leansOnWheel)
