import type { Due } from '@link-count/core/model'
import { fixed } from '@link-count/core/units'
import { trendOf, type NextDue, type Trend } from '@link-count/core/upkeep'
import type { JobView } from '../../domain/views'
import { formatDate, meterWords } from '../../ui/wording'
import { axisOf, seriesOf } from './series'

/** "every 4000 hours or 60 months". */
export const everyWords = ({ every, months }: Pick<Due, 'every' | 'months'>): string =>
  [
    ...(every ? [`every ${meterWords(every)}`] : []),
    ...(months === undefined ? [] : [months % 12 === 0 ? `${months / 12} years` : `${months} months`]),
  ].join(', or ') || 'no interval'

/** When, by which of the two, and what is left. */
export function dueWords({ every }: Pick<Due, 'every'>, { byDate, byMeter, first, why, isOver }: NextDue): string {
  const left =
    byMeter && every
      ? byMeter.leaves === undefined
        ? `at ${meterWords({ value: Math.round(byMeter.value), unit: every.unit })}`
        : byMeter.leaves <= 0
          ? `over by ${meterWords({ value: Math.round(-byMeter.leaves), unit: every.unit })}`
          : `${meterWords({ value: Math.round(byMeter.leaves), unit: every.unit })} left`
      : ''
  const when = first
    ? `${isOver ? 'was due' : 'due'} ${formatDate(first)}, by ${why === 'date' ? 'the calendar' : 'what it runs'}`
    : ''
  const unknown = !byDate && !byMeter ? 'not known before a visit says what it has run' : ''
  return [isOver ? 'overdue' : '', when, left, unknown].filter(Boolean).join('; ')
}

/** What was measured at four visits or more, and where it leaves its limit; no further than half as long again. */
export function trendLines(views: readonly JobView[]): string[] {
  const { by, unit } = axisOf(views)
  const at = (x: number) =>
    by === 'day' || unit === undefined
      ? formatDate(new Date(x).toISOString())
      : meterWords({ value: Math.round(x), unit })
  return seriesOf(views).flatMap(({ name: what, unit: inUnit, decimals, limit, lines }) => {
    const most = limit?.most
    if (most === undefined) return []
    return lines.flatMap(({ name, points }) => {
      const trend = trendOf(
        points.map(({ x, value, sigma }) => ({ x, y: value, sigma })),
        most,
      )
      const told = trendWords(trend, `${fixed(most, decimals)}${inUnit}`, at)
      return told ? [`${name}, ${lower(what)}, as measured at ${points.length} visits: ${told}.`] : []
    })
  })
}

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)

function trendWords(trend: Trend, limit: string, at: (x: number) => string): string | undefined {
  switch (trend.kind) {
    case 'tooFew':
      return undefined
    case 'flat':
      return 'it does not grow beyond what was measured with'
    case 'past':
      return `it is past ${limit}`
    case 'tooFar':
      return `it does not reach ${limit} before ${at(trend.mostX)}; further is not told`
    case 'reaches':
      return `it reaches ${limit} at about ${at(trend.atX)}, from ${at(trend.earliestX)} on${trend.latestX === undefined ? '' : `, by ${at(trend.latestX)} at the latest`}`
  }
}
