import { readingsOfJob } from '@link-count/core/diagnose'
import type { Due } from '@link-count/core/model'
import { fixed } from '@link-count/core/units'
import { trendOf, type NextDue, type Point } from '@link-count/core/upkeep'
import type { JobView } from '../../domain/views'
import { formatDate, meterWords } from '../../ui/wording'

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

/** The chain has grown: general engineering names 1% on fixed centres. */
const GROWN_LIMIT = 1

/** What was measured at four visits or more, and where it reaches its limit; no further than half as long again. */
export function trendLines(views: readonly JobView[]): string[] {
  const [latest] = views
  const unit = latest?.job.meter?.unit
  const visits = views.filter(({ job }) => job.meter?.unit === unit && unit !== undefined)
  return (latest?.sheet.loops ?? []).flatMap(({ id, name }) => {
    const points = visits.flatMap((view): Point[] => {
      const grown = readingsOfJob(view.sheet, view.state, 'found').elongation?.[id]
      return grown && view.job.meter ? [{ x: view.job.meter.value, y: grown.value, sigma: grown.sigma }] : []
    })
    const trend = trendOf(points, GROWN_LIMIT)
    if (trend.kind === 'tooFew' || unit === undefined) return []
    const told = {
      flat: 'does not grow beyond what a calliper shows',
      past: `is past ${GROWN_LIMIT}%`,
      tooFar: `does not reach ${GROWN_LIMIT}% before ${meterWords({ value: Math.round('mostX' in trend ? trend.mostX : 0), unit })}; further is not told`,
      reaches: `reaches ${GROWN_LIMIT}% at about ${meterWords({ value: Math.round('atX' in trend ? trend.atX : 0), unit })}`,
    }[trend.kind]
    return [
      `${name}, as measured at ${points.length} visits: ${told} (${fixed(trend.perX * 1000, 2)}% in 1000 ${unit}).`,
    ]
  })
}
