import type { BuildSheet } from '@link-count/core/model'
import type { CautionId, Hindrance, Step, StepKind } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'

export const stepTitles: Record<StepKind, string> = {
  makeSafe: 'Make safe',
  lashFound: 'Lash as found',
  trueTdc: 'True TDC',
  whichTdc: 'Which TDC',
  asFound: 'As found',
  poseChainOff: 'To the timing position, chain off',
  setCam: 'Set the cam',
  chainOnCount: 'Chain on: count',
  tensioner: 'Release tensioner',
  twoTurns: 'Two turns, read again',
  lashLeft: 'Lash as left',
  card: 'Card',
}

/** A step by its title, with what it is done on where the run sheet has several of its kind; a belt is not called a chain. */
export function stepTitle({ kind, targetIds }: Pick<Step, 'kind' | 'targetIds'>, sheet: BuildSheet): string {
  const [target] = targetIds
  const loop = partsOf(sheet).loop(target)
  const plain = stepTitles[kind]
  const title = loop?.kind === 'toothedBelt' ? plain.replace('Chain', 'Belt').replace('chain', 'belt') : plain
  const several: Partial<Record<StepKind, readonly { id: string; name: string }[]>> = {
    asFound: sheet.shafts.filter((shaft) => shaft.kind === 'cam'),
    setCam: sheet.shafts.filter((shaft) => shaft.kind === 'cam'),
    poseChainOff: sheet.loops,
    chainOnCount: sheet.loops,
    tensioner: sheet.members.filter((member) => member.kind === 'tensioner'),
  }
  const like = several[kind] ?? []
  const name = like.length > 1 && like.find(({ id }) => id === target)?.name
  return name ? `${title}: ${name.toLowerCase()}` : title
}

export const hindranceWords: Record<Hindrance, string> = {
  chainAlreadyOff:
    'It came in with its chain off, so there is nothing to read here. Setting the cam at the timing position takes its place: firing or overlap is then whichever the cam is set to.',
}

export const cautionWords: Record<CautionId, string> = {
  manualFirst: "The maker's manual and the rules of this place come first; this is an aid to them",
  airOff: 'Starting air shut, drained and locked out',
  startingOff: 'Battery off, starter cannot engage',
  ignitionOff: 'Ignition off and its lead earthed',
  fuelOff: 'Fuel shut; no vapour, no hot metal about',
  plugsOut: 'Plugs out, so that nothing is compressed when turned by hand',
  injectorsOut: 'Injectors or glow plugs out, so that nothing is compressed when turned by hand',
  handsClear: 'Hands clear of chain and sprockets; nobody else turns it without a word',
  asbestos: 'Old gaskets and linings may be asbestos: no scraping dry, no blowing',
}
