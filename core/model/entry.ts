import * as z from 'zod'
import { camWayShapes } from '../cams/ways'
import { ledgerShapes } from '../ledger/kinds'
import { zeroWayShapes } from '../zero/ways'

import type { Condition } from './entryShape'

export { conditionSchema, type Condition } from './entryShape'
export type { Approach, Phase } from './fields'
export type { CountRule } from '../ledger/kinds/count'
export type { WheelScale } from '../ledger/kinds/degreeWheel'
export type { ItemKind, Relief } from '../ledger/kinds/item'
export type { PictureMark } from '../ledger/kinds/pictureMarks'
export type { Settled } from '../ledger/kinds/settled'
export type { Evidence } from '../ledger/kinds/witness'
export type { FeelTool } from '../zero/ways'

/** A line of a ledger, of any kind there is. */
export const entrySchema = z.discriminatedUnion('kind', [...ledgerShapes, ...zeroWayShapes, ...camWayShapes])

export type Entry = z.output<typeof entrySchema>
export type EntryKind = Entry['kind']
export type EntryOf<K extends EntryKind> = Extract<Entry, { kind: K }>

type DistributiveOmit<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never
/** What a step says; the writer adds who, when and the place in the order. */
export type NewEntry = DistributiveOmit<
  Entry,
  'id' | 'jobId' | 'sheetId' | 'device' | 'counter' | 'seen' | 'at' | 'seenFrom' | 'conditions' | 'typed'
> & { readonly conditions?: Condition[]; readonly typed?: { field: string; text: string }[] }
