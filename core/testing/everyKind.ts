import { ledgerKinds } from '../ledger'
import type { EntryDraft } from '../model'

/** Lines of every kind there is, on the bench sheet. */
export const everyKind: readonly EntryDraft[] = Object.values(ledgerKinds).flatMap(
  ({ samples }): readonly EntryDraft[] => samples,
)
