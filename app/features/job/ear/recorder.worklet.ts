/* Runs where the sound comes in: hands every block on as it is. */

declare class AudioWorkletProcessor {
  readonly port: MessagePort
}
declare function registerProcessor(name: string, processor: new () => AudioWorkletProcessor): void

class Recorder extends AudioWorkletProcessor {
  process([input]: readonly (readonly Float32Array[])[]): boolean {
    const [channel] = input ?? []
    if (channel) this.port.postMessage(channel.slice())
    return true
  }
}

registerProcessor('recorder', Recorder)
