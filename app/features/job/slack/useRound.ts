import { allOf } from '@link-count/core/ledger'
import type { BuildSheet, EntryOf, Phase } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { runsOfLoop, slackOfRound, type RoundOf, type RunOfLoop, type SlackOfRound } from '@link-count/core/tension'
import { useDraft } from '../../../ui/fields'
import { useBench } from '../JobContext'

type Slack = EntryOf<'slack'>

/** What is read, where and how: chosen once, kept for the next step and the chart beside it. */
export interface ChosenRound {
  readonly of: RoundOf
  readonly runs: readonly RunOfLoop[]
  readonly set: {
    readonly loop: (id: string) => void
    readonly run: (key: string) => void
    readonly by: (by: string) => void
    readonly place: (place: string) => void
  }
  readonly slack: SlackOfRound
  /** Turned the running way since the last reading of the round, by the ledger; undefined before the first. */
  readonly sinceLastDeg: number | undefined
}

/** The way that goes with how tension is judged here. */
const BY_SCHOOL: Partial<Record<string, Slack['by']>> = {
  play: 'toAndFro',
  links: 'links',
  pitch: 'pitch',
  feel: 'feel',
  springAlone: 'twist',
}

export const runKey = ({ fromMemberId, toMemberId }: Pick<RoundOf, 'fromMemberId' | 'toMemberId'>) =>
  `${fromMemberId} ${toMemberId}`

/** The loop that is asked for first: one whose slack is wanted, else one with a tensioner. */
function firstLoop(sheet: BuildSheet): string {
  const tensioners = partsOf(sheet).tensioners.map(({ id }) => id)
  const first =
    sheet.loops.find(({ slackWanted }) => slackWanted) ??
    sheet.loops.find(({ path }) => path.some(({ memberId }) => tensioners.includes(memberId))) ??
    sheet.loops[0]
  return first?.id ?? ''
}

/** The round in hand of a phase. */
export function useRound(phase: Phase): ChosenRound | undefined {
  const { view } = useBench()
  const { sheet, job, state, schools } = view
  const loopId = useDraft(`${job.id}:slack:loop`, firstLoop(sheet))
  const loop = partsOf(sheet).loop(loopId.text) ?? sheet.loops[0]
  const run = useDraft(`${job.id}:slack:${loop?.id ?? ''}:run`)
  const by = useDraft(`${job.id}:slack:by`, loop?.slackWanted?.by ?? BY_SCHOOL[schools.tensionBy] ?? 'toAndFro')
  const place = useDraft(`${job.id}:slack:place`, 'middle')
  if (!loop) return undefined
  const runs = runsOfLoop(sheet, loop)
  const chosen = runs.find((one) => runKey(one) === run.text) ?? runs[0]
  if (!chosen) return undefined
  const of: RoundOf = {
    loopId: loop.id,
    fromMemberId: chosen.fromMemberId,
    toMemberId: chosen.toMemberId,
    place: place.text as Slack['place'],
    by: by.text as Slack['by'],
    phase,
  }
  const entries = allOf(state, 'slack')
  const slack = slackOfRound(sheet, entries, of)
  const last = slack.readings.at(-1)?.entry ?? entries.findLast((one) => one.loopId === loop.id && one.phase === phase)
  return {
    of,
    runs,
    set: { loop: loopId.setText, run: run.setText, by: by.setText, place: place.setText },
    slack,
    sinceLastDeg: last && turnedSince(state.live, last.id),
  }
}

function turnedSince(live: readonly { readonly id: string; readonly kind: string }[], id: string): number {
  const at = live.findIndex((entry) => entry.id === id)
  return live.slice(at + 1).reduce((sum, entry) => {
    const turned = entry as Partial<EntryOf<'turned'>>
    return entry.kind === 'turned' ? sum + (turned.deg ?? 0) : sum
  }, 0)
}
