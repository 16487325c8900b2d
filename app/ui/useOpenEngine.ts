import { useEffect, useState } from 'react'
import { selectIsOpen } from '../domain/selectors'
import { openEngine } from '../domain/notes'
import { useAppDispatch, useAppSelector } from '../store'

/** Reads the build sheets and ledgers of an engine for a page that is opened for it. */
export function useOpenEngine(engineId: string): { readonly isOpen: boolean; readonly failed: string | undefined } {
  const dispatch = useAppDispatch()
  const isOpen = useAppSelector((state) => selectIsOpen(state, engineId))
  const [failed, setFailed] = useState<string>()
  useEffect(() => {
    if (isOpen || engineId === '') return
    dispatch(openEngine(engineId)).catch((cause: unknown) =>
      setFailed(cause instanceof Error ? cause.message : String(cause)),
    )
  }, [dispatch, engineId, isOpen])
  return { isOpen, failed }
}
