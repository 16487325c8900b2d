import { lastIn, type JobState } from '../ledger'
import type { BuildSheet } from '../model/buildSheet'
import type { ItemKind } from '../model/entry'

/** What may stay as it is while an engine is cranked for its compression: what keeps it from firing. */
const KEEPS_FROM_FIRING: readonly ItemKind[] = ['fuelShut', 'magnetoEarthed']

/** What stands against cranking an engine for its compression, and what the figures would not tell yet. */
export interface BeforeCranking {
  /** On the register: whatever it is, it has to be out, on or done first. */
  readonly register: JobState['register']
  /** Not said to be off in this job: it might fire. */
  readonly live: readonly ('fuel' | 'spark')[]
  /** Not read in this job: a low figure may come from there. */
  readonly notKnown: readonly ('lash' | 'timing')[]
}

/** A compression test is cranking: only when the engine is ready to start, with fuel and spark off; and lash and timing are known before it, or its figures cannot be told apart from theirs.
 *  Source: handbook 15 and 16. */
export function beforeCranking(
  sheet: BuildSheet,
  state: Pick<JobState, 'kept' | 'register' | 'ticked' | 'timing'>,
): BeforeCranking {
  const off = (item: ItemKind) => state.register.some((one) => one.item === item)
  const magneto = sheet.followers?.some(({ kind }) => kind === 'magneto') ?? false
  const fuelOff = state.ticked.has('fuelOff') || off('fuelShut')
  const sparkOff =
    sheet.fuel === 'diesel' ||
    (state.ticked.has('ignitionOff') && (!magneto || state.ticked.has('magnetoDead') || off('magnetoEarthed')))
  const lash = sheet.cams.every(({ id }) => lastIn(state, 'lash', 'left', id) ?? lastIn(state, 'lash', 'found', id))
  const timing = sheet.shafts
    .filter(({ kind }) => kind === 'cam')
    .every(({ id }) => state.timing[id]?.left ?? state.timing[id]?.found)
  return {
    register: state.register.filter(({ item }) => !KEEPS_FROM_FIRING.includes(item)),
    live: [...(fuelOff ? [] : (['fuel'] as const)), ...(sparkOff ? [] : (['spark'] as const))],
    notKnown: [...(lash ? [] : (['lash'] as const)), ...(timing ? [] : (['timing'] as const))],
  }
}
