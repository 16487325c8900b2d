import { Button } from '@mantine/core'
import { useState } from 'react'
import { countedMarks, expectedCount, solveLoop, type CountVerdict } from '@link-count/core/drive'
import { verdictOfCount } from '@link-count/core/ledger'
import type { CountRule, EntryOf, Loop, Phase } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { fixed, formatDeg, formatLateness } from '@link-count/core/units'
import { Figure } from '../../../ui/Figure'
import { useDraft } from '../../../ui/fields'
import { countDraftKey, ruleDraftKey } from '../countKeys'
import { useBench } from '../JobContext'
import { moveWords } from '../moveWords'
import { CountRuleChoice } from './CountRuleChoice'
import { useCountKeys } from './useCountKeys'

/** Counts from mark to mark along the run with no slack in it, and says what the count means. */
export function CountPanel({ step, loop, phase }: { readonly step: Step; readonly loop: Loop; readonly phase: Phase }) {
  const { view, say } = useBench()
  const { sheet, state, job } = view
  const ruleDraft = useDraft(ruleDraftKey(job.id), lastRule(state.live))
  const count = useDraft(countDraftKey(job.id, step.id), '0')
  const n = Math.max(0, Math.min(2000, Math.trunc(Number(count.text)) || 0))
  const written = state.counts.findLast((one) => one.loopId === loop.id && one.phase === phase)
  const counting = !written || n > 0
  const rule = ruleDraft.text as CountRule | ''
  useCountKeys({ active: counting && rule !== '', add: (by) => count.setText(String(Math.max(0, n + by))) })
  const marks = countedMarks(sheet, loop, 'tight')
  if (!marks) return <p>The build sheet has no mark on the crank sprocket and on the cam sprocket to count between.</p>
  if (rule === '')
    return <CountRuleChoice fromSeat={marks.fromSeat} toSeat={marks.toSeat} onChoose={ruleDraft.setText} />
  const write = () => {
    const typed = [{ field: 'counted', text: String(n) }]
    const where = { loopId: loop.id, fromMarkId: marks.from.id, toMarkId: marks.to.id, run: 'tight' } as const
    void say({ kind: 'count', ...where, rule, counted: n, phase, typed, stepId: step.id })
    count.drop()
  }
  return (
    <div className="stack">
      <p className="soft">
        From the {marks.from.name.toLowerCase()}, down the tight run, to the {marks.to.name.toLowerCase()}.{' '}
        {ruleWords(rule)}{' '}
        <button type="button" className="link" onClick={() => ruleDraft.setText('')}>
          Count another way
        </button>
      </p>
      {counting ? (
        <>
          <button
            type="button"
            className="counter"
            onClick={() => count.setText(String(n + 1))}
            aria-label={`${n} counted. Touch for each pin`}
            data-counter
          >
            <span className="reading">{n}</span>
            <small>touch or space for each pin</small>
          </button>
          <div className="row">
            <Button variant="quiet" onClick={() => count.setText(String(Math.max(0, n - 1)))} disabled={n === 0}>
              Take one back
            </Button>
            <Button variant="quiet" onClick={() => count.setText('0')} disabled={n === 0}>
              Start again
            </Button>
          </div>
          <Button variant="filled" onClick={write} disabled={n === 0}>
            At the {marks.to.name.toLowerCase()}: {n}
          </Button>
        </>
      ) : (
        written && <CountResult written={written} loop={loop} phase={phase} step={step} />
      )}
    </div>
  )
}

function lastRule(live: readonly { kind: string }[]): string {
  const last = live.findLast((entry): entry is EntryOf<'count'> => entry.kind === 'count')
  return last?.rule ?? ''
}

export const ruleWords = (rule: CountRule) =>
  ({
    both: 'The pins under both marks are counted.',
    firstOnly: 'The pin under the first mark is counted, the one under the last is not.',
    lastOnly: 'The pin under the first mark is not counted, the one under the last is.',
    neither: 'The pins under the marks are not counted.',
  })[rule]

