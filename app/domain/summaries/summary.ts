import type { GuardVerdict } from '@link-count/core/guard'
import type { EntryOf } from '@link-count/core/model'

export type PinState = 'done' | 'read' | 'open' | 'hand' | 'passed'

/** A drive drawn once, as shapes that only have to be put on the page. Px. */
export interface StillDrawing {
  readonly label: string
  readonly toothed: readonly {
    readonly id: string
    /** Drawn with as many teeth as it has; a gear or pulley with straight ones. */
    readonly straight: boolean
    readonly teeth: number
    readonly radius: number
    readonly pitch: number
    readonly transform: string
  }[]
  readonly loops: readonly {
    readonly id: string
    /** The teeth of a belt; undefined for a chain. */
    readonly belt: string | undefined
    readonly inner: string
    readonly outer: string
    readonly width: number
  }[]
  readonly dots: readonly { readonly id: string; readonly x: number; readonly y: number }[]
}

/** A wait that holds something still, and when the last line of its ledger was written: what it is judged by. */
export interface WaitOpen {
  readonly entry: EntryOf<'wait'>
  readonly lastLineAt: number
}

/** What state an engine is in and what it needs next, from its latest job: all that the list of engines shows of it. */
export interface EngineSummary {
  readonly shape: GuardVerdict
  readonly headline: string
  readonly detail: string
  readonly button: string
  readonly next: 'engine' | 'job' | 'card'
  readonly urgent: boolean
  /** The latest job. */
  readonly jobId: string | undefined
  /** When something was last written on it. */
  readonly workedAt: string | undefined
  readonly pins: readonly { readonly title: string; readonly state: PinState }[]
  /** Waits that hold something still; missing = none. */
  readonly waits?: readonly WaitOpen[]
  /** The drive as its newest build sheet has it; undefined where nothing of it is known. */
  readonly face: StillDrawing | undefined
}

/** A summary as it is stored beside its engine: made anew whenever something was written on the engine, or by another version of this app. */
export interface SummaryRow {
  /** The engine's id. */
  readonly id: string
  /** Something was written since: a word of its own for what it waits for. */
  readonly waiting?: string
  /** The version that made it. */
  readonly madeBy?: string
  readonly summary?: EngineSummary
}
