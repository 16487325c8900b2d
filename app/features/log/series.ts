import { readingsOfJob } from '@link-count/core/diagnose'
import { allOf, lastOf } from '@link-count/core/ledger'
import type { BuildSheet, EntryOf } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { lastRound, slackOfRound } from '@link-count/core/tension'
import { linesOf, type Visited } from '@link-count/core/upkeep'
import type { JobView } from '../../domain/views'

/** What was measured visit by visit: one line to each part, begun anew when it is renewed. */
export interface Series {
  readonly key: string
  readonly name: string
  readonly unit: string
  readonly decimals: number
  readonly limit: { readonly least?: number | undefined; readonly most?: number | undefined } | undefined
  readonly lines: readonly Line[]
}
interface Line {
  readonly name: string
  readonly points: readonly Visited[]
}

/** Where visits lie: by what it had run where every one of them says so in one unit, else by the day. */
export interface Axis {
  readonly by: 'meter' | 'day'
  readonly unit: NonNullable<JobView['job']['meter']>['unit'] | undefined
  readonly xOf: (view: JobView) => number
}

export function axisOf(views: readonly JobView[]): Axis {
  const unit = views[0]?.job.meter?.unit
  const every = unit !== undefined && views.every(({ job }) => job.meter?.unit === unit)
  return every
    ? { by: 'meter', unit, xOf: ({ job }) => job.meter?.value ?? 0 }
    : { by: 'day', unit: undefined, xOf: ({ job }) => Date.parse(job.at) }
}

/** The chain has grown: general engineering names 1% on fixed centres. */
const GROWN_LIMIT = 1

interface Value {
  readonly value: number
  readonly sigma: number
}

/** Every series that two visits at least have something of. */
export function seriesOf(views: readonly JobView[]): readonly Series[] {
  const [latest] = views
  if (!latest) return []
  const { sheet } = latest
  const { xOf } = axisOf(views)
  const line: LineOf = (name, loopId, of) => {
    const visits = views.flatMap((view): Visited[] => {
      const one = of(view)
      return one ? [{ x: xOf(view), ...one, renewed: loopId !== undefined && isRenewed(view, loopId) }] : []
    })
    const parts = linesOf(visits)
    return parts.map((points, i) => ({ name: parts.length > 1 ? `${name}, ${ordinal(i)}` : name, points }))
  }
  const all: Series[] = [
    {
      key: 'late',
      name: 'Found late, at the crank',
      unit: '°',
      decimals: 1,
      limit: undefined,
      lines: sheet.shafts
        .filter(({ kind }) => kind === 'cam')
        .flatMap(({ id, name }) =>
          line(name, undefined, ({ state }) => {
            const timing = state.timing[id]?.found
            return timing && { value: timing.latenessDeg, sigma: timing.sigmaDeg }
          }),
        ),
    },
    {
      key: 'grown',
      name: 'Grown by',
      unit: '%',
      decimals: 2,
      limit: { most: GROWN_LIMIT },
      lines: sheet.loops.flatMap(({ id, name }) =>
        line(name, id, (view) => readingsOfJob(view.sheet, view.state, 'found').elongation?.[id]),
      ),
    },
    ...tensionSeries(sheet, line),
  ]
  return all.filter(({ lines }) => lines.reduce((n, { points }) => n + points.length, 0) > 1)
}

type LineOf = (name: string, loopId: string | undefined, of: (view: JobView) => Value | undefined) => Line[]

/** Play, pitch and springs. */
function tensionSeries(sheet: BuildSheet, line: LineOf): Series[] {
  const slackLines = (ways: readonly EntryOf<'slack'>['by'][]) =>
    sheet.loops.flatMap(({ id, name }) => line(name, id, (view) => tightest(view, id, ways)))
  const wanted = (by: string) => {
    const own = sheet.loops.flatMap(({ slackWanted }) => (slackWanted?.by === by ? [slackWanted] : []))
    const [only] = own
    return own.length === 1 && only ? { least: only.least?.value, most: only.most?.value } : undefined
  }
  return [
    {
      key: 'play',
      name: 'Play at the tightest',
      unit: ' mm',
      decimals: 1,
      limit: wanted('toAndFro'),
      lines: slackLines(['toAndFro', 'oneWay']),
    },
    {
      key: 'links',
      name: 'Play in links',
      unit: ' links',
      decimals: 2,
      limit: wanted('links'),
      lines: slackLines(['links']),
    },
    {
      key: 'pitch',
      name: 'Pitch when plucked',
      unit: ' Hz',
      decimals: 1,
      limit: wanted('pitch'),
      lines: slackLines(['pitch']),
    },
    {
      key: 'spring',
      name: 'Free length of the spring',
      unit: ' mm',
      decimals: 1,
      limit: undefined,
      lines: partsOf(sheet).tensioners.flatMap(({ id, name }) =>
        line(name, undefined, ({ state }) => {
          const free = lastOf(state, 'spring', `${id} free`)
          return free && { value: free.mm, sigma: free.plusMinusMm / 2 }
        }),
      ),
    },
  ]
}

const ordinal = (i: number) => ['the first', 'the second', 'the third', 'the fourth'][i] ?? `number ${i + 1}`

/** The tightest place as it was found; where nothing was read before, as it was left. */
function tightest(view: JobView, loopId: string, ways: readonly EntryOf<'slack'>['by'][]): Value | undefined {
  const entries = allOf(view.state, 'slack').filter(({ by }) => ways.includes(by))
  const of =
    lastRound(entries, loopId, 'found') ?? lastRound(entries, loopId, 'set') ?? lastRound(entries, loopId, 'left')
  const read = of && slackOfRound(view.sheet, entries, of).round?.tightest
  return read && { value: read.value, sigma: read.plusMinus / 2 }
}

/** A new chain or belt went on in this job. */
function isRenewed({ job, state }: JobView, loopId: string): boolean {
  const on = state.live.some((entry) => entry.kind === 'loop' && entry.loopId === loopId && entry.change === 'on')
  const found = allOf(state, 'finding').some(
    ({ partId, verdict }) => partId === loopId && (verdict === 'renewNow' || verdict === 'renewAsSet'),
  )
  return on && (found || job.purpose === 'timingKept')
}
