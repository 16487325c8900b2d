import { useCallback } from 'react'
import { useAppDispatch } from '../store'
import { attempt } from './attempt'
import { saveToFile } from './saveToFile'
import { useWorkshop } from './WorkshopContext'

/** `attempt` for a part of the page: what could not be written can at once be saved to a file with everything else. */
export function useAttempt(): <T>(what: string, write: () => Promise<T>, key?: string) => Promise<T | undefined> {
  const dispatch = useAppDispatch()
  const { now } = useWorkshop()
  return useCallback(
    (what, write, key) => attempt(what, write, { saveToFile: () => dispatch(saveToFile(now())), key }),
    [dispatch, now],
  )
}
