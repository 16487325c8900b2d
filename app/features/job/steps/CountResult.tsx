import type { ReactNode } from 'react'
import { type CountVerdict, readDrive } from '@link-count/core/drive'
import { verdictOfCount } from '@link-count/core/ledger'
import type { BuildSheet, EntryOf } from '@link-count/core/model'
import { fixed, formatDeg, formatLateness } from '@link-count/core/units'
import { Figure } from '../../../ui/Figure'
import { nounsOf } from '../../../ui/wording'
import type { Countable } from '../countSection'
import { useBench } from '../JobContext'
import { ruleWords } from './countRuleWords'
import './CountResult.css'

/** What a count says: what was found against what is expected, what that is at the crank, and what may have gone wrong in counting. */
export function CountResult({
  countable,
  written,
  children,
}: {
  countable: Countable
  written: EntryOf<'count'>
  children: ReactNode
}) {
  const { view, strike } = useBench()
  const verdict = verdictOfCount(view.sheet, written, view.state.seats)
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
  return (
    <div className="stack">
      <CountFigures countable={countable} written={written} verdict={verdict} />
      {children}
      {suspicionWords(verdict) && (
        <p className="soft">{suspicionWords(verdict)} Count once more before moving anything.</p>
      )}
      {again}
    </div>
  )
}

function CountFigures({
  countable,
  written,
  verdict,
}: {
  countable: Countable
  written: EntryOf<'count'>
  verdict: CountVerdict
}) {
  const { sheet } = useBench().view
  const out = verdict.pitchesOut
  return (
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
      {
        label: 'Counted by this rule',
        value: `${written.counted}, ${ruleWords(written.rule, nounsOf(loop).counted.one)}`,
      },
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
