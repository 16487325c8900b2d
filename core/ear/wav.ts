import * as wavefile from 'wavefile'
import { err, ok, type Result } from '../result'

type Package = typeof wavefile & { readonly default?: typeof wavefile }
/** Bundled it is a module; where Node loads it by itself, a package of the older kind. */
const WaveFile = (wavefile as Package).default?.WaveFile ?? wavefile.WaveFile

export interface Sound {
  readonly samples: Float32Array
  readonly sampleRate: number
}

export type WavError =
  { readonly code: 'notWav' } | { readonly code: 'tooLong'; readonly mostS: number } | { readonly code: 'empty' }

/** A recording longer than this is not read. */
const MOST_S = 60
const MOST_BYTES = 60 * 48_000 * 8

/** A WAV file as one channel from -1 to 1. A file is hostile until it is read: what is no WAV, empty or over a minute long is refused. */
export function readWav(bytes: Uint8Array): Result<Sound, WavError> {
  if (bytes.length > MOST_BYTES) return err({ code: 'tooLong', mostS: MOST_S })
  try {
    const file = new WaveFile(bytes)
    file.toBitDepth('32f')
    const { sampleRate, numChannels } = file.fmt as { sampleRate: number; numChannels: number }
    const all = file.getSamples(true, Float32Array) as unknown as Float32Array
    if (!(sampleRate >= 4000 && sampleRate <= 400_000) || !(numChannels >= 1 && numChannels <= 8))
      return err({ code: 'notWav' })
    const length = Math.floor(all.length / numChannels)
    if (length === 0) return err({ code: 'empty' })
    if (length > MOST_S * sampleRate) return err({ code: 'tooLong', mostS: MOST_S })
    const samples = Float32Array.from({ length }, (_, i) => {
      const value = all[i * numChannels] ?? 0
      return Number.isFinite(value) ? Math.max(-1, Math.min(1, value)) : 0
    })
    return ok({ samples, sampleRate })
  } catch {
    return err({ code: 'notWav' })
  }
}

/** A sound as a WAV file of 16 bits, one channel. */
export function writeWav({ samples, sampleRate }: Sound): Uint8Array {
  const file = new WaveFile()
  const whole = Int16Array.from(samples, (one) => Math.round(32_767 * Math.max(-1, Math.min(1, one))))
  file.fromScratch(1, sampleRate, '16', whole)
  return file.toBuffer()
}
