import { expose } from 'comlink'
import { listen, readWav, writeWav, type CanBe, type Heard, type Sound, type WavError } from '@link-count/core/ear'
import type { Result } from '@link-count/core/result'

const ear = {
  listen: (samples: Float32Array, sampleRate: number, canBe: CanBe | undefined): Heard =>
    listen(samples, sampleRate, canBe),
  read: async (file: Blob): Promise<Result<Sound, WavError>> => readWav(new Uint8Array(await file.arrayBuffer())),
  write: (sound: Sound): Blob => new Blob([writeWav(sound) as Uint8Array<ArrayBuffer>], { type: 'audio/wav' }),
}

export type EarWorker = typeof ear
expose(ear)
