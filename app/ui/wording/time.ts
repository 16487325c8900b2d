import type { Job } from '@link-count/core/model'
const dateTime = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  hour: '2-digit',
  minute: '2-digit',
})
const date = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric' })
const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' })

export const formatDateTime = (iso: string) => dateTime.format(new Date(iso))
export const formatDate = (iso: string) => date.format(new Date(iso))
export const formatClock = (iso: string) => clock.format(new Date(iso))

/** "today", "yesterday", "12 days ago". */
export function daysAgo(iso: string, nowIso: string): string {
  const days = Math.floor((Date.parse(nowIso) - Date.parse(iso)) / 86_400_000)
  return days <= 0 ? 'today' : days === 1 ? 'yesterday' : `${days} days ago`
}

export const meterWords = ({ value, unit }: NonNullable<Job['meter']>) =>
  `${value.toLocaleString('en', { maximumFractionDigits: 1 }).replaceAll(',', ' ')} ${unit}`
