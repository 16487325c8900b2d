import { readingsOfJob } from '@link-count/core/diagnose'
import { allOf, lastIn, lastOf } from '@link-count/core/ledger'
import { partsOf } from '@link-count/core/sheet'
import { lastRound, slackOfRound } from '@link-count/core/tension'
import { fixed, formatLateness, formatMm } from '@link-count/core/units'
import type { JobView } from '../../domain/views'
import { feltWords, formatDate, meterWords, purposeWords, slackValueWords } from '../../ui/wording'

/** One line of the log of settings: what it is of, and what a visit left of it. */
export interface LogLine {
  readonly key: string
  readonly name: string
  readonly of: (view: JobView) => string
}

/** Every setting that a log tells, in the order of the card. */
export function logLines({ sheet }: Pick<JobView, 'sheet'>): readonly LogLine[] {
  const camshafts = sheet.shafts.filter(({ kind }) => kind === 'cam')
  return [
    { key: 'date', name: 'Date', of: ({ job }) => formatDate(job.at) },
    { key: 'for', name: 'Here for', of: ({ job }) => purposeWords[job.purpose ?? 'whole'].name },
    { key: 'meter', name: 'Had run', of: ({ job }) => (job.meter ? meterWords(job.meter) : '') },
    {
      key: 'zero',
      name: 'Zero of the wheel',
      of: ({ state: { zero } }) => (zero ? `${fixed(zero.wheelDeg, 1)} ± ${fixed(2 * zero.sigmaDeg, 1)}` : ''),
    },
    ...camshafts.flatMap(({ id, name }) =>
      (['found', 'left'] as const).map((phase) => ({
        key: `${id} ${phase}`,
        name: `${name}, ${phase}`,
        of: ({ state }: JobView) => {
          const timing = state.timing[id]?.[phase]
          return timing ? `${formatLateness(timing.latenessDeg)} ± ${fixed(timing.plusMinusDeg, 1)}°` : ''
        },
      })),
    ),
    {
      key: 'wear',
      name: 'Grown by',
      of: (view) => {
        const grown = Object.values(readingsOfJob(view.sheet, view.state, 'found').elongation ?? {})
        return grown.length === 0 ? '' : `${fixed(Math.max(...grown.map(({ value }) => value)), 2)}%`
      },
    },
    ...sheet.loops.flatMap(({ id, name }) =>
      (['found', 'left'] as const).map((phase) => ({
        key: `slack ${id} ${phase}`,
        name: `${name}, slack, ${phase}`,
        of: (view: JobView) => slackLeft(view, id, phase),
      })),
    ),
    ...partsOf(sheet).tensioners.map(({ id, name }) => ({
      key: `spring ${id}`,
      name: `${name}, spring free`,
      of: ({ state }: JobView) => {
        const free = lastOf(state, 'spring', `${id} free`)
        return free ? formatMm(free.mm, 1) : ''
      },
    })),
    ...sheet.cams.map(({ id, name }) => ({
      key: `lash ${id}`,
      name: `Lash, ${name}`,
      of: ({ state }: JobView) => {
        const entry = lastIn(state, 'lash', 'left', id) ?? lastIn(state, 'lash', 'found', id)
        return entry ? formatMm(entry.gapMm) : ''
      },
    })),
  ]
}

function slackLeft({ sheet, state }: JobView, loopId: string, phase: 'found' | 'left'): string {
  const entries = allOf(state, 'slack')
  const of = lastRound(entries, loopId, phase) ?? (phase === 'left' ? lastRound(entries, loopId, 'set') : undefined)
  if (!of) return ''
  const { round, entries: own } = slackOfRound(sheet, entries, of)
  const felt = own.at(-1)?.felt
  return round ? slackValueWords(of.by, round.tightest.value) : felt ? feltWords[felt] : ''
}

/** The lines that any of the visits has something of. */
export const linesWith = (lines: readonly LogLine[], views: readonly JobView[]): readonly LogLine[] =>
  lines.filter(({ of }) => views.some((view) => of(view) !== ''))
