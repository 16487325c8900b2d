import { Button, NativeSelect } from '@mantine/core'
import { useState } from 'react'
import { countFromPitches, markSeat, pitchesFromCount } from '@link-count/core/drive'
import { hiddenMarks } from '@link-count/core/ledger'
import type { CountRule, Loop } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { useDraft, type Draft } from '../../../ui/fields'
import { showNotice } from '../../../ui/notice'
import { inSentence, nounsOf, sectionEndWords } from '../../../ui/wording'
import { countDraftKey, lastRule, ruleDraftKey } from '../countKeys'
import { countablesOf, inHandOf, phaseOf, sectionDraftKey, type Countable } from '../countSection'
import { useBench } from '../JobContext'
import { fixed } from '@link-count/core/units'
import { HiddenMarks } from './HiddenMarks'
import { LoopMoves } from './LoopMoves'
import { CannotTell, CountResult } from './CountResult'
import { CountRuleChoice } from './CountRuleChoice'
import { ruleWords } from '../../../ui/wording'
import { useCountKeys } from './useCountKeys'
import './CountPanel.css'

/** Counts from mark to mark along the runs with no slack in them, and says what the counts mean. */
export function CountPanel({ step }: { readonly step: Step }) {
  const { view, side, say } = useBench()
  const { state, job } = view
  const countables = countablesOf(step, view)
  const chosen = useDraft(sectionDraftKey(job.id, step.id, state.live))
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
  if (!inHand || !phase) return <NothingToCount step={step} />
  const { section, loop, written } = inHand
  const unit = nounsOf(loop).counted
  const teeth = { fromTeeth: section.expected?.fromTeeth ?? 0, toTeeth: section.expected?.toTeeth ?? 0 }
  const endOf = (end: 'from' | 'to') => sectionEndWords(view.sheet, loop, section, end, side)
  if (rule === '')
    return (
      <CountRuleChoice
        fromSeat={markSeat(section.from)}
        toSeat={markSeat(section.to)}
        unit={unit.one}
        onChoose={ruleDraft.setText}
      />
    )
  if (section.cannotTell && !written)
    return (
      <div className="stack">
        <SectionChoice countables={countables} inHand={inHand} onChoose={chosen.setText} />
        <p className="warn">
          <CannotTell section={section} />
        </p>
        <HiddenMarks step={step} section={section} />
      </div>
    )
  const write = async () => {
    setWriting(true)
    const typed = [{ field: 'counted', text: String(n) }]
    const where = { loopId: loop.id, fromMarkId: section.from.id, toMarkId: section.to.id, run: section.run, ...teeth }
    // Its verdict is shown where it was counted: the next run is gone to when somebody says so.
    chosen.setText(section.id)
    await say({ kind: 'count', ...where, rule, counted: n, phase, typed, stepId: step.id }, [count])
    setWriting(false)
  }
  return (
    <div className="stack">
      <SectionChoice countables={countables} inHand={inHand} onChoose={chosen.setText} />
      <WhatIsCounted countable={inHand} rule={rule} onOtherRule={() => ruleDraft.setText('')} />
      {counting ? (
        <>
          <Counter count={count} n={n} writing={writing} unit={unit.one} />
          <Button variant="filled" onClick={() => void write()} disabled={n === 0}>
            At {endOf('to')}: {n}
          </Button>
        </>
      ) : (
        written && (
          <CountResult countable={inHand} written={written}>
            <LoopMoves loop={loop} phase={phase} step={step} />
          </CountResult>
        )
      )}
      {!counting && <NextCount countables={countables} inHand={inHand} onChoose={chosen.setText} />}
      {counting && <LoopMoves loop={loop} phase={phase} step={step} />}
      <SumOfCounts countables={countables} loop={loop} />
      <HiddenMarks step={step} section={section} />
    </div>
  )
}

/** From where to where, along which run, by which rule; where not from mark to mark, why. */
function WhatIsCounted({
  countable: { loop, section },
  rule,
  onOtherRule,
}: {
  readonly countable: Countable
  readonly rule: CountRule
  readonly onOtherRule: () => void
}) {
  const { view, side } = useBench()
  const endOf = (end: 'from' | 'to') => sectionEndWords(view.sheet, loop, section, end, side)
  const unit = nounsOf(loop).counted
  const named = section.expected !== undefined && (section.expected.fromTeeth !== 0 || section.expected.toTeeth !== 0)
  return (
    <>
      <p className="soft">
        From {endOf('from')}, {section.run === 'tight' ? 'along the tight run' : 'along the slack run'}, to{' '}
        {endOf('to')}. <Expected countable={{ loop, section }} rule={rule} /> {ruleWords(rule, unit.one)}{' '}
        <button type="button" className="link" onClick={onOtherRule}>
          Count another way
        </button>
      </p>
      {named && (
        <p className="soft">
          The mark stands off the {nounsOf(loop).loop}, or nearly, and would count alike with the cam a tooth out. Count
          teeth on the {nounsOf(loop).wheel} to the place ringed on the drawing, and paint it.
        </p>
      )}
      {section.run === 'slack' && (
        <p className="warn">Slack lies on this run: what is counted here is worth little before the tensioner is on.</p>
      )}
    </>
  )
}

