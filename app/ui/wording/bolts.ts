import { tighteningOrder } from '@link-count/core/fasteners'
import type { InHand, LocksBefore, Pass, Suits, Told } from '@link-count/core/fasteners'
import type {
  BoltGroup,
  BoltOrder,
  BoltsLaid,
  BuildSheet,
  EntryOf,
  Fastened,
  LockedBy,
  ThreadWith,
} from '@link-count/core/model'
import { fixed, torqueIn, type TorqueError, type TorqueUnit } from '@link-count/core/units'
import { numberWords } from './errors'

export const fastenedWords: Readonly<Record<Fastened, string>> = {
  cap: 'cam caps',
  cover: 'a cover',
  sprocket: 'a sprocket, pulley or gear',
  flywheel: 'the flywheel',
  head: 'the cylinder head',
  pump: 'a pump, magneto or distributor',
  other: 'something else',
}

export const boltOrderWords: Readonly<Record<BoltOrder, string>> = {
  crissCross: 'criss-cross',
  star: 'as a star',
  fromMiddle: 'from the middle out',
  roundAndRound: 'round and round',
  asStamped: 'as they are numbered',
  touched: 'as you touch them',
}

export const boltsLaidWords: Readonly<Record<BoltsLaid, string>> = {
  ring: 'in a ring',
  grid: 'in a grid',
  pairs: 'in two rows',
  touched: 'by touch',
}

export const threadWithWords: Readonly<Record<ThreadWith, string>> = {
  oil: 'oil',
  locker: 'thread-locker',
  sealant: 'sealant',
  compound: 'assembly compound',
}

export const lockedByWords: Readonly<Record<LockedBy, string>> = {
  plain: 'plain washers',
  springWasher: 'spring washers',
  tab: 'lock tabs',
  disc: 'locking discs',
  wire: 'locking wire',
}

export const TORQUE_UNITS: readonly TorqueUnit[] = ['N·m', 'ft-lb', 'in-lb', 'kgf·m']

/** A torque in the unit of the wrench in hand. */
export function torqueWords(nm: number, unit: TorqueUnit): string {
  const n = torqueIn(nm, unit)
  return `${fixed(n, n < 10 && unit === 'kgf·m' ? 2 : n < 100 ? 1 : 0)} ${unit}`
}

/** What a bolt is brought to in one time round. */
export function passWords(pass: Pass, unit: TorqueUnit): string {
  switch (pass.by) {
    case 'torque':
      return torqueWords(pass.nm, unit)
    case 'angle':
      return `${fixed(pass.deg, 0)}° further`
    case 'halfTurn':
      return `half a turn, ${pass.round + 1} of ${pass.of}`
    case 'hand':
      return 'tight by hand'
  }
}

/** Every stage of a group, one after the other, in N·m and as it was typed where that is another unit. */
export function boltStagesWords({ stages }: Pick<BoltGroup, 'stages'>): string {
  if (stages.length === 0) return 'tight by hand'
  return stages
    .map((stage) => {
      if (stage.by === 'torque') {
        const told = torqueWords(stage.nm.value, 'N·m')
        return /n\s*[·.*-]?\s*m/i.test(stage.nm.typed) ? told : `${told} (${stage.nm.typed})`
      }
      if (stage.by === 'angle') return `${fixed(stage.deg.value, 0)}° further`
      return stage.by === 'hand' ? 'tight by hand' : `half a turn each, ${stage.rounds} times round`
    })
    .join(', ')
}

export const boltGroupName = ({ boltGroups }: BuildSheet, id: string) =>
  boltGroups?.find((one) => one.id === id)?.name ?? id

/** A bolt by what is stamped at it, else by its place in the order, as it is on the drawing. */
export function boltName(group: BoltGroup | undefined, boltId: string): string {
  const order = group ? tighteningOrder(group) : []
  const at = order.findIndex(({ id }) => id === boltId)
  return at < 0 ? boltId : (order[at]?.name ?? String(at + 1))
}

export function boltDidWords(did: EntryOf<'bolt'>['did'], pass: Pass | undefined): string {
  const to = pass ? passWords(pass, 'N·m') : ''
  switch (did) {
    case 'tightened':
      return to
    case 'checked':
      return `found at ${to}`
    case 'paintTurned':
      return `its paint line has turned, ${to}`
    case 'paintNotTurned':
      return 'its paint line has not turned yet'
    case 'slackened':
      return 'slackened, to be started afresh'
  }
}

export const boltsToldWords: Readonly<Record<Told, string>> = {
  oilWithLocker: 'Oil and thread-locker: on an oiled thread it does not hold. Clean the threads dry.',
  stretchUsed: 'Stretch bolts that were tightened before: they stretch once. Put new ones in.',
  usedAgain: 'New ones are wanted each time, and these were used before.',
  twoFigures: 'Two sources give two torques for these. Find out which is right before the last stage.',
  lessThanBefore: 'A later stage has less torque than one before it: it would do nothing. Look at the figures.',
  angleTwice: 'One was turned through its angle twice: slacken it and start it afresh, with a new bolt.',
  whichBoltsNotSaid: 'New or used was not said, and these are to be new each time.',
}

const cannotJudge: Readonly<Record<Extract<Suits, { is: 'cannotJudge' }>['why'], string>> = {
  noTorque: 'no torque is written down',
  stretch: 'they are stretch bolts',
  angle: 'an angle follows',
  thread: 'its thread is not known',
  strength: 'its strength is not known',
  material: 'what it goes into is not steel, or not known',
}

/** How a figure lies to what its thread usually takes: a question and never a figure to tighten to. */
export function suitsWords(suits: Suits): string {
  if (suits.is === 'cannotJudge') return `Whether it suits its thread cannot be judged: ${cannotJudge[suits.why]}.`
  if (suits.is === 'suits') return 'It is about what such a thread usually takes, steel in steel.'
  return `Is that right? It is much ${suits.is === 'muchMore' ? 'more' : 'less'} than such a thread usually takes, steel in steel. Look at the book and at the unit again.`
}

export const locksBeforeWords: Readonly<Record<LocksBefore, string>> = {
  notSaid: 'Timing locks are in. Which is it on this engine?',
  outFirst: 'Take the locks out first. Torque never goes through a lock.',
  counterHold: 'The locks only keep the place. A counter-hold on the part takes all of the torque.',
}

export const inHandWords: Readonly<Record<Exclude<InHand, 'known'>, string>> = {
  wrenchAgain: 'You were interrupted, so this one is not known. Hold the wrench to it again.',
  paintSays: 'You were interrupted, so this one is not known. Never go on with it by a guess: look at its paint line.',
  feelAgain: 'You were interrupted, so this one is not known. Feel it again before you go on.',
}

/** What is wrong with a torque as it was typed. */
export function torqueErrorWords(error: TorqueError): string {
  if (error.code === 'unitMissing')
    return `Which unit is that? In ${error.candidates.map(({ unit, value }) => `${unit} it is ${fixed(value, 1)} N·m`).join(', in ')}.`
  if (error.code === 'unitUnknown') return `“${error.unit}” is no unit of torque here: N·m, ft-lb, in-lb or kgf·m.`
  return numberWords(error)
}
