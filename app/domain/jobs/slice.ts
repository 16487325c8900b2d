import { recordSlice } from '../recordSlice'

export const { slice: jobsSlice, selectors: jobSelectors } = recordSlice('jobs')
