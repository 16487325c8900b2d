import type { BuildSheet } from '@link-count/core/model'

/** The newest version; between two devices' same number, the later one. */
export const newestSheet = (sheets: readonly BuildSheet[]) =>
  sheets.reduce<BuildSheet | undefined>(
    (best, sheet) =>
      !best || sheet.version > best.version || (sheet.version === best.version && sheet.at > best.at) ? sheet : best,
    undefined,
  )
