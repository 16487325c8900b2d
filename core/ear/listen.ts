import { decimate } from './decimate'
import { takeOutHum } from './hum'
import { ANY_RUN, findPitch, type CanBe, type PitchRead } from './pitch'
import { findPlucks, quietParts } from './plucks'

export interface Pluck {
  readonly atS: number
  readonly untilS: number
  readonly read: PitchRead
}

export interface Heard {
  readonly plucks: readonly Pluck[]
  /** The mains hum that was taken out. */
  readonly hum: 50 | 60 | undefined
}

/** Skipped after a pluck: the finger leaving, s. */
const SKIP_S = 0.003

/** Every pluck in a sound with its pitch, or why it has none. In: samples between -1 and 1, their rate; what the run can be, where its length and mass say. */
export function listen(sound: Float32Array, rate: number, canBe: CanBe = ANY_RUN): Heard {
  const { samples, sampleRate } = decimate(sound, rate)
  const rough = findPlucks(samples, sampleRate)
  const hum = takeOutHum(samples, sampleRate, quietParts(samples, rough, sampleRate))
  const plucks = hum === undefined ? rough : findPlucks(samples, sampleRate)
  const skip = Math.round(SKIP_S * sampleRate)
  return {
    hum,
    plucks: plucks.map(({ from, to }) => ({
      atS: from / sampleRate,
      untilS: to / sampleRate,
      read: findPitch(samples.slice(Math.min(to, from + skip), to), sampleRate, { canBe, hum }),
    })),
  }
}
