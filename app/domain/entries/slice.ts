/* Entries are added and never changed: no write puts one that is there, and undo is one more entry. */
import { recordSlice } from '../recordSlice'

export const { slice: entriesSlice, selectors: entrySelectors } = recordSlice('entries')
