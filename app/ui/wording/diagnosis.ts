import type { Band, BandCode, CauseCode, NextReading } from '@link-count/core/diagnose'
import type { Schools } from '@link-count/core/runSheet'

export interface CauseWords {
  /** What is wrong, in a line. */
  readonly name: string
  /** What its size is counted in, where it has one. */
  readonly size?: { readonly unit: string; readonly decimals: number }
}

export const causeWords: { readonly [K in CauseCode]: CauseWords } = {
  teeth: { name: 'Whole teeth out' },
  gearTeeth: { name: 'Gears in mesh whole teeth out' },
  halfTurn: { name: 'Half a turn out: a whole turn of the crank' },
  zeroOff: { name: 'The zero is off: TDC is not where it was found', size: { unit: '°', decimals: 1 } },
  crankKey: { name: 'The key on the crank is sheared or offset', size: { unit: '° at the crank', decimals: 1 } },
  slipped: { name: 'The camshaft slipped in its hub or taper', size: { unit: '° at the crank', decimals: 1 } },
  stretch: { name: 'The chain has stretched', size: { unit: '% longer', decimals: 2 } },
  skim: { name: 'The head or block was skimmed', size: { unit: ' mm', decimals: 2 } },
  slack: { name: 'Slack lies on the run that pulls', size: { unit: ' mm', decimals: 1 } },
  lash: { name: 'Lash is not the book’s', size: { unit: ' mm more', decimals: 2 } },
  wear: { name: 'A lobe is worn', size: { unit: ' mm of lift', decimals: 2 } },
  wrongLift: { name: 'Read at another lift than the book’s', size: { unit: ' mm off', decimals: 2 } },
  camSwapped: { name: 'Inlet and exhaust camshaft changed over' },
  mark: {
    name: 'The mark is not what it seems, or is on the wrong tooth',
    size: { unit: '° at the crank', decimals: 1 },
  },
  wrongCam: { name: 'A camshaft that is not this book’s' },
}

export const nextReadingWords: Record<NextReading, string> = {
  witnessByAir:
    'Air past a thumb on the plug hole, coming up: it sees the half of the cycle without looking at the cams.',
  countGears: 'Count the teeth between the marks of the gears: they see the tooth and nothing else.',
  zeroAgain: 'Find TDC once more by another way: two that agree prove the zero.',
  readMark: 'Read the camshaft’s mark as well: it stays with its wheel where the shaft slipped.',
  seeHub: 'Look at the hub or taper: does it move on its shaft, are its bolts tight?',
  seeCrankKey: 'Look at the key of the wheel on the crank, and at its keyway.',
  countRuns: 'Count the pulled runs: a count sees the tooth and nothing else.',
  measureChain: 'Measure the chain by calliper over ten pitches or more, at the worst of several places.',
  comeAgainRunning: 'Read the marks again with no slack on the pulled run, the tensioner released.',
  measureHead: 'Measure the head or block against its book height.',
  measureLash: 'Measure the lash of these valves.',
  topLift: 'Measure the top lift of these lobes.',
  checkDial: 'Check the dial’s zero and the lift that the book means, and read again.',
  camIdentity: 'Read what is stamped on the camshaft, measure its top lifts, and read its lobes once more.',
  openingAndClosing: 'Read an opening and a closing: they tell lateness from how long it is open.',
  readAgain: 'Read again, each by another way.',
}

export const bandWords: Record<BandCode, string> = {
  leave: 'leave it',
  correctAndWatch: 'correct it, with an offset key, and watch',
  pumpAndPlan: 'the injection timing suffers too: set that, and plan a chain',
  chainNow: 'chain and tensioner now',
  trim: 'trim at the fuel pumps',
  resetCamshaft: 're-set the camshaft',
  early: 'early is no wear: look for a tooth, a key or a mark',
  own: 'as your own bands say',
}

/** What is done in a band. */
export const bandSays = ({ code, says }: Band): string => says ?? bandWords[code]

/** Whose bands a lateness was held against. */
export const bandsSource = ({ wearBy, ownBands }: Pick<Schools, 'wearBy' | 'ownBands'>): string =>
  wearBy === 'own'
    ? `our own bands: ${ownBands?.source ?? ''}`
    : wearBy
      ? `${schoolWords[wearBy]}, common practice`
      : ''

export const schoolWords = { roadDiesel: 'road diesel, single chain', marine: 'large marine, chain' } as const
