import type { Due, Job } from '../model/engine'

type Meter = NonNullable<Job['meter']>
export interface Visit {
  readonly at: string
  readonly meter?: Meter | undefined
}

export interface NextDue {
  /** By the calendar. */
  readonly byDate: string | undefined
  /** By what it has run, in the unit of the interval; and when that will be, by what it has run so far. */
  readonly byMeter:
    { readonly value: number; readonly leaves: number | undefined; readonly at: string | undefined } | undefined
  /** The earlier of the two dates that are known. */
  readonly first: string | undefined
  readonly why: 'date' | 'meter' | undefined
  /** Past by the calendar or by what it has run. */
  readonly isOver: boolean
}

const DAY_MS = 86_400_000
/** A mean month. */
const MONTH_DAYS = 365.25 / 12
const KM_PER_MILE = 1.609344

/** What a meter shows, in another unit of length; undefined where they are not alike. */
export function inUnit({ value, unit }: Meter, wanted: Meter['unit']): number | undefined {
  if (unit === wanted) return value
  if (unit === 'miles' && wanted === 'km') return value * KM_PER_MILE
  return unit === 'km' && wanted === 'miles' ? value / KM_PER_MILE : undefined
}

/** When something is due next, by the calendar and by what the engine has run, whichever comes first. How much it runs is taken from the first and the last visit
 *  that wrote it down; without two of them the date of that is not known. Of something never done the first visit counts. */
export function nextDue(
  due: Pick<Due, 'every' | 'months' | 'lastAt' | 'lastMeter'>,
  visits: readonly Visit[],
  now: string,
): NextDue {
  const { every, months } = due
  const sorted = visits.toSorted((a, b) => Date.parse(a.at) - Date.parse(b.at))
  const since = due.lastAt ?? sorted[0]?.at
  const byDate = months === undefined || since === undefined ? undefined : later(since, months * MONTH_DAYS)
  const read = every
    ? sorted.flatMap(({ at, meter }) => {
        const value = meter && inUnit(meter, every.unit)
        return value === undefined ? [] : [{ at, value }]
      })
    : []
  const [first, last] = [read[0], read.at(-1)]
  const from = due.lastMeter ?? first?.value
  const days = first && last ? (Date.parse(last.at) - Date.parse(first.at)) / DAY_MS : 0
  const perDay = first && last && days >= 1 ? (last.value - first.value) / days : 0
  const value = every && from !== undefined ? from + every.value : undefined
  const leaves = value === undefined || !last ? undefined : value - last.value
  const byMeter =
    value === undefined
      ? undefined
      : {
          value,
          leaves,
          at: last && leaves !== undefined && perDay > 0 ? later(last.at, Math.max(0, leaves) / perDay) : undefined,
        }
  const dates = [
    ...(byDate ? [{ at: byDate, why: 'date' as const }] : []),
    ...(byMeter?.at ? [{ at: byMeter.at, why: 'meter' as const }] : []),
  ].toSorted((a, b) => Date.parse(a.at) - Date.parse(b.at))
  const isOver =
    (byDate !== undefined && Date.parse(byDate) <= Date.parse(now)) || (leaves !== undefined && leaves <= 0)
  return { byDate, byMeter, first: dates[0]?.at, why: dates[0]?.why, isOver }
}

function later(at: string, days: number): string {
  // Beyond what a date can hold it is as good as never.
  const ms = Math.min(Date.parse(at) + days * DAY_MS, 8.64e15 - 1)
  return new Date(ms).toISOString()
}
