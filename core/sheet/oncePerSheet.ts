import type { BuildSheet } from '../model/buildSheet'

/** The same question asked of one build sheet many times is answered once: a sheet never changes, a changed one is another sheet. What was
 *  worked out goes when the sheet goes. */
export function oncePerSheet<T>(workOut: (sheet: BuildSheet) => T): (sheet: BuildSheet) => T {
  const known = new WeakMap<BuildSheet, { readonly value: T }>()
  return (sheet) => {
    const before = known.get(sheet)
    if (before) return before.value
    const value = workOut(sheet)
    known.set(sheet, { value })
    return value
  }
}
