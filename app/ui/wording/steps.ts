import type { BuildSheet } from '@link-count/core/model'
import type { CautionId, Hindrance, Step, StepKind } from '@link-count/core/runSheet'
import { placeOfLink } from '@link-count/core/drive'
import { followersOf } from '@link-count/core/followers'
import { partsOf } from '@link-count/core/sheet'
import { couplingName } from './coupling'
import { inSentence } from './inSentence'
import { nounsOf, nounsOfAll, type LoopNouns } from './loops'
import { upperFirst } from './upperFirst'

const titles: { readonly [K in StepKind]: string | ((noun: LoopNouns) => string) } = {
  makeSafe: 'Make safe',
  lashFound: 'Lash as found',
  trueTdc: 'True TDC',
  whichTdc: 'Which TDC',
  asFound: 'As found',
  poseChainOff: ({ loop }) => `To the timing position, ${loop} off`,
  setCam: 'Set the cam',
  chainOnCount: ({ loop }) => `${upperFirst(loop)} on: count`,
  slackFound: 'Slack as found',
  tensioner: 'Set the tensioner',
  slackSet: 'Slack after',
  twoTurns: 'Full turns, read again',
  lashLeft: 'Lash as left',
  symptoms: 'What it does, and why',
  lookOver: 'Look it over',
  pumpFound: 'Pump as found',
  pumpSet: 'Set the pump',
  pumpTight: 'Pump, read tight',
  sparkFound: 'Spark as found',
  sparkSet: 'Set the spark',
  sparkTight: 'Spark, read tight',
  wear: 'Wear',
  paint: ({ loop }) => `Paint and count the ${loop}`,
  recouple: 'Re-set on the coupling',
  gettingIn: 'Getting in',
  gettingBack: 'Getting back',
  bolts: 'Tighten',
  pressures: 'Pressures',
  card: 'Card',
}

/** A kind of step by its title. */
export function kindTitle(kind: StepKind, noun: LoopNouns): string {
  const title = titles[kind]
  return typeof title === 'string' ? title : title(noun)
}

/** A step by its title, with what it is done on where the run sheet has several of its kind. */
export function stepTitle({ kind, targetIds }: Pick<Step, 'kind' | 'targetIds'>, sheet: BuildSheet): string {
  const [target] = targetIds
  const loop = partsOf(sheet).loop(target)
  const title = kindTitle(kind, loop ? nounsOf(loop) : nounsOfAll(sheet.loops))
  const several: Partial<Record<StepKind, readonly { id: string; name: string }[]>> = {
    asFound: sheet.shafts.filter((shaft) => shaft.kind === 'cam'),
    setCam: sheet.shafts.filter((shaft) => shaft.kind === 'cam'),
    paint: sheet.loops,
    recouple: [
      ...sheet.couplings.map((one) => ({ id: one.id, name: couplingName(one, sheet) })),
      ...sheet.adjusters.map(({ id, memberId }) => ({ id, name: partsOf(sheet).member(memberId)?.name ?? id })),
    ],
    poseChainOff: sheet.loops,
    chainOnCount: sheet.loops,
    tensioner: partsOf(sheet).tensioners,
    bolts: sheet.boltGroups ?? [],
    ...Object.fromEntries(
      (['pumpFound', 'pumpSet', 'pumpTight', 'sparkFound', 'sparkSet', 'sparkTight'] as const).map((one) => [
        one,
        followersOf(sheet, one.startsWith('pump') ? 'fuel' : 'spark'),
      ]),
    ),
  }
  const own = kind === 'poseChainOff' && placeOfLink(sheet, target ?? '') !== sheet.referencePose.crankDeg.value
  const like = (several[kind] ?? []).filter(({ id }) => kind !== 'recouple' || isRecoupled(sheet, id))
  const name = (like.length > 1 || kind === 'bolts') && like.find(({ id }) => id === target)?.name
  const plain = own ? title.replace('the timing position', 'its own place') : title
  return name ? `${plain}: ${inSentence(name)}` : plain
}

const isRecoupled = (sheet: BuildSheet, id: string) =>
  sheet.couplings.some((one) => one.id === id && one.kind !== 'gearMesh') ||
  sheet.adjusters.some((one) => one.id === id && one.kind === 'couplingSlip')

const hindrances: { readonly [K in Hindrance]: (noun: LoopNouns) => string } = {
  chainAlreadyOff: ({ loop }) =>
    `It came in with its ${loop} off, so there is nothing to read here. Setting the cam at the timing position takes its place: firing or overlap is then whichever the cam is set to.`,
  camshaftOut: () =>
    'It came in with this camshaft out, so there is nothing to read here. What is read once it is in and set takes its place.',
  headOff: () =>
    'It came in with the head off, so there is nothing to read here. It is read once the head is on; true TDC can be read off the piston itself meanwhile.',
  nothingDriven: () =>
    'Nothing drives a camshaft on it, so no valve tells which TDC it is. Firing or overlap is then whichever the cams are set to.',
}

/** Why a step cannot be done, and what takes its place. */
export const hindranceWords = (hindrance: Hindrance, { loops }: Pick<BuildSheet, 'loops'>): string =>
  hindrances[hindrance](nounsOfAll(loops))

const cautions: { readonly [K in CautionId]: string | ((noun: LoopNouns) => string) } = {
  manualFirst: "The maker's manual and the rules of this place come first; this is an aid to them",
  airOff: 'Starting air shut, drained and locked out',
  startingOff: 'Battery off, starter cannot engage',
  ignitionOff: 'Ignition off and its lead earthed',
  magnetoDead:
    'Magneto earthed and its wire tried: it sparks without a battery, even from a small move by hand, and an impulse coupling kicks',
  fuelOff: 'Fuel shut; no vapour, no hot metal about',
  outOfGear: 'Out of gear, brake on, wheels chocked',
  takeOffOut: 'Take-off out: what it drives cannot turn with it',
  propellerStill: 'Propeller held, or its coupling apart: it turns the crank, and the crank turns it',
  plugsOut: 'Plugs out, so that nothing is compressed when turned by hand',
  injectorsOut: 'Injectors or glow plugs out, so that nothing is compressed when turned by hand',
  oilInHanging:
    'Hanging cylinders drained: oil or fuel in one stops the piston dead and bends its rod. Plugs out, then slowly through two turns by hand',
  turnsWithIt:
    'What its crank is coupled to is not on the build sheet. Gear or take-off out, vehicle chocked, propeller held',
  turningGear: 'Turning gear in before anybody reaches in, and lubricating oil shut',
  wetLiners: 'Wet liners: clamped before the crank turns with a head off, or they lift off their seals',
  springsFly: 'Springs and tensioners fly: held, latched or wrapped before they are let go',
  fuelPierces: 'Fuel at injector pressure goes through skin: no hand at an open injector or a loose pipe',
  kickback: 'Starting handle: thumb on the same side as the fingers, spark retarded; it kicks back',
  oneSideBelow: 'Somebody below: one of you says “turn” and “stop”, and the other answers before anything moves',
  handsClear: ({ drive }) => `Hands clear of ${drive}; nobody else turns it without a word`,
  asbestos: 'Old gaskets and linings may be asbestos: no scraping dry, no blowing',
}

/** A caution of make safe, as it is ticked. */
export function cautionWords(id: CautionId, { loops }: Pick<BuildSheet, 'loops'>): string {
  const words = cautions[id]
  return typeof words === 'string' ? words : words(nounsOfAll(loops))
}
