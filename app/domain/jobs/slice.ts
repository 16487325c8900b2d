import type { Job } from '@link-count/core/model'
import { recordSlice } from '../recordSlice'

export const { slice: jobsSlice, selectors: jobSelectors } = recordSlice<Job>('jobs')
