import type { Layout } from '@link-count/core/cylinders'
import { NEEDS_STAR, NEEDS_TWO_BANKS, TOPOLOGIES, type Topology } from '@link-count/core/starters'

export type DriveShape = Topology | 'oneChain' | 'none'

/** What drives the camshafts, in a few words. */
export const driveWords: Readonly<Record<DriveShape, string>> = {
  oneChain: 'one chain, one camshaft',
  twinCam: 'one chain, two camshafts',
  twinCamBelt: 'one belt, two camshafts',
  chainEachCam: 'a chain to each camshaft',
  twoStage: 'two chains over an intermediate shaft',
  chainWithPump: 'one chain, camshaft and pump',
  beltWithPump: 'one belt, camshaft and pump',
  beltWithIntermediate: 'one belt, camshaft and intermediate shaft',
  gearThenChain: 'a gear, then a chain',
  gearPair: 'crank and camshaft gears, pushrods',
  gearsOnly: 'gears only',
  shaftAndBevels: 'a shaft and bevels',
  chainEachBank: 'a chain to each bank',
  twoChainsByIdlers: 'idler gears, a chain to each bank',
  twoBelts: 'a belt to each bank',
  fourCamBelt: 'one belt, four camshafts',
  gearTower: 'gears, then quills to each bank',
  splinedBanks: 'a chain, then splined shafts to each bank',
  camRing: 'gears to a cam ring',
  none: 'none, or not of this kind',
}

/** Shapes that go with how the cylinders stand, in the order in which they are shown. */
export function drivesFor(layout: Layout): readonly DriveShape[] {
  const twoBanks = layout !== 'inLine' && layout !== 'radial'
  const fits = (one: DriveShape) =>
    one === 'oneChain' ||
    one === 'none' ||
    (TOPOLOGIES.includes(one) &&
      (twoBanks || !NEEDS_TWO_BANKS.includes(one)) &&
      (layout === 'radial' || !NEEDS_STAR.includes(one)))
  return (Object.keys(driveWords) as DriveShape[]).filter(fits)
}
