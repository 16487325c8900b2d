import type { Records } from '@link-count/core/model'
import records from './workshop.json'

/** The demo workshop as the script wrote it; a test holds it against the scenario. */
export const demoRecords = records as unknown as Records
