import { Button, NativeSelect } from '@mantine/core'
import { holdsTight, type JobState } from '@link-count/core/ledger'
import type { BuildSheet, Condition, EntryOf, NewEntry, Phase } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { fixed } from '@link-count/core/units'
import { useDraft } from '../../../ui/fields'
import { Fold } from '../../../ui/Fold'
import { nounsOf, placeAlongWords, readWithWords, runWords, slackWayWords, turnsOn } from '../../../ui/wording'
import { askTurn } from '../askTurn'
import { Ear } from '../ear/Ear'
import { useBench } from '../JobContext'
import { Conditions, useConditions } from './Conditions'
import { SlackTable } from './SlackTable'
import { SlackVerdict } from './SlackVerdict'
import { useFigure, type Values } from './useFigure'
import { runKey, useRound, type ChosenRound } from './useRound'
import './slack.css'

type Slack = EntryOf<'slack'>

/** Slack read at one place after another of the drive's turn, and what the readings say together. */
export function SlackPanel({ step, phase }: { readonly step: Step; readonly phase: Phase }) {
  const chosen = useRound(phase)
  if (!chosen) return <p className="soft">There is no chain or belt on the build sheet yet.</p>
  return (
    <div className="stack">
      <WhereAndHow chosen={chosen} />
      <Reading key={runKey(chosen.of) + chosen.of.by} step={step} chosen={chosen} />
      <SlackVerdict chosen={chosen} />
      <SlackTable chosen={chosen} />
    </div>
  )
}

const WITH: readonly Slack['with'][] = ['finger', 'hand', 'screwdriver', 'rule', 'dial']

/** What is read, where and how, on one line; changed below it. */
function WhereAndHow({ chosen: { of, runs, set } }: { readonly chosen: ChosenRound }) {
  const { view } = useBench()
  const { sheet, job } = view
  const tool = useDraft(`${job.id}:slack:with`, 'finger')
  const parts = partsOf(sheet)
  const name = (id: string) => parts.member(id)?.name ?? id
  const loop = parts.loop(of.loopId)
  const run = runs.find((one) => runKey(one) === runKey(of))
  return (
    <>
      <p>
        <strong>{loop?.name}</strong>: {runWords(of, name)}, {placeAlongWords[of.place]}
        {run?.spanMm ? ` of ${fixed(run.spanMm, 0)} mm` : ''}. {upper(slackWayWords[of.by].name)}
        {of.by === 'pitch' || of.by === 'feel' ? '' : `, ${readWithWords[tool.text as Slack['with']]}`}.
      </p>
      <Fold title="Another run, or read otherwise">
        {sheet.loops.length > 1 && (
          <NativeSelect
            label="Chain or belt"
            value={of.loopId}
            onChange={(event) => set.loop(event.currentTarget.value)}
            data={sheet.loops.map(({ id, name: label }) => ({ value: id, label }))}
          />
        )}
        <NativeSelect
          label="Run"
          value={runKey(of)}
          onChange={(event) => set.run(event.currentTarget.value)}
          data={runs.map((one) => ({
            value: runKey(one),
            label: `${runWords(one, name)}${one.spanMm ? `, ${fixed(one.spanMm, 0)} mm, ${one.kind === 'tight' ? 'pulled' : 'slack'}` : ''}`,
          }))}
        />
        <NativeSelect
          label="Where along it"
          value={of.place}
          onChange={(event) => set.place(event.currentTarget.value)}
          data={Object.entries(placeAlongWords).map(([value, label]) => ({ value, label }))}
        />
        <NativeSelect
          label="Judged"
          value={of.by}
          onChange={(event) => set.by(event.currentTarget.value)}
          data={Object.entries(slackWayWords).map(([value, { name: label }]) => ({ value, label }))}
        />
        {of.by !== 'pitch' && of.by !== 'feel' && (
          <NativeSelect
            label="Read"
            value={tool.text}
            onChange={(event) => tool.setText(event.currentTarget.value)}
            data={WITH.map((value) => ({ value, label: readWithWords[value] }))}
          />
        )}
      </Fold>
    </>
  )
}

const upper = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

