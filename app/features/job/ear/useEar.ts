import { useEffect, useRef, useState } from 'react'
import { combinePlucks, type CanBe, type Sound, type Together, type WavError } from '@link-count/core/ear'
import { startEar, type EarWork } from '../../../workers/earWork'
import { simulatedSound, startMicrophone, type Listening, type NoSound } from './soundSource'

export type EarState =
  | { readonly is: 'idle' }
  | { readonly is: 'listening'; readonly sound: Sound; readonly together: Together }
  | { readonly is: 'working' }
  | {
      readonly is: 'heard'
      readonly sound: Sound
      readonly together: Together
      readonly from: 'microphone' | 'file' | 'simulated'
    }
  | { readonly is: 'none'; readonly why: NoSound | WavError['code'] | 'notHeard' }

/** It is looked at so often while it listens, and listens no longer than this. */
const LOOK_MS = 700
const MOST_S = 30

/** Listens by the microphone, to a file or to the simulated microphone; plucks are found off the page's thread. */
export function useEar(canBe: CanBe | undefined) {
  const [state, setState] = useState<EarState>({ is: 'idle' })
  const work = useRef<EarWork>(undefined)
  const live = useRef<Listening>(undefined)
  const timer = useRef<ReturnType<typeof setInterval>>(undefined)
  const busy = useRef(false)
  useEffect(
    () => () => {
      clearInterval(timer.current)
      void live.current?.stop()
      work.current?.end()
    },
    [],
  )
  const ear = () => (work.current ??= startEar())
  // One that broke answers nothing more: the next sound gets another.
  const failed = () => {
    work.current?.end()
    work.current = undefined
    setState({ is: 'none', why: 'notHeard' })
  }
  const judge = async (sound: Sound, from: 'microphone' | 'file' | 'simulated') => {
    setState({ is: 'working' })
    try {
      const { plucks } = await ear().listen(sound, canBe)
      setState({ is: 'heard', sound, together: combinePlucks(plucks), from })
    } catch {
      failed()
    }
  }
  const stop = async () => {
    clearInterval(timer.current)
    const listening = live.current
    live.current = undefined
    if (!listening) return
    const samples = await listening.stop()
    await judge({ samples, sampleRate: listening.sampleRate }, 'microphone')
  }
  const start = async () => {
    const listening = await startMicrophone()
    if ('no' in listening) return setState({ is: 'none', why: listening.no })
    live.current = listening
    const { sampleRate } = listening
    let together: Together = combinePlucks([])
    const look = async () => {
      const samples = listening.heard()
      setState({ is: 'listening', sound: { samples, sampleRate }, together })
      if (samples.length > MOST_S * sampleRate) return void stop()
      if (busy.current) return
      busy.current = true
      try {
        together = combinePlucks((await ear().listen({ samples, sampleRate }, canBe)).plucks)
      } catch {
        // What was heard is judged when listening stops, and says then that it could not be.
        work.current?.end()
        work.current = undefined
      }
      busy.current = false
    }
    void look()
    timer.current = setInterval(() => void look(), LOOK_MS)
  }
  const open = async (file: File) => {
    setState({ is: 'working' })
    try {
      const read = await ear().read(file)
      if (!read.ok) return setState({ is: 'none', why: read.error.code })
      await judge(read.value, 'file')
    } catch {
      failed()
    }
  }
  const simulate = (hz: number, seed: number) => judge(simulatedSound(hz, seed), 'simulated')
  const asWav = (sound: Sound) => ear().write(sound)
  return { state, start, stop, open, simulate, asWav, clear: () => setState({ is: 'idle' }) }
}
