import type {
  AgainstBand,
  FollowerAim,
  FollowerOwes,
  JudgedLeads,
  NotHeld,
  Points,
  WhichTurn,
} from '@link-count/core/followers'
import type { EntryOf, FollowerFigure, FollowerKind, FollowerSetBy } from '@link-count/core/model'
import { fixed } from '@link-count/core/units'

type Read = EntryOf<'followerRead'>

export const followerKindWords: Readonly<Record<FollowerKind, string>> = {
  inLinePump: 'in-line pump',
  distributorPump: 'distributor pump',
  singlePumps: 'single pumps on a camshaft',
  magneto: 'magneto',
  distributor: 'distributor',
  contactBreaker: 'contact breaker of its own',
  trigger: 'trigger',
}

export const setByWords: Readonly<Record<FollowerSetBy, string>> = {
  swing: 'its body swung in slots',
  places: 'a coupling with places',
  vernier: 'a coupling with two rows of places',
  tooth: 'a tooth of its gear',
  shims: 'shims under it',
  spline: 'a spline',
  pointsGap: 'the points gap',
}

/** A figure of fuel or spark in its unit. */
export function followerFigure(by: FollowerFigure, value: number): string {
  if (by === 'lift') return `${fixed(value, 2)} mm`
  if (by === 'piston') return `${fixed(value, 2)} mm`
  if (by === 'rim') return `${fixed(value, 1)} mm`
  return `${fixed(value, 1)}°`
}

/** What it is a figure of. */
export const figureOfWords: Readonly<Record<FollowerFigure, string>> = {
  lift: 'lift at firing TDC',
  beforeTdc: 'before firing TDC',
  piston: 'of piston before firing TDC',
  rim: 'of rim before firing TDC',
}

export const followerWithWords: Readonly<Record<Read['with'], string>> = {
  dial: 'on a dial',
  spill: 'as the flow stops',
  line: 'by a line and its notch',
  lamp: 'by a lamp or meter',
  feeler: 'by a feeler in the points',
  eye: 'by eye',
}

export const zeroedWords: Readonly<Record<NonNullable<Read['zeroed']>, string>> = {
  back: 'zero where the needle fell no more, going back',
  forward: 'zero where the needle fell no more, after the delivery before',
  elsewhere: 'zero taken elsewhere',
}

/** How a figure lies against its band. */
export function againstWords({ is, sure }: AgainstBand): string {
  const told = { under: 'late, short of its band', in: 'in its band', over: 'early, over its band' }[is]
  if (sure === 'cannotTell') return 'the ± is as wide as the band: read it finer'
  return sure === 'onLimit' ? `${told}, on the limit: read it again` : told
}

/** How many of several are in their band, and how many have to be read again before that can be told. */
export function trimmedWords(against: readonly AgainstBand[], of: number): string {
  const again = against.filter(({ sure }) => sure !== 'sure').length
  const inBand = against.filter(({ is, sure }) => is === 'in' && sure === 'sure').length
  return `${inBand} of ${of} in band${again > 0 ? `, ${again} to read again` : ''}`
}

export const whichAimWords: Readonly<Record<FollowerAim['which'], string>> = {
  book: 'the book’s',
  brisker: 'the brisker one',
  softer: 'the softer one',
  own: 'one of your own',
}

export const notToldWords: Readonly<Record<NotHeld, string>> = {
  cameBackwards:
    'it was come to backwards, and the play of its drive is in it. Go back well past it and come to it as it runs',
  zeroElsewhere: 'its zero was not where the needle falls no more, so the lift reads short. Set the dial to 0 there',
  needleAtStop:
    'the needle was at its own stop, and falls no more whatever the pump does. Press the dial in by about 2 mm',
  startAdvanceOn: 'its cold-start advance was on, so it reads earlier than it is. Let it off',
  lift: 'a lift is not held against degrees',
  noStroke: 'the stroke is not on the build sheet',
  noRim: 'the rim is not on the build sheet',
  dome: 'a rod down a leaning hole tells nothing on a dome: take the wheel or the rim',
  crownNotSaid: 'its hole leans, and whether the crown is flat or a dome is not on the build sheet',
  leanNotSaid: 'the crown is a dome, and how far its hole leans is not on the build sheet',
  outOfStroke: 'the piston is never so far down',
  pawlsNotSaid: 'whether its pawls were held out was not said',
  lagNotKnown: 'how much its coupling lags is not on the build sheet',
  controlNotSaid: 'where its advance stood was not said',
  advanceNotKnown: 'how much its advance is worth is not on the build sheet',
  noShaft: 'its shaft is not on the build sheet',
}

/** What has still to be done with it, after its name. */
export const followerOwesWords: Readonly<Record<FollowerOwes, string>> = {
  driveMoved: 'its drive was moved, and it was not read again',
  moved: 'it was moved, and it was not read again',
  notTight: 'not read with its bolts tight',
  outOfBand: 'left out of its band',
  onLimit: 'on the limit of its band',
}

/** Which of the two TDCs it is read at. */
export const whichTurnWords: Readonly<Record<WhichTurn, string>> = {
  proved: 'Firing TDC, proved by two witnesses.',
  read: 'Firing TDC by one witness: a second one proves it.',
  open: 'Which of the two TDCs this is was not witnessed: it may stand a whole turn of the crank out.',
  conflict: 'The witnesses of firing and overlap contradict each other: settle that first.',
  cannotMatter: 'Each TDC is alike to it: which of the two cannot matter.',
}

export const pointsWords: Readonly<Record<Points, string>> = {
  right: 'It serves the cylinder that fires.',
  halfTurnOut:
    'It serves the cylinder at its other TDC: half a turn of its own out. Take it off and let it round by half.',
  elsewhere: 'It serves another cylinder: it is in mesh elsewhere, or its leads are laid from another segment.',
  open: '',
  cannotMatter: '',
}

/** Leads as they were seen, against the firing order. */
export function leadsWords({ right, wrong, crossed }: JudgedLeads, nameOf: (id: string) => string): string {
  if (right) return 'The leads are in the firing order.'
  if (crossed)
    return `The leads of cylinders ${nameOf(crossed[0])} and ${nameOf(crossed[1])} are crossed: change the two over.`
  return `${wrong.length} leads are wrong: ${wrong.map(({ has, wants }) => `where ${nameOf(has)} is, ${nameOf(wants)} belongs`).join('; ')}.`
}

/** Dangers of fuel and spark while they are read. */
export const followerCautions = {
  lamp: 'Only the earth wire comes off, plugs stay out and their leads away, hands clear of the breaker; it is not swung.',
  coil: 'The ignition is on for the lamp: the starter stays isolated.',
  spill: 'Fuel stands at feed pressure: a tray under it, no flame, no hot metal near.',
  brisk: 'Earlier than the book raises the highest pressure in the cylinder: it knocks and runs hot before it pulls.',
} as const
