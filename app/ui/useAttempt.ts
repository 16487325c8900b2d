import { useCallback } from 'react'
import { useAppDispatch } from '../store'
import { attempt, type AttemptOptions } from './attempt'
import { saveToFile } from './saveToFile'
import { useWorkshop } from './WorkshopContext'

type AttemptFrom = Pick<AttemptOptions, 'key' | 'text'>

/** `attempt` for a part of the page: what could not be written can at once be saved to a file with everything else. */
export function useAttempt(): <T>(what: string, write: () => Promise<T>, from?: AttemptFrom) => Promise<T | undefined> {
  const dispatch = useAppDispatch()
  const { kind, now } = useWorkshop()
  return useCallback(
    (what, write, from) =>
      attempt(what, write, { saveToFile: () => dispatch(saveToFile(kind, now())), key: from?.key, text: from?.text }),
    [dispatch, kind, now],
  )
}
