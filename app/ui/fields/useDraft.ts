import { useCallback } from 'react'
import { dropDrafts, keepDraft } from '../../domain/writes'
import { useAppDispatch, useAppSelector } from '../../store'

/** The text of a field that is typed and not yet accepted: kept in the database under its key, back after the page was closed. */
export function useDraft(
  key: string,
  start = '',
): { text: string; setText: (text: string) => void; drop: () => void; touched: boolean } {
  const dispatch = useAppDispatch()
  const kept = useAppSelector((state) => state.drafts[key])
  const setText = useCallback((text: string) => void dispatch(keepDraft({ id: key, text })), [dispatch, key])
  const drop = useCallback(() => void dispatch(dropDrafts([key])), [dispatch, key])
  return { text: kept ?? start, setText, drop, touched: kept !== undefined }
}
