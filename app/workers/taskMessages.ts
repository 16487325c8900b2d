import type { FoundMoves, MoveProblem, Progress, TooMany } from '@link-count/core/search'

/** What a task of the search worker is asked and answers. A task that was cancelled answers no more. */
export type ToSearch =
  | { readonly kind: 'start'; readonly task: number; readonly problem: MoveProblem }
  | { readonly kind: 'cancel'; readonly task: number }
export type FromSearch =
  | { readonly kind: 'progress'; readonly task: number; readonly progress: Progress }
  | { readonly kind: 'done'; readonly task: number; readonly found: FoundMoves | TooMany }
  | { readonly kind: 'failed'; readonly task: number; readonly message: string }

/** Progress is told no more often than this. */
export const PROGRESS_EVERY_MS = 60