function CountResult({
  written,
  loop,
  phase,
  step,
}: {
  written: EntryOf<'count'>
  loop: Loop
  phase: Phase
  step: Step
}) {
  const { view, say } = useBench()
  const { sheet } = view
  const verdict = verdictOfCount(sheet, written)
  const again = (
    <button
      type="button"
      className="link"
      onClick={() => void say({ kind: 'strike', targetId: written.id, reason: 'counted again' })}
    >
      Strike it and count again
    </button>
  )
  if (!verdict) {
    return (
      <div className="result">
        <p>
          Counted <span className="reading">{written.counted}</span>. No expected count: the build sheet needs the
          distance between the shafts and where the marks point in the pose, or a count from the book.
        </p>
        {again}
      </div>
    )
  }
  const out = verdict.pitchesOut
  return (
    <div className="stack">
      <div className="count-result">
        <div className="count-found reading" aria-label={`Found ${written.counted}`}>
          {written.counted}
          <small>counted</small>
        </div>
        <dl className="figures">
          <div>
            <dt>Expected</dt>
            <dd>
              <Figure opened={openExpected(written, verdict, view.sheet, loop)} className="brass">
                {fixed(verdict.expectedPitches, 1)} pitches
              </Figure>
            </dd>
          </div>
          <div>
            <dt>{out === 0 ? 'Out by' : out < 0 ? 'Short by' : 'Over by'}</dt>
            <dd className="reading">
              {out === 0 ? 'no tooth' : `${Math.abs(out)} ${Math.abs(out) === 1 ? 'pitch' : 'pitches'}`}
            </dd>
          </div>
          <div>
            <dt>At the crank</dt>
            <dd className="reading">{formatLateness(verdict.latenessDeg)}</dd>
          </div>
          <div>
            <dt>One tooth is</dt>
            <dd className="reading">{formatDeg(verdict.toothCrankDeg, 2)} crank</dd>
          </div>
        </dl>
      </div>
      {out === 0 ? (
        <p className="result">
          The chain lies right: nothing to move. What is left over is{' '}
          <span className="reading">{formatLateness(verdict.leftoverDeg)}</span> at the crank.
        </p>
      ) : (
        <TheMove verdict={verdict} loop={loop} phase={phase} step={step} />
      )}
      {again}
    </div>
  )
}

/** The one move that puts a count right, from the side stood at. */
function TheMove({ verdict, loop, phase, step }: { verdict: CountVerdict; loop: Loop; phase: Phase; step: Step }) {
  const { view, side, say } = useBench()
  const [moving, setMoving] = useState(false)
  const memberId = countedMarks(view.sheet, loop, 'tight')?.driven.id ?? ''
  const leftover = verdict.leftoverDeg
  const loopOn = view.state.loops[loop.id]?.on
  const suspicion =
    verdict.suspicion === 'otherRun'
      ? 'That number fits the other run. Was it counted down the slack side?'
      : verdict.suspicion === 'bothEndsCounted'
        ? 'It would be right if one end pin was counted that should not be.'
        : verdict.suspicion === 'noEndCounted'
          ? 'It would be right if one end pin was left out.'
          : undefined
  return (
    <>
      <div className="move">
        <p>
          <strong>{moveWords(verdict.layTeeth, view.sheet, side)}</strong> The cam then stands{' '}
          {formatLateness(leftover)} at the crank. The crank stays.
        </p>
      </div>
      {phase !== 'found' && loopOn && (
        <Button
          variant="filled"
          disabled={moving}
          onClick={() => {
            setMoving(true)
            void say({ kind: 'moved', loopId: loop.id, memberId, teeth: verdict.layTeeth, stepId: step.id })
          }}
        >
          Moved it: count again
        </Button>
      )}
      {suspicion && <p className="soft">{suspicion} Count once more before moving anything.</p>}
    </>
  )
}

function openExpected(
  written: EntryOf<'count'>,
  verdict: CountVerdict,
  sheet: Parameters<typeof solveLoop>[0],
  loop: Loop,
) {
  const solved = solveLoop(sheet, loop)
  const marks = countedMarks(sheet, loop, written.run)
  const expected = marks && expectedCount(sheet, solved.ok ? solved.value : undefined, marks.from, marks.to)
  const off = [expected?.movedFrom ?? 0, expected?.movedTo ?? 0].filter((teeth) => teeth !== 0)
  return {
    title: 'Expected count',
    value: `${fixed(verdict.expectedPitches, 2)} pitches`,
    plusMinus: expected?.from === 'geometry' ? '0.5 pitch' : undefined,
    readings: [
      { label: 'Counted by this rule', value: `${written.counted}, ${ruleWords(written.rule)}` },
      { label: 'Pitches from mark to mark', value: fixed(verdict.foundPitches, 1) },
      {
        label: 'Along the other run',
        value: expected?.otherRunPitches === undefined ? 'not known' : fixed(expected.otherRunPitches, 2),
      },
      { label: 'Whole loop', value: solved.ok ? `${solved.value.pitches} pitches` : 'not solved' },
      ...(off.length > 0
        ? [
            {
              label: 'A mark stands off the wrap',
              value: `counted to the nearest engaged tooth, ${off.join(' and ')} teeth on`,
            },
          ]
        : []),
      ...(expected?.contradicts
        ? [
            {
              label: 'Book and geometry disagree',
              value: `${fixed(expected.contradicts.book, 1)} against ${fixed(expected.contradicts.geometry, 1)}`,
            },
          ]
        : []),
    ],
    formula:
      expected?.from === 'book'
        ? 'The count that stands on the build sheet.'
        : 'From the cam mark along the tight run to the crank mark, in the reference pose: the wrapped part of the cam sprocket in teeth, the straight run over the pitch, the wrapped part of the crank sprocket in teeth. Found less expected, rounded, is whole teeth; the rest is lateness.',
    source:
      expected?.from === 'book'
        ? 'The build sheet'
        : 'Tangents of the two pitch circles, with the figures of the build sheet',
  }
}
