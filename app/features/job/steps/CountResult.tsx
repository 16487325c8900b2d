import type { ReactNode } from 'react'
import { countFromPitches, markSeat, type CountVerdict, type Section } from '@link-count/core/drive'
import { verdictOfCount } from '@link-count/core/ledger'
import type { EntryOf } from '@link-count/core/model'
import { fixed, formatDeg, formatLateness } from '@link-count/core/units'
import { Figure } from '../../../ui/Figure'
import { inSentence, nounsOf } from '../../../ui/wording'
import type { Countable } from '../countSection'
import { useBench } from '../JobContext'
import { ruleWords } from '../../../ui/wording'
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
          Counted <span className="reading">{written.counted}</span>. <NoVerdict countable={countable} />
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

/** Why a count says nothing. */
function NoVerdict({ countable: { section } }: { readonly countable: Countable }) {
  if (section.cannotTell) return <CannotTell section={section} />
  if (section.expected)
    return (
      <>
        It was counted to a mark that stands off the wrap, or at its very end. Counted so it comes out the same however
        late the cam is, so it says nothing: strike it and count to the tooth that is named.
      </>
    )
  return (
    <>
      No expected count: the build sheet needs the distance between the shafts and where the marks point in the timing
      position, or a count from the book.
    </>
  )
}

/** Where no tooth near a mark stays on the wrap. */
export const CannotTell = ({ section: { from, to } }: { readonly section: Section }) => (
  <>
    This count cannot tell. Between the {inSentence(from.name)} and the {inSentence(to.name)} one wheel holds so few
    teeth that none near its mark would stay on it with the cam two teeth out. Count to other marks or along the other
    run, or read the camshaft instead.
  </>
)

function CountFigures({
  countable,
  written,
  verdict,
}: {
  countable: Countable
  written: EntryOf<'count'>
  verdict: CountVerdict
}) {
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
            <Figure opened={openExpected(written, verdict, countable)} className="brass">
              {byRule(written, verdict, countable)}
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

/** What was expected, by the rule that was counted by. */
function byRule(written: EntryOf<'count'>, { expectedPitches }: CountVerdict, { loop, section }: Countable): string {
  const seats = { from: markSeat(section.from), to: markSeat(section.to) } as const
  const n = countFromPitches({ pitches: expectedPitches, rule: written.rule, ...seats })
  return `${fixed(n, 1)} ${nounsOf(loop).counted.many}`
}

const suspicionWords = ({ suspicion }: CountVerdict) =>
  suspicion &&
  {
    otherRun: 'That number fits the other run. Was it counted down the slack side?',
    bothEndsCounted: 'It would be right if one end pin was counted that should not be.',
    noEndCounted: 'It would be right if one end pin was left out.',
  }[suspicion]

function openExpected(written: EntryOf<'count'>, verdict: CountVerdict, { loop, section }: Countable) {
  const { expected } = section
  const named = [expected?.fromTeeth ?? 0, expected?.toTeeth ?? 0].some((teeth) => teeth !== 0)
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
      { label: 'Whole loop', value: loop.pitches ? `${loop.pitches.value} pitches` : 'not on the sheet' },
      ...(named && expected
        ? [
            {
              label: 'Counted between named teeth, as a mark does not stand well on the wrap',
              value: `${expected.fromTeeth} and ${expected.toTeeth} on from their marks, + along the travel`,
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
        : expected?.from === 'derived'
          ? 'The whole loop less the counts of its other runs that stand on the build sheet.'
          : 'From mark to mark along the run, in the timing position: what is wrapped round each sprocket or pulley in teeth, each straight run over the pitch. Found less expected, rounded, is whole teeth; the rest is lateness.',
    source:
      expected?.from === 'book' || expected?.from === 'derived'
        ? 'The build sheet'
        : 'Tangents of the two pitch circles, with the figures of the build sheet',
  }
}
