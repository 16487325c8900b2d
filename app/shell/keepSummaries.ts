import type { Engine } from '@link-count/core/model'
import type { WorkshopKind } from '../db'
import { putSummary } from '../domain/notes'
import { screenSlice } from '../domain/screen'
import { selectEngines, selectIsOpen, selectJobs, selectSheets } from '../domain/selectors'
import { MADE_BY } from '../domain/summaries'
import type { AppStore } from '../store'
import type { Summariser } from '../workers/summaryWork'

/** So long after the last line somebody is likely to go on writing. */
const AFTER_MS = 400

/** Makes the summary of every engine that waits for one, one after the other, when nothing else is going on. Gives what ends it. */
export function keepSummaries(store: AppStore, kind: WorkshopKind): () => void {
  let ended = false
  let going = false
  let timer: ReturnType<typeof setTimeout> | undefined
  let worker: Summariser | undefined
  const next = (): Engine | undefined => {
    const state = store.getState()
    const { summaries, screen } = state
    const inOrder = [...selectEngines(state)].sort((a, b) => (a.at < b.at ? -1 : Number(a.at > b.at)))
    return inOrder.find(({ id }) => {
      const row = summaries.get(id)
      const isDue = !row?.summary || row.madeBy !== MADE_BY
      return isDue && screen.notSummedUp[id] !== (row?.waiting ?? '')
    })
  }
  const made = async ({ id }: Engine) => {
    const state = store.getState()
    if (!selectIsOpen(state, id)) {
      worker ??= (await import('../workers/summaryWork')).startSummariser(kind)
      return worker.summarise(id)
    }
    // What a page has folded already is not folded again.
    const [{ summaryOf }, { selectLatest }] = await Promise.all([
      import('../ui/summary/summariseEngine'),
      import('../domain/views'),
    ])
    const now = store.getState()
    const work = { jobs: selectJobs(now, id), sheets: selectSheets(now, id) }
    return { summary: summaryOf(selectLatest(now, id), work), waiting: now.summaries.get(id)?.waiting }
  }
  const make = async (engine: Engine) => {
    const waiting = store.getState().summaries.get(engine.id)?.waiting ?? ''
    const fails = () => store.dispatch(screenSlice.actions.summaryFailed({ id: engine.id, waiting }))
    try {
      const found = await made(engine)
      if (!found) return void fails()
      const { summary, waiting: by } = found
      await store.dispatch(putSummary({ id: engine.id, madeBy: MADE_BY, summary }, by))
    } catch {
      // Storage that is closed says so elsewhere; what waits is made at the next start.
      fails()
    }
  }
  const go = async () => {
    if (going) return
    going = true
    for (let engine = next(); engine && !ended; engine = next()) await make(engine)
    going = false
    worker?.end()
    worker = undefined
  }
  const soon = (ms: number) => {
    clearTimeout(timer)
    timer = setTimeout(() => void go(), ms)
  }
  let seen = store.getState().summaries
  const stop = store.subscribe(() => {
    const { summaries } = store.getState()
    if (summaries === seen) return
    seen = summaries
    if (!going) soon(AFTER_MS)
  })
  soon(0)
  return () => {
    ended = true
    stop()
    clearTimeout(timer)
    worker?.end()
  }
}
