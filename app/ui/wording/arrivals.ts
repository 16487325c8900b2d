import type { Arrival } from '@link-count/core/model'
import type { LoopNouns } from './loops'
import { upperFirst } from './upperFirst'

/** How an engine can have come in. */
export const arrivalWords: Readonly<Record<Arrival, (noun: LoopNouns) => { name: string; help: string }>> = {
  whole: () => ({ name: 'Whole', help: 'Everything is read as found before anything is touched.' }),
  loopOff: ({ loop }) => ({
    name: `${upperFirst(loop)} off`,
    help: 'What hung on it cannot be read as found; those steps say what takes their place.',
  }),
  loopBroken: ({ loop }) => ({
    name: `${upperFirst(loop)} broken`,
    help: 'Nobody knows how the camshafts stand to the crank: valves may be bent, and nothing is turned before that is looked at.',
  }),
  camshaftsOut: () => ({ name: 'Camshafts out', help: 'No valve comes down until the first of them goes in.' }),
  headOff: () => ({
    name: 'Head off',
    help: 'True TDC can be read off the piston itself. What is in a cylinder still holds.',
  }),
  bareBlock: () => ({ name: 'Bare block', help: 'Nothing is read as found: it is timed from nothing.' }),
  everyLoopOff: ({ loop }) => ({ name: `Every ${loop} off`, help: '' }),
}
