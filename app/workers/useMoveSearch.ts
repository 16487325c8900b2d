import { useEffect, useRef, useState } from 'react'
import { isTooMany, type FoundMoves, type MoveProblem, type Progress } from '@link-count/core/search'
import type { FromSearch, ToSearch } from './taskMessages'

export type MoveSearch =
  | { readonly status: 'idle' }
  | { readonly status: 'running'; readonly progress: Progress | undefined }
  | { readonly status: 'ok'; readonly found: FoundMoves }
  | { readonly status: 'cancelled' }
  /** More places than are gone through. */
  | { readonly status: 'tooMany' }
  | { readonly status: 'failed'; readonly message: string }

let tasks = 0

/** Searches a problem off the page's thread, anew whenever it is another one; a late answer to an old question is dropped. */
export function useMoveSearch(problem: MoveProblem | undefined): {
  readonly search: MoveSearch
  readonly cancel: () => void
} {
  // A problem is plain data: the same text is the same question.
  const question = problem && JSON.stringify(problem)
  const [answered, setAnswered] = useState<{ readonly question: string; readonly search: MoveSearch }>()
  const stop = useRef<() => void>(undefined)
  useEffect(() => {
    if (!question) return
    const task = ++tasks
    const worker = new Worker(new URL('./search.worker.ts', import.meta.url), { type: 'module' })
    const ask = (message: ToSearch) => worker.postMessage(message)
    worker.addEventListener('message', ({ data }: MessageEvent<FromSearch>) => {
      if (data.task !== task) return
      if (data.kind === 'progress') setAnswered({ question, search: { status: 'running', progress: data.progress } })
      else if (data.kind === 'done')
        setAnswered({
          question,
          search: isTooMany(data.found) ? { status: 'tooMany' } : { status: 'ok', found: data.found },
        })
      else setAnswered({ question, search: { status: 'failed', message: data.message } })
    })
    worker.addEventListener('error', ({ message }) => setAnswered({ question, search: { status: 'failed', message } }))
    ask({ kind: 'start', task, problem: JSON.parse(question) as MoveProblem })
    // A worker that is busy hears nothing: only its end is sure to end the search.
    stop.current = () => worker.terminate()
    return stop.current
  }, [question])
  const search: MoveSearch = !question
    ? { status: 'idle' }
    : answered?.question === question
      ? answered.search
      : { status: 'running', progress: undefined }
  const cancel = () => {
    if (!question) return
    stop.current?.()
    setAnswered({ question, search: { status: 'cancelled' } })
  }
  return { search, cancel }
}
