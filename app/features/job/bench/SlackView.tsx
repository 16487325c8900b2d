import { ErrorBar, Line, ReferenceArea, ComposedChart, ResponsiveContainer, Scatter, XAxis, YAxis } from 'recharts'
import type { Phase } from '@link-count/core/model'
import { fixed } from '@link-count/core/units'
import { slackFigureWords, partOfTurn, slackValueWords, turnsOn } from '../../../ui/wording'
import { useRound, type ChosenRound } from '../slack/useRound'
import '../slack/slack.css'

/** Slack along the drive's turn: what was read, what is wanted, and what was not looked at. */
export default function SlackView({ phase }: { readonly phase: Phase }) {
  const chosen = useRound(phase)
  if (!chosen) return null
  return <SlackChart chosen={chosen} />
}

const POINTS = 120

/** Whole turns, at most ten of them. */
function ticksOf(first: number, end: number): number[] {
  const step = Math.max(1, Math.ceil((end - first) / 10))
  return Array.from({ length: Math.floor((end - first) / step) + 1 }, (_, i) => first + i * step)
}

function SlackChart({ chosen: { of, slack } }: { readonly chosen: ChosenRound }) {
  const { readings, round, band } = slack
  const unit = of.by === 'links' ? 'links' : of.by === 'pitch' ? 'Hz' : of.by === 'twist' ? 'degrees' : 'mm'
  if (readings.length === 0 || !round) return <NothingYet slack={slack} />
  const { points, first, last, end, curve, domain } = drawnFrom(slack, round)
  const told = `Tightest ${slackValueWords(of.by, round.tightest.value)} ${turnsOn(round.tightest.turnDeg)}, loosest ${slackValueWords(of.by, round.loosest.value)} ${turnsOn(round.loosest.turnDeg)}`
  const axis = { stroke: 'var(--soft)', tick: { fontSize: 14, fill: 'var(--soft)' } }
  return (
    <figure className="slack-chart" aria-label={told}>
      <h2>
        Slack, place by place <span className="soft">{unit}, against turns of the crank</span>
      </h2>
      <ResponsiveContainer width="100%" height={320}>
        <ComposedChart margin={{ top: 8, right: 16, bottom: 8, left: 0 }} accessibilityLayer={false}>
          <XAxis
            type="number"
            dataKey="x"
            domain={[first, end]}
            ticks={ticksOf(first, end)}
            tickFormatter={(x: number) => fixed(x, x % 1 === 0 ? 0 : 1)}
            {...axis}
          />
          <YAxis type="number" domain={domain} tickFormatter={(y: number) => fixed(y, 1)} width={44} {...axis} />
          {band && (
            <ReferenceArea
              y1={band.least ?? domain[0]}
              y2={band.most ?? domain[1]}
              fill="var(--brass)"
              fillOpacity={0.16}
              label={{
                value: 'wanted at the tightest',
                position: 'insideTopRight',
                fill: 'var(--brass)',
                fontSize: 14,
              }}
            />
          )}
          {end > last + 1e-6 && (
            <ReferenceArea
              x1={last}
              x2={end}
              fill="var(--soft)"
              fillOpacity={0.1}
              label={{ value: 'not looked at', position: 'insideBottom', fill: 'var(--soft)', fontSize: 14 }}
            />
          )}
          {curve && (
            <Line
              data={curve}
              dataKey="told"
              stroke="var(--soft)"
              strokeDasharray="3 4"
              dot={false}
              isAnimationActive={false}
            />
          )}
          <Scatter data={points} dataKey="read" fill="var(--blue)" isAnimationActive={false}>
            <ErrorBar
              dataKey="plusMinus"
              direction="y"
              width={5}
              stroke="var(--blue)"
              strokeWidth={2}
              isAnimationActive={false}
            />
          </Scatter>
          <Scatter data={points} dataKey="tightest" fill="none" shape={TightestRing} isAnimationActive={false} />
        </ComposedChart>
      </ResponsiveContainer>
      <figcaption>
        <strong>Tightest so far: {slackValueWords(of.by, round.tightest.value)}</strong>,{' '}
        {turnsOn(round.tightest.turnDeg)}.
        {curve && (
          <span className="soft"> The dotted line is what comes and goes with the wheels, by what was read.</span>
        )}
      </figcaption>
    </figure>
  )
}

const TightestRing = ({
  cx,
  cy,
  payload,
}: {
  cx?: number
  cy?: number
  payload?: { tightest?: number | undefined }
}) =>
  payload?.tightest === undefined || cx === undefined || cy === undefined ? null : (
    <circle cx={cx} cy={cy} r={11} fill="none" stroke="var(--ink)" strokeWidth={2.5} />
  )

/** What is drawn: every reading, the curve by what swings, and how far each axis reaches. */
function drawnFrom(
  { readings, band, wanted }: ChosenRound['slack'],
  round: NonNullable<ChosenRound['slack']['round']>,
) {
  const points = readings.map(({ turnDeg, value, plusMinus, entry }) => ({
    x: turnDeg / 360,
    read: value,
    plusMinus,
    tightest: entry.id === round.tightest.entry.id ? value : undefined,
  }))
  const xs = points.map(({ x }) => x)
  const [first, last] = [Math.min(...xs), Math.max(...xs)]
  const end = Math.max(last, first + 1, wanted ? (wanted.stepDeg * (wanted.places - 1)) / 360 : 0)
  const curve =
    round.curve &&
    Array.from({ length: POINTS + 1 }, (_, i) => {
      const x = first + ((end - first) * i) / POINTS
      return { x, told: round.curve?.(x * 360) }
    })
  const values = [
    ...points.flatMap(({ read, plusMinus }) => [read - plusMinus, read + plusMinus]),
    ...(band?.least === undefined ? [] : [band.least]),
    ...(band?.most === undefined ? [] : [band.most]),
  ]
  const [low, high] = [Math.max(0, Math.min(...values)), Math.max(...values)]
  const reach = Math.max(high - low, 0.5) * 0.12
  const domain: [number, number] = [Math.max(0, low - reach), high + reach]
  return { points, first, last, end, curve, domain }
}

const NothingYet = ({ slack: { entries, wanted } }: { readonly slack: ChosenRound['slack'] }) => (
  <div className="slack-chart">
    <h2>Slack, place by place</h2>
    <p className="soft">
      {entries.length > 0
        ? entries.map((entry) => `${turnsOn(entry.turnDeg ?? 0)}: ${slackFigureWords(entry)}`).join('. ')
        : `Nothing read yet.${wanted ? ` ${wanted.places} places, ${partOfTurn(wanted.stepDeg)} from one to the next, show all of this drive.` : ''}`}
    </p>
  </div>
)
