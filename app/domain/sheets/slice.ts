import type { BuildSheet } from '@link-count/core/model'
import { recordSlice } from '../recordSlice'

export const { slice: sheetsSlice, selectors: sheetSelectors } = recordSlice('sheets')

/** The newest version; between two devices' same number, the later one. */
export const newestSheet = (sheets: readonly BuildSheet[]) =>
  sheets.reduce<BuildSheet | undefined>(
    (best, sheet) =>
      !best || sheet.version > best.version || (sheet.version === best.version && sheet.at > best.at) ? sheet : best,
    undefined,
  )
