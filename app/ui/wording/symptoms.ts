import type { FaultCauseId, Symptom } from '@link-count/core/diagnose'

/** What an engine does that it should not. */
export const symptomWords: Readonly<Record<Symptom, string>> = {
  hardStarting: 'It is hard to start',
  smoke: 'It smokes',
  noPower: 'It has no power',
  noiseAtIdle: 'It rattles at idle',
  badAfterBelt: 'It runs badly since a belt or chain was fitted',
}

interface CauseWords {
  readonly name: string
  /** What it would show, and how it is told. */
  readonly shows: string
}

const causes: Readonly<Record<FaultCauseId, CauseWords>> = {
  tensionerGone: {
    name: 'The tensioner has given up',
    shows: 'It rattles when the throttle is shut. Look at it and push the run: it must give and come back.',
  },
  lobeWorn: {
    name: 'A lobe is worn',
    shows: 'One cylinder weak, a tick that lash does not cure. Look at every lobe; measure its lift if in doubt.',
  },
  ignitionLate: {
    name: 'The spark is late',
    shows: 'Lazy and hot, and it starts badly. Read the spark against true TDC; a slack chain takes it along.',
  },
  lashTight: {
    name: 'A valve is held open',
    shows: 'No gap, so it leaks when hot. A feeler blade tells.',
  },
  lashWide: { name: 'A gap is too wide', shows: 'It clatters, worst when cold. A feeler blade tells.' },
  toothOut: {
    name: 'A camshaft is a tooth out',
    shows: 'It reads near a whole tooth late or early. Read the camshaft as found, and count.',
  },
  lateByWear: {
    name: 'A camshaft is late from wear',
    shows: 'It reads a few degrees late, less than a tooth. Read the camshaft as found.',
  },
  slackOnPulledRun: {
    name: 'There is slack on the pulled run',
    shows: 'It reads late by less than a tooth since it was fitted. Read the camshaft as found.',
  },
  loopGrown: { name: 'The chain has grown', shows: 'Measured over many pitches it is more than 1% long.' },
  pumpLate: {
    name: 'The injection pump is late',
    shows: 'It shares the chain and comes late with it. Read the pump against true TDC.',
  },
  cylinderWeak: {
    name: 'A cylinder does not hold',
    shows: 'One reads under three quarters of the best. Read every cylinder, then with a little oil in it.',
  },
}

const isCause = (id: string): id is FaultCauseId => Object.hasOwn(causes, id)

/** A cause in words; one from a file that is not known here by its id. */
export const causeWordsOf = (id: string): CauseWords => (isCause(id) ? causes[id] : { name: id, shows: '' })

export const settlingWords = { found: 'it is this', ruledOut: 'not this', open: 'open' } as const
