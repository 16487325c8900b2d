/** The lists of records that a file holds. */
export const LISTS = ['engines', 'sheets', 'jobs', 'entries'] as const
export type ListName = (typeof LISTS)[number]
