import { createEvents, type EventAttributes } from 'ics'
import Papa from 'papaparse'
import type { JobView } from '../../domain/views'
import type { LogLine } from './logRows'

/** The log as a table that a spreadsheet opens: a row to the visit. What a sheet would take for a formula is taken as text. */
export function logCsv(lines: readonly LogLine[], views: readonly JobView[]): string {
  return Papa.unparse(
    {
      fields: ['Visit', ...lines.map(({ name }) => name)],
      data: views.map((view) => [`Job ${view.label}`, ...lines.map(({ of }) => of(view))]),
    },
    { escapeFormulae: true, newline: '\r\n' },
  )
}

export interface Dated {
  readonly id: string
  readonly title: string
  readonly at: string
  readonly words: string
}

/** What is due, a day each, for any calendar. */
export function dueCalendar(dues: readonly Dated[]): string {
  const events = dues.map(({ id, title, at, words }): EventAttributes => {
    const day = new Date(at)
    return {
      uid: `${id}@link-count`,
      title,
      description: words,
      start: [day.getUTCFullYear(), day.getUTCMonth() + 1, day.getUTCDate()],
      duration: { days: 1 },
      productId: 'link-count',
    }
  })
  const { error, value } = createEvents(events)
  if (error || typeof value !== 'string') throw error ?? new Error('no calendar was made')
  return value
}
