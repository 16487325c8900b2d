import { searchMoves, type MoveProblem } from '@link-count/core/search'
import { PROGRESS_EVERY_MS, type FromSearch, type ToSearch } from './taskMessages'

const answer = (message: FromSearch) => postMessage(message)
let current = 0

addEventListener('message', ({ data }: MessageEvent<ToSearch>) => {
  current = data.kind === 'start' ? data.task : current === data.task ? 0 : current
  if (data.kind === 'start') void run(data.task, data.problem)
})

/** Steps the search, letting messages in now and then, so that cancelling is not stepping it again. */
async function run(task: number, problem: MoveProblem) {
  try {
    const search = searchMoves(problem)
    let told = performance.now()
    for (let step = search.next(); ; step = search.next()) {
      if (step.done) return answer({ kind: 'done', task, found: step.value })
      if (performance.now() - told < PROGRESS_EVERY_MS) continue
      told = performance.now()
      answer({ kind: 'progress', task, progress: step.value })
      await new Promise((resolve) => setTimeout(resolve))
      if (current !== task) return
    }
  } catch (error) {
    answer({ kind: 'failed', task, message: String(error) })
  }
}
