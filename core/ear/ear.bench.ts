import { bench, describe } from 'vitest'
import { listen, simulateSound } from '.'

const string = { hz: 96, inharmonicity: 0.002, partials: [0.4, 1, 0.5, 0.3, 0.2], decayS: 0.35 }
const sound = simulateSound({
  string,
  pluckedAtS: [0.7, 2.1, 3.6, 5, 6.4, 8.1],
  lengthS: 10,
  sampleRate: 48_000,
  snrDb: 20,
  hum: { hz: 50, share: 0.5 },
  seed: 8,
})

describe('the ear', () => {
  bench('ten seconds at 48,000 samples a second, six plucks', () => {
    listen(sound, 48_000)
  })
})
