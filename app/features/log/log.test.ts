import Papa from 'papaparse'
import { expect, test } from 'vitest'
import type { JobView } from '../../domain/views'
import { dueCalendar, logCsv } from './saveLog'

const view = (label: string) => ({ label }) as JobView

test('a table that a spreadsheet reads back, and nothing in it that it would run', () => {
  const lines = [
    { key: 'a', name: 'Lash, inlet', of: () => '=HYPERLINK("x")' },
    { key: 'b', name: 'Note', of: ({ label }: JobView) => `line "${label}",\nand more` },
  ]
  const csv = logCsv(lines, [view('1'), view('2')])
  const { data } = Papa.parse<string[]>(csv)
  expect(data[0]).toEqual(['Visit', 'Lash, inlet', 'Note'])
  expect(data[1]?.[1]).toBe('\'=HYPERLINK("x")')
  expect(data[2]?.[2]).toBe('line "2",\nand more')
})

test('what is due is a day in a calendar', () => {
  const text = dueCalendar([
    { id: 'd1', title: 'Tourer: timing chain', at: '2027-03-04T10:00:00.000Z', words: 'every 4000 hours' },
  ])
  expect(text).toContain('BEGIN:VEVENT')
  expect(text).toContain('DTSTART;VALUE=DATE:20270304')
  expect(text).toContain('SUMMARY:Tourer: timing chain')
})
