/** What makes summaries: another version of this app makes all of them anew. */
export const MADE_BY = typeof __BUILD__ === 'undefined' ? 'not built' : __BUILD__
