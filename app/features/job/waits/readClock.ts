import { err, ok, type Result } from '@link-count/core/result'

export interface ClockError {
  readonly code: 'empty' | 'notATime' | 'stillToCome'
}

/** A time as it is read off a watch, of today or yesterday, as ISO 8601; one that has still to come is refused. */
export function readClock(text: string, nowIso: string, yesterday: boolean): Result<string, ClockError> {
  if (text.trim() === '') return err({ code: 'empty' })
  const read = /^\s*(\d{1,2})[:.h ]?(\d{2})\s*$/.exec(text)
  const [hours, minutes] = [Number(read?.[1]), Number(read?.[2])]
  if (!read || hours > 23 || minutes > 59) return err({ code: 'notATime' })
  const at = new Date(nowIso)
  at.setHours(hours, minutes, 0, 0)
  if (yesterday) at.setDate(at.getDate() - 1)
  return at.getTime() > Date.parse(nowIso) + 60_000 ? err({ code: 'stillToCome' }) : ok(at.toISOString())
}
