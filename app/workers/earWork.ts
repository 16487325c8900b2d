import { wrap } from 'comlink'
import type { CanBe, Heard, Sound, WavError } from '@link-count/core/ear'
import type { Result } from '@link-count/core/result'
import type { EarWorker } from './ear.worker'
import { orBroken } from './orBroken'

export interface EarWork {
  readonly listen: (sound: Sound, canBe: CanBe | undefined) => Promise<Heard>
  readonly read: (file: Blob) => Promise<Result<Sound, WavError>>
  readonly write: (sound: Sound) => Promise<Blob>
  readonly end: () => void
}

/** The ear, off the page's thread. Every answer fails where the worker does. */
export function startEar(): EarWork {
  const raw = new Worker(new URL('./ear.worker.ts', import.meta.url), { type: 'module' })
  const worker = wrap<EarWorker>(raw)
  const answer = orBroken(raw)
  return {
    listen: ({ samples, sampleRate }, canBe) => answer(worker.listen(samples, sampleRate, canBe)),
    read: (file) => answer<Result<Sound, WavError>>(worker.read(file) as Promise<Result<Sound, WavError>>),
    write: (sound) => answer(worker.write(sound)),
    end: () => raw.terminate(),
  }
}
