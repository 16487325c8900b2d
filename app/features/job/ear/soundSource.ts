import { simulateSound } from '@link-count/core/ear'
import workletUrl from './recorder.worklet.ts?worker&url'

/** Why nothing can be listened to here. */
export type NoSound = 'notSecure' | 'noMicrophone' | 'refused' | 'broken'

export interface Listening {
  readonly sampleRate: number
  /** Everything heard so far. */
  readonly heard: () => Float32Array
  readonly stop: () => Promise<Float32Array>
}

/** Starts the microphone, as it is: nothing cancelled, suppressed or made louder. */
export async function startMicrophone(): Promise<Listening | { readonly no: NoSound }> {
  if (!window.isSecureContext) return { no: 'notSecure' }
  // Older browsers have none of it.
  const devices = navigator.mediaDevices as MediaDevices | undefined
  if (!devices || typeof AudioWorkletNode === 'undefined') return { no: 'noMicrophone' }
  let stream: MediaStream
  try {
    stream = await devices.getUserMedia({
      audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
    })
  } catch (cause) {
    const name = cause instanceof DOMException ? cause.name : ''
    return { no: name === 'NotFoundError' ? 'noMicrophone' : name === 'NotAllowedError' ? 'refused' : 'broken' }
  }
  try {
    const context = new AudioContext()
    await context.audioWorklet.addModule(workletUrl)
    const recorder = new AudioWorkletNode(context, 'recorder', { numberOfOutputs: 0 })
    const blocks: Float32Array[] = []
    recorder.port.onmessage = ({ data }: MessageEvent<Float32Array>) => blocks.push(data)
    context.createMediaStreamSource(stream).connect(recorder)
    await context.resume()
    const heard = () => joined(blocks)
    return {
      sampleRate: context.sampleRate,
      heard,
      stop: async () => {
        stream.getTracks().forEach((track) => track.stop())
        await context.close()
        return heard()
      },
    }
  } catch {
    stream.getTracks().forEach((track) => track.stop())
    return { no: 'broken' }
  }
}

function joined(blocks: readonly Float32Array[]): Float32Array {
  const all = new Float32Array(blocks.reduce((sum, { length }) => sum + length, 0))
  let at = 0
  for (const block of blocks) {
    all.set(block, at)
    at += block.length
  }
  return all
}

/** How each pluck of the simulated microphone differs: a hand is not finer; at the third a finger stays on the middle of the run, so that it sounds an octave up. */
const PLUCKS = [
  { atS: 0.6, share: 1.001, octave: false },
  { atS: 2.4, share: 0.998, octave: false },
  { atS: 4.3, share: 1, octave: true },
  { atS: 6.2, share: 1.003, octave: false },
] as const

/** What the simulated microphone hears of a run that sounds so: four plucks in eight seconds, with noise and workshop hum. */
export function simulatedSound(
  hz: number,
  seed: number,
): { readonly samples: Float32Array; readonly sampleRate: number } {
  const sampleRate = 16_000
  const samples = new Float32Array(8 * sampleRate)
  PLUCKS.forEach(({ atS, share, octave }, i) => {
    const one = simulateSound({
      string: {
        hz: hz * share * (octave ? 2 : 1),
        inharmonicity: 0.002,
        partials: octave ? [1, 0.5, 0.2] : [0.5, 1, 0.6, 0.3, 0.2, 0.1],
        decayS: 0.35,
      },
      pluckedAtS: [atS],
      lengthS: 8,
      sampleRate,
      snrDb: 26,
      hum: { hz: 50, share: 0.4 },
      seed: seed + i,
    })
    one.forEach((value, k) => (samples[k] = (samples[k] ?? 0) + value / PLUCKS.length))
  })
  return { samples, sampleRate }
}
