import type { Records } from '@link-count/core/model'
import type { EngineSummary } from '../domain/summaries'
import summaries from './summaries.json'
import records from './workshop.json'

/** The demo workshop as the script wrote it, with what the list of engines shows of it; a test holds both against the scenario. */
export const demoRecords = records as unknown as Records
export const demoSummaries = summaries as unknown as Record<string, EngineSummary>
