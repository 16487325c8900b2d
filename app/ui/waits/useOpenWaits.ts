import { useMemo } from 'react'
import { useAppSelector } from '../../store'
import type { ShownWait } from './WaitChips'

/** Every wait of the workshop that holds something still, by what is kept beside each engine. */
export function useOpenWaits(): readonly ShownWait[] {
  const summaries = useAppSelector((state) => state.summaries)
  const engines = useAppSelector((state) => state.engines)
  return useMemo(
    () =>
      [...summaries.values()].flatMap(({ id, summary }) =>
        (summary?.waits ?? []).flatMap((wait) =>
          summary?.jobId ? [{ ...wait, jobId: summary.jobId, engine: engines.entities[id]?.name ?? '' }] : [],
        ),
      ),
    [summaries, engines],
  )
}
