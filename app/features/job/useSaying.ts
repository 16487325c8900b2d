import { useCallback } from 'react'
import type { Entry } from '@link-count/core/model'
import { changeSheetInJob, say as sayInJob } from '../../domain/writes'
import { useAppDispatch } from '../../store'
import { takenOf, type Taken } from '../../ui/fields'
import { useAttempt } from '../../ui/useAttempt'
import type { Bench } from './JobContext'

/** Writing in a job: nothing that was typed lets go before it is written, and a button pressed twice writes once. */
export function useSaying(jobId: string): Pick<Bench, 'say' | 'changeSheet'> {
  const dispatch = useAppDispatch()
  const attempt = useAttempt()
  const taking = useCallback(
    async <T>(what: string, typed: readonly Taken[], write: () => Promise<T>): Promise<T | undefined> => {
      const done = await attempt(what, write, typed[0])
      if (done !== undefined) for (const field of typed) field.settled()
      return done
    },
    [attempt],
  )
  const say = useCallback<Bench['say']>(
    (said, typed = []) => {
      const newEntries = 'kind' in said ? [said] : said
      return taking<readonly Entry[]>('This line of the ledger', typed, () =>
        dispatch(sayInJob(jobId, newEntries, takenOf(typed))),
      )
    },
    [dispatch, jobId, taking],
  )
  const changeSheet = useCallback<Bench['changeSheet']>(
    (change, typed = []) =>
      taking('The build sheet', typed, () => dispatch(changeSheetInJob(jobId, change, takenOf(typed)))),
    [dispatch, jobId, taking],
  )
  return { say, changeSheet }
}
