import type { Phase } from '@link-count/core/model'
import { fixed } from '@link-count/core/units'
import { feltWords, slackShortWords, slackJudgedWords, slackValueWords, turnsOn } from '../../../ui/wording'
import { askTurn } from '../askTurn'
import { useBench } from '../JobContext'
import { useRound } from './useRound'

/** The last figure of slack or pitch, large enough for the other side of the bench; the tightest, and what is wanted of it. */
export function SlackFigure({ phase }: { readonly phase: Phase }) {
  const { view, side } = useBench()
  const chosen = useRound(phase)
  const last = chosen?.slack.readings.at(-1)
  const felt = chosen?.slack.entries.findLast(({ by }) => by === 'feel')?.felt
  if (chosen && !last && felt) return <p className="bench-mode-words">{feltWords[felt]}</p>
  if (!chosen || !last) return <p className="bench-mode-words">Nothing read yet</p>
  const { of, slack } = chosen
  const { round, judged, band, wanted } = slack
  const onBy = askTurn({ onBy: wanted?.stepDeg ?? 180 }, view, side)
  return (
    <>
      <p className="bench-mode-figure reading">{slackShortWords(of.by, last.value)}</p>
      <p className="bench-mode-beside">
        {turnsOn(last.turnDeg)}
        {round && `. Tightest ${slackValueWords(of.by, round.tightest.value)}`}
        {band &&
          `, wanted ${[band.least, band.most].map((one) => (one === undefined ? '…' : fixed(one, 1))).join(' to ')}`}
        {judged && `: ${slackJudgedWords(judged)}`}
      </p>
      {round && !round.whole && <p className="bench-mode-beside">{onBy.words}</p>}
    </>
  )
}