/** The figure at one place, with what was fitted and how warm it was; turned on to the next in the same press. */
function Reading({ step, chosen }: { readonly step: Step; readonly chosen: ChosenRound }) {
  const { view, side, say } = useBench()
  const { sheet, job } = view
  const { of, slack, sinceLastDeg } = chosen
  const loop = partsOf(sheet).loop(of.loopId)
  const tool = useDraft(`${job.id}:slack:with`, 'finger')
  const { support, warmth, degC, reads } = useConditions()
  const figure = useFigure(chosen, `${job.id}:${step.id}:${of.phase}`)
  const last = slack.entries.at(-1)
  const stepDeg = slack.wanted?.stepDeg ?? 180
  const turn = askTurn({ onBy: stepDeg }, view, side)
  const hereDeg = last === undefined ? 0 : (last.turnDeg ?? 0) + (sinceLastDeg ?? 0)
  // What is listened to is written with its recording: typing is the other way.
  const main = of.by === 'pitch' ? 'default' : 'filled'
  const crank = view.state.crank.deg
  const entryOf = (values: Values, plusMinus: number, turnDeg: number): Extract<NewEntry, { kind: 'slack' }> => ({
    kind: 'slack',
    ...of,
    with: of.by === 'pitch' ? 'ear' : (tool.text as Slack['with']),
    ...values,
    plusMinus,
    turnDeg,
    ...(support.text ? { support: support.text as 'fitted' | 'missing' } : {}),
    ...(of.by === 'pitch' && crank !== undefined ? { crankDeg: crank } : {}),
    ...(of.by === 'pitch' && degC.value !== undefined ? { degC: degC.value } : {}),
    conditions: [warmth.text === 'hot' ? 'hot' : 'cold', ...tensionerCondition(sheet, view.state, of.loopId)],
    stepId: step.id,
  })
  const write = (turnOn: boolean) => {
    if (of.by === 'pitch' && !reads) return
    const read = figure.take()
    if (!read) return
    const entry: NewEntry = {
      ...entryOf(read.values, read.plusMinus, hereDeg + (turnOn ? stepDeg : 0)),
      ...(read.typed ? { typed: [{ field: 'slack', text: read.typed }] } : {}),
    }
    void say(turnOn ? [{ kind: 'turned', deg: stepDeg, ended: 'onMark', stepId: step.id }, entry] : entry, read.fields)
  }
  const next = last !== undefined && (sinceLastDeg ?? 0) === 0
  return (
    <div className="stack slack-reading">
      <Conditions by={of.by} supportName={loop?.slackWanted?.support} />
      {next && <p className={turn.may ? undefined : 'warn'}>{turn.words}</p>}
      {of.by === 'pitch' && loop && (
        <Ear
          step={step}
          loop={loop}
          spanMm={slack.spanMm}
          mayWrite={reads}
          entryOf={(heard, soundId) => ({
            ...entryOf({ hz: heard.hz ?? 0 }, heard.plusMinusHz ?? 0, hereDeg),
            soundId,
            plucks: heard.plucks.map(({ pluck: { read }, used, why }) => ({
              ...(read.is === 'heard' ? { hz: read.hz, plusMinusHz: read.plusMinusHz } : {}),
              used,
              ...(why ? { why } : {}),
            })),
          })}
        />
      )}
      {figure.input(`${slackWayWords[of.by].asks}, ${turnsOn(hereDeg + (next && turn.may ? stepDeg : 0))}`, () =>
        write(next && turn.may),
      )}
      {next && turn.may ? (
        <>
          <Button variant={main} fullWidth onClick={() => write(true)}>
            Turned on, and written
          </Button>
          <Button variant="quiet" onClick={() => write(false)}>
            Written here again, not turned
          </Button>
        </>
      ) : (
        <Button variant={main} fullWidth onClick={() => write(false)}>
          {of.by === 'pitch' ? 'Write the typed figure down' : `Write it down: ${loop ? nounsOf(loop).loop : 'slack'}`}
        </Button>
      )}
    </div>
  )
}

/** Whether the tensioner of a loop pulls on it now: it belongs to what is read. */
function tensionerCondition(sheet: BuildSheet, state: JobState, loopId: string): Condition[] {
  const loop = partsOf(sheet).loop(loopId)
  const own = partsOf(sheet).tensioners.filter(({ id }) => loop?.path.some(({ memberId }) => memberId === id))
  if (own.length === 0) return []
  return [own.every(({ id }) => holdsTight(state.tensioners[id] ?? 'out')) ? 'tensionerReleased' : 'tensionerHeld']
}
