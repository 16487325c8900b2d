import { ledgerKinds } from '../ledger'
import type { NewEntry } from '../model'

/** Lines of every kind there is, on the bench sheet. */
export const everyKind: readonly NewEntry[] = Object.values(ledgerKinds).flatMap(
  ({ samples }): readonly NewEntry[] => samples,
)
