import type { Engine, Job } from './engine'

/** Whether an engine or a job is deleted: it was, and nobody brought it back since. */
export const isRemoved = ({ removed }: Pick<Engine | Job, 'removed'>): boolean =>
  removed !== undefined && !(removed.restoredAt !== undefined && removed.restoredAt >= removed.at)
