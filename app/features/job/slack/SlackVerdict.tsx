import type { BuildSheet } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { moveFor, slackValue, USUAL_SLACK, type Swing } from '@link-count/core/tension'
import { fixed, formatMm, otherHand } from '@link-count/core/units'
import { Figure } from '../../../ui/Figure'
import {
  feltWords,
  inSentence,
  movedUnitWords,
  nounsOf,
  sideName,
  slackJudgedWords,
  partOfTurn,
  slackValueWords,
  turnsOn,
} from '../../../ui/wording'
import { useBench } from '../JobContext'
import type { ChosenRound } from './useRound'

/** The tightest place, what is wanted there, what was not looked at, and what it would do to the cams. */
export function SlackVerdict({ chosen }: { readonly chosen: ChosenRound }) {
  const { sheet } = useBench().view
  const { of, slack } = chosen
  const { round, judged, band, supportMissing } = slack
  const felt = slack.entries.findLast(({ by }) => by === 'feel')
  if (felt?.felt)
    return (
      <p className={felt.felt === 'movable' || felt.felt === 'tightMovable' ? 'result' : 'warn'}>
        It feels {feltWords[felt.felt]}. By feel it is not compared with a figure.
      </p>
    )
  if (!round) return null
  const { tightest } = round
  const loop = partsOf(sheet).loop(of.loopId)
  return (
    <>
      <div className={judged && judged.is !== 'in' ? 'warn' : 'result'}>
        <p>
          <strong>
            Tightest{' '}
            <Figure
              opened={{
                title: 'Tightest place',
                value: slackValueWords(of.by, tightest.value),
                plusMinus: fixed(tightest.plusMinus, 2),
                readings: slack.readings.map(({ turnDeg, value }) => ({
                  label: turnsOn(turnDeg),
                  value: slackValueWords(of.by, value),
                })),
                formula: 'The least of what was read, as a drive is set by its tightest place.',
                source: 'common practice; the ± by what it was read with is ours',
              }}
            >
              {slackValueWords(of.by, tightest.value)} ± {fixed(tightest.plusMinus, 1)}
            </Figure>
          </strong>{' '}
          {turnsOn(tightest.turnDeg)}
          {judged && band && (
            <>
              , wanted {bandWords(band)}: <strong>{slackJudgedWords(judged)}</strong>,{' '}
              {fixed(Math.abs(judged.margin), 1)} {judged.margin < 0 ? 'beyond the limit' : 'inside the nearer limit'}
            </>
          )}
          .
        </p>
        {band?.from === 'usual' && (of.by === 'toAndFro' || of.by === 'links') && (
          <p className="soft">Common practice: {USUAL_SLACK[of.by].told}. The book’s own goes on the build sheet.</p>
        )}
        {!band && <p className="soft">What is wanted is not on the build sheet.</p>}
        <Move chosen={chosen} />
        <Hidden chosen={chosen} />
        {round.swings.map((swing, i) => (
          <p key={i}>{swingWords(swing, sheet, loop ? nounsOf(loop).loop : 'loop')}</p>
        ))}
      </div>
      {supportMissing && (
        <p className="warn">
          Something that belongs on was not fitted when this was read: it can read slacker than it is. Fit it and read
          again.
        </p>
      )}
      <TooLong chosen={chosen} />
    </>
  )
}

/** What the tightest place says of the whole run, and what that would do to the cams. */
function TooLong({ chosen: { slack } }: { readonly chosen: ChosenRound }) {
  const { sheet } = useBench().view
  const { round, over, late, spanMm } = slack
  const shaftName = (id: string) => inSentence(partsOf(sheet).shaft(id)?.name ?? id)
  if (!round || !over || spanMm === undefined) return null
  const { tightest } = round
  return (
    <p className="soft">
      At its tightest it is{' '}
      <Figure
        opened={{
          title: 'Too long on this run',
          value: formatMm(over.mm, 2),
          plusMinus: formatMm(over.plusMinusMm, 2),
          readings: [
            { label: 'The run', value: formatMm(spanMm, 1) },
            { label: 'Play there', value: formatMm(slackValue(tightest.entry) ?? 0, 1) },
            ...late.map(({ shaftId, lateDeg }) => ({
              label: `${shaftName(shaftId)}, with that on the pulled run`,
              value: `${fixed(lateDeg, 1)}° late at the crank`,
            })),
          ],
          formula:
            'The run pushed aside is as long as the two sides of a triangle over it; what they are longer than the run is over.',
          source: 'geometry',
        }}
      >
        {formatMm(over.mm, 2)}
      </Figure>{' '}
      longer than straight
      {late.length > 0 &&
        `; on the pulled run that would make the ${late.map(({ shaftId, lateDeg }) => `${shaftName(shaftId)} ${fixed(lateDeg, 1)}°`).join(', the ')} late`}
      .
    </p>
  )
}

