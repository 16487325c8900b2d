import { useCallback } from 'react'
import { dropDrafts, keepDraft } from '../../domain/draftWrites'
import { useAppDispatch, useAppSelector } from '../../store'
import { keepTyped } from '../attempt'
import { saveToFile } from '../saveToFile'
import { useWorkshop } from '../WorkshopContext'

/** A field whose text a write may take: it goes with the write, unless something else is typed there by then. */
export interface Taken {
  readonly key: string
  readonly text: string
  /** The write is confirmed. */
  readonly settled: () => void
}

export interface Draft extends Taken {
  readonly setText: (text: string) => void
  readonly drop: () => void
  readonly touched: boolean
}

/** The text of a field that is typed and not yet accepted: kept in the database under its key, back after the page was closed. */
export function useDraft(key: string, start = ''): Draft {
  const dispatch = useAppDispatch()
  const { kind, now } = useWorkshop()
  const kept = useAppSelector((state) => state.drafts[key])
  const keep = useCallback(
    (store: () => Promise<void>) => void keepTyped(store, () => dispatch(saveToFile(kind, now()))),
    [dispatch, kind, now],
  )
  const setText = useCallback(
    (text: string) => keep(() => dispatch(keepDraft({ id: key, text }))),
    [dispatch, keep, key],
  )
  const drop = useCallback(() => keep(() => dispatch(dropDrafts([key]))), [dispatch, keep, key])
  return { key, text: kept ?? start, setText, drop, settled: nothing, touched: kept !== undefined }
}

const nothing = () => undefined

/** The drafts that a write takes. */
export const takenOf = (fields: readonly Taken[]) => fields.map(({ key, text }) => ({ id: key, text }))
