import { useEffect, useState } from 'react'
import type { FoundMoves, MoveProblem, Progress } from '@link-count/core/search'
import type { FromSearch, ToSearch } from './taskMessages'

export type MoveSearch =
  | { readonly status: 'idle' }
  | { readonly status: 'running'; readonly progress: Progress | undefined }
  | { readonly status: 'ok'; readonly found: FoundMoves }
  | { readonly status: 'cancelled' }
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
  useEffect(() => {
    if (!question) return
    const task = ++tasks
    const worker = new Worker(new URL('./search.worker.ts', import.meta.url), { type: 'module' })
    const ask = (message: ToSearch) => worker.postMessage(message)
    worker.addEventListener('message', ({ data }: MessageEvent<FromSearch>) => {
      if (data.task !== task) return
      if (data.kind === 'progress') setAnswered({ question, search: { status: 'running', progress: data.progress } })
      else if (data.kind === 'done') setAnswered({ question, search: { status: 'ok', found: data.found } })
      else setAnswered({ question, search: { status: 'failed', message: data.message } })
    })
    worker.addEventListener('error', ({ message }) => setAnswered({ question, search: { status: 'failed', message } }))
    ask({ kind: 'start', task, problem: JSON.parse(question) as MoveProblem })
    return () => {
      ask({ kind: 'cancel', task })
      worker.terminate()
    }
  }, [question])
  const search: MoveSearch = !question
    ? { status: 'idle' }
    : answered?.question === question
      ? answered.search
      : { status: 'running', progress: undefined }
  return { search, cancel: () => question && setAnswered({ question, search: { status: 'cancelled' } }) }
}
