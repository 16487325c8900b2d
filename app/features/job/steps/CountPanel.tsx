import { Button, NativeSelect } from '@mantine/core'
import { useState, type ReactNode } from 'react'
import { markSeat, type CountVerdict, readDrive } from '@link-count/core/drive'
import { verdictOfCount } from '@link-count/core/ledger'
import type { BuildSheet, CountRule, EntryOf } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { fixed, formatDeg, formatLateness } from '@link-count/core/units'
import { Figure } from '../../../ui/Figure'
import { useDraft } from '../../../ui/fields'
import { showNotice } from '../../../ui/notice'
import { nounsOf } from '../../../ui/wording'
import { countDraftKey, ruleDraftKey } from '../countKeys'
import { countablesOf, inHandOf, phaseOf, sectionDraftKey, type Countable } from '../countSection'
import { useBench } from '../JobContext'
import { LoopMoves } from './LoopMoves'
import { CountRuleChoice } from './CountRuleChoice'
import { useCountKeys } from './useCountKeys'

/** Counts from mark to mark along the runs with no slack in them, and says what the counts mean. */
export function CountPanel({ step }: { readonly step: Step }) {
  const { view, say } = useBench()
  const { state, job } = view
  const countables = countablesOf(step, view)
  const chosen = useDraft(sectionDraftKey(job.id, step.id))
  const inHand = inHandOf(countables, chosen.text)
  const ruleDraft = useDraft(ruleDraftKey(job.id), lastRule(state.live))
  const count = useDraft(countDraftKey(job.id, step.id, inHand?.section.id ?? ''), '0')
  const n = Math.max(0, Math.min(2000, Math.trunc(Number(count.text)) || 0))
  const counting = !inHand?.written || n > 0
  const rule = ruleDraft.text as CountRule | ''
  // What is counted while a count is on its way would be added to that one.
  const [writing, setWriting] = useState(false)
  const ready = counting && rule !== '' && inHand !== undefined && !writing
  useCountKeys({ active: ready, add: (by) => count.setText(String(Math.max(0, n + by))) })
  const phase = phaseOf(step)
  if (!inHand || !phase)
    return (
      <p>The build sheet has no marks on two of the parts this loop runs over, so there is nothing to count between.</p>
    )
  const { section, loop, written } = inHand
  const unit = nounsOf(loop).counted
  if (rule === '')
    return (
      <CountRuleChoice
        fromSeat={markSeat(section.from)}
        toSeat={markSeat(section.to)}
        unit={unit.one}
        onChoose={ruleDraft.setText}
      />
    )
  const write = async () => {
    setWriting(true)
    const typed = [{ field: 'counted', text: String(n) }]
    const where = { loopId: loop.id, fromMarkId: section.from.id, toMarkId: section.to.id, run: section.run }
    await say({ kind: 'count', ...where, rule, counted: n, phase, typed, stepId: step.id }, [count, chosen])
    setWriting(false)
  }
  const startAgain = () => {
    count.setText('0')
    void showNotice({ words: `Count of ${n} set back to nought`, undo: () => count.setText(String(n)) })
  }
  return (
    <div className="stack">
      <SectionChoice countables={countables} inHand={inHand} onChoose={chosen.setText} />
      <p className="soft">
        From the {section.from.name.toLowerCase()},{' '}
        {section.run === 'tight' ? 'along the tight run' : 'along the slack run'}, to the{' '}
        {section.to.name.toLowerCase()}. {ruleWords(rule, unit.one)}{' '}
        <button type="button" className="link" onClick={() => ruleDraft.setText('')}>
          Count another way
        </button>
      </p>
      {section.run === 'slack' && (
        <p className="warn">Slack lies on this run: what is counted here is worth little before the tensioner is on.</p>
      )}
      {counting ? (
        <>
          <button
            type="button"
            className="counter"
            onClick={() => count.setText(String(n + 1))}
            disabled={writing}
            aria-label={writing ? `${n}, being written down` : `${n} counted. Touch for each ${unit.one}`}
            data-counter
          >
            <span className="reading">{n}</span>
            <small>{writing ? 'being written down' : `touch or space for each ${unit.one}`}</small>
          </button>
          <div className="row">
            <Button variant="quiet" onClick={() => count.setText(String(Math.max(0, n - 1)))} disabled={n === 0}>
              Take one back
            </Button>
            <Button variant="quiet" onClick={startAgain} disabled={n === 0}>
              Start again
            </Button>
          </div>
          <Button variant="filled" onClick={() => void write()} disabled={n === 0}>
            At the {section.to.name.toLowerCase()}: {n}
          </Button>
        </>
      ) : (
        written && (
          <CountResult countable={inHand} written={written}>
            <LoopMoves loop={loop} phase={phase} step={step} />
          </CountResult>
        )
      )}
      {counting && <LoopMoves loop={loop} phase={phase} step={step} />}
    </div>
  )
}