/** Which way to move the tensioner for what is wanted, and about how far. */
function Move({ chosen: { of, slack } }: { readonly chosen: ChosenRound }) {
  const { view, side } = useBench()
  const move = moveFor(view.sheet, view.state.live, of, slack)
  if (!move) return null
  const member = partsOf(view.sheet).member(move.memberId)
  const { tightens, seenFrom = 'timing' } = member?.tightener ?? {}
  const own = tightens && (move.towards === 'tight' ? tightens : otherHand(tightens))
  const hand = own && (seenFrom === side ? own : otherHand(own))
  const far = move.amount && `about ${fixed(move.amount.value, 1)}${movedUnitWords[move.amount.unit]}`
  return (
    <p>
      <strong>
        Move the {inSentence(member?.name ?? 'tensioner')} {move.towards === 'tight' ? 'tighter' : 'slacker'}
      </strong>
      {hand && `, ${hand} seen from the ${sideName(view.sheet, side)}`}
      {far && `, ${far}`}
      {
        {
          lastMove: ', by what the last move did',
          path: ', by what the way of the loop takes up there',
          wayOnly: ': how far, the next reading tells',
        }[move.from]
      }
      .
    </p>
  )
}

const bandWords = ({ least, most }: { readonly least: number | undefined; readonly most: number | undefined }) =>
  least === undefined
    ? `at most ${fixed(most ?? 0, 1)}`
    : most === undefined
      ? `at least ${fixed(least, 1)}`
      : `${fixed(least, 1)} to ${fixed(most, 1)}`

/** How many places are enough, and what those that were not looked at could still hide. */
function Hidden({ chosen: { of, slack } }: { readonly chosen: ChosenRound }) {
  const { round, wanted, readings } = slack
  if (!round || !wanted) return null
  const n = new Set(readings.map(({ turnDeg }) => turnDeg)).size
  const places = `${n} of ${Math.max(n, wanted.places)} places looked at`
  if (!round.whole)
    return (
      <p>
        {places}, {partOfTurn(wanted.stepDeg)} from one to the next: the rest is not known yet
        {round.unseenShare > 0.005 ? `, and ${fixed(100 * round.unseenShare, 0)}% of it has not lain on this run` : ''}.
      </p>
    )
  return (
    <p>
      Every wheel seen in each third of its turn, every link on this run.
      {round.couldHide !== undefined &&
        ` Between the places it could still be ${slackValueWords(of.by, Math.max(0, round.couldHide))}.`}
    </p>
  )
}

/** What swings, by its period. */
function swingWords(swing: Swing, sheet: BuildSheet, noun: string): string {
  const turns = `${fixed(swing.turns, swing.turns % 1 === 0 ? 0 : 2)} ${swing.turns === 1 ? 'turn' : 'turns'}`
  if (swing.kind === 'runOut') {
    const names = swing.wheels.map((id) => inSentence(partsOf(sheet).member(id)?.name ?? id))
    return `It comes and goes every ${turns} of the crank, about ${fixed(swing.amplitude, 2)} mm of ${noun} each way: the ${names.join(' or the ')} runs out.`
  }
  return `It comes back every ${turns} of the crank, about ${fixed(Math.abs(swing.amplitude), 2)} mm ${swing.amplitude < 0 ? 'short' : 'long'}: a ${swing.amplitude < 0 ? 'stiff' : 'worn'} stretch of the ${noun}.`
}
