import type { Engine } from '@link-count/core/model'
import { recordSlice } from '../recordSlice'

export const { slice: enginesSlice, selectors: engineSelectors } = recordSlice<Engine>('engines')