/** Which stretch is counted, when there is more than one without slack. */
function SectionChoice({
  countables,
  inHand,
  onChoose,
}: {
  countables: readonly Countable[]
  inHand: Countable
  onChoose: (id: string) => void
}) {
  const several = new Set(countables.map(({ loop }) => loop.id)).size > 1
  if (countables.filter(({ section }) => section.run === 'tight').length < 2) return null
  return (
    <NativeSelect
      label="Counting"
      value={inHand.section.id}
      onChange={(event) => onChoose(event.currentTarget.value)}
      data={countables.map(({ loop, section, written }) => ({
        value: section.id,
        label: `${several ? `${loop.name}: ` : ''}${section.from.name} to ${section.to.name}${section.run === 'slack' ? ', slack' : ''}${written ? `: ${written.counted}` : ''}`,
      }))}
    />
  )
}

function lastRule(live: readonly { kind: string }[]): string {
  const last = live.findLast((entry): entry is EntryOf<'count'> => entry.kind === 'count')
  return last?.rule ?? ''
}

export const ruleWords = (rule: CountRule, unit = 'pin') =>
  ({
    both: `The ${unit} under each mark is counted.`,
    firstOnly: `The ${unit} under the first mark is counted, the one under the last is not.`,
    lastOnly: `The ${unit} under the first mark is not counted, the one under the last is.`,
    neither: `The ${unit} under neither mark is counted.`,
  })[rule]

function CountResult({
  countable,
  written,
  children,
}: {
  countable: Countable
  written: EntryOf<'count'>
  children: ReactNode
}) {
  const { view, strike } = useBench()
  const { sheet } = view
  const verdict = verdictOfCount(sheet, written, view.state.seats)
  const again = (
    <button type="button" className="link" onClick={() => strike(written, 'counted again')}>
      Strike it and count again
    </button>
  )
  if (!verdict) {
    return (
      <div className="result">
        <p>
          Counted <span className="reading">{written.counted}</span>. No expected count: the build sheet needs the
          distance between the shafts and where the marks point in the timing position, or a count from the book.
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
              <Figure opened={openExpected(written, verdict, sheet, countable)} className="brass">
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
      {children}
      {suspicionWords(verdict) && (
        <p className="soft">{suspicionWords(verdict)} Count once more before moving anything.</p>
      )}
      {again}
    </div>
  )
}

const suspicionWords = ({ suspicion }: CountVerdict) =>
  suspicion &&
  {
    otherRun: 'That number fits the other run. Was it counted down the slack side?',
    bothEndsCounted: 'It would be right if one end pin was counted that should not be.',
    noEndCounted: 'It would be right if one end pin was left out.',
  }[suspicion]

function openExpected(
  written: EntryOf<'count'>,
  verdict: CountVerdict,
  sheet: BuildSheet,
  { loop, section }: Countable,
) {
  const solved = readDrive(sheet).solved(loop)
  const { expected } = section
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
        : 'From mark to mark along the run, in the reference pose: what is wrapped round each sprocket or pulley in teeth, each straight run over the pitch. Found less expected, rounded, is whole teeth; the rest is lateness.',
    source:
      expected?.from === 'book'
        ? 'The build sheet'
        : 'Tangents of the two pitch circles, with the figures of the build sheet',
  }
}
