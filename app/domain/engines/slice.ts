import { recordSlice } from '../recordSlice'

export const { slice: enginesSlice, selectors: engineSelectors } = recordSlice('engines')