/** No two marks to count between: none on the sheet, or none that can be seen. */
function NothingToCount({ step }: { readonly step: Step }) {
  const { state } = useBench().view
  return (
    <div className="stack">
      {hiddenMarks(state).size === 0 && (
        <p>
          The build sheet has no marks on two of the parts this loop runs over, so there is nothing to count between.
        </p>
      )}
      <HiddenMarks step={step} section={undefined} />
    </div>
  )
}

/** What is to be counted, by the rule of whoever counts. */
function Expected({
  countable: { loop, section },
  rule,
}: {
  readonly countable: Pick<Countable, 'loop' | 'section'>
  readonly rule: CountRule
}) {
  const { from, to, expected } = section
  if (!expected) return null
  const { one, many } = nounsOf(loop).counted
  const n = countFromPitches({ pitches: expected.pitches, rule, from: markSeat(from), to: markSeat(to) })
  const words = fixed(n, 1).replace(/\.0$/, '')
  return (
    <strong className="brass">
      Expect {words} {words === '1' ? one : many}
      {expected.from === 'derived' ? ', from the other runs and the whole.' : '.'}
    </strong>
  )
}

/** On to the next run that is not counted yet. */
function NextCount({
  countables,
  inHand,
  onChoose,
}: {
  countables: readonly Countable[]
  inHand: Countable
  onChoose: (id: string) => void
}) {
  const next = countables.find(
    ({ section, written }) =>
      section.id !== inHand.section.id && section.run === 'tight' && !section.cannotTell && !written,
  )
  return next ? (
    <Button variant="default" onClick={() => onChoose(next.section.id)}>
      Count the next run: {inSentence(next.section.from.name)} to {inSentence(next.section.to.name)}
    </Button>
  ) : null
}

/** All runs of a loop counted, and their sum is not the whole of it: one of them was counted wrong. */
function SumOfCounts({ countables, loop }: { readonly countables: readonly Countable[]; readonly loop: Loop }) {
  const own = countables.filter((one) => one.loop.id === loop.id)
  const whole = loop.pitches?.value
  const found = own.map(({ section, written }) =>
    written
      ? pitchesFromCount({ ...written, from: markSeat(section.from), to: markSeat(section.to) }) -
        (written.toTeeth ?? 0) +
        (written.fromTeeth ?? 0)
      : undefined,
  )
  if (whole === undefined || found.length < 2 || found.includes(undefined)) return null
  const sum = found.reduce<number>((total, one) => total + (one ?? 0), 0)
  if (Math.abs(sum - whole) < 0.5) return null
  const nouns = nounsOf(loop)
  return (
    <p className="warn" role="alert">
      The runs counted come to {fixed(sum, 1)} {nouns.pitches}, and the {inSentence(loop.name)} has {whole}: one of them
      was counted wrong.
    </p>
  )
}

/** A button as large as a hand, and the ways back. */
function Counter({
  count,
  n,
  writing,
  unit,
}: {
  readonly count: Draft
  readonly n: number
  readonly writing: boolean
  readonly unit: string
}) {
  const startAgain = () => {
    count.setText('0')
    void showNotice({ words: `Count of ${n} set back to zero`, undo: () => count.setText(String(n)) })
  }
  return (
    <>
      <button
        type="button"
        className="counter"
        onClick={() => count.setText(String(n + 1))}
        disabled={writing}
        data-counter
      >
        <span className="reading">{n}</span>{' '}
        <small>{writing ? 'being written down' : `counted. Touch for each ${unit}`}</small>
      </button>
      <div className="row">
        <Button variant="quiet" onClick={() => count.setText(String(Math.max(0, n - 1)))} disabled={n === 0}>
          Take one back
        </Button>
        <Button variant="quiet" onClick={startAgain} disabled={n === 0}>
          Start again
        </Button>
      </div>
    </>
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
