import { Button, Checkbox, NativeSelect, SegmentedControl } from '@mantine/core'
import { lazy, Suspense } from 'react'
import {
  EVEN_SHARE,
  LEAKS_PERCENT,
  spreadOf,
  TIGHT_PERCENT,
  WEAK_SHARE,
  type PressureSpread,
} from '@link-count/core/diagnose'
import { allOf } from '@link-count/core/ledger'
import type { Cylinder, EntryOf } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { ok } from '@link-count/core/result'
import { fixed, parsePercent, parsePressure } from '@link-count/core/units'
import { useDraft, useField, WordsInput } from '../../../../ui/fields'
import { pressureErrorWords, pressureFigure, pressureWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { replacing } from '../lash/Lash'
import { BeforeCranking } from './BeforeCranking'

const BeforeAndAfter = lazy(() => import('./BeforeAndAfter'))

type What = EntryOf<'pressure'>['what']

/** What each cylinder holds, and how the cylinders compare. */
export function Pressures({ step }: { readonly step: Step }) {
  const { view } = useBench()
  const { sheet, state, job } = view
  const what = useDraft(`${job.id}:${step.id}:what`, 'compression')
  const warmth = useDraft(`${job.id}:${step.id}:warmth`, 'cold')
  const wet = useDraft(`${job.id}:${step.id}:wet`)
  const isSet =
    Object.values(state.timing).some(({ left }) => left) || allOf(state, 'lash').some((one) => one.phase === 'left')
  const when = useDraft(`${job.id}:${step.id}:when`, isSet ? 'left' : 'found')
  const phase = when.text === 'left' ? 'left' : 'found'
  const kind = what.text as What
  const spread = spreadOf(
    allOf(state, 'pressure').filter((one) => one.phase === phase),
    kind,
  )
  return (
    <div className="stack">
      {kind === 'compression' && <BeforeCranking />}
      <NativeSelect
        label="What is read"
        value={what.text}
        onChange={(event) => what.setText(event.currentTarget.value)}
        data={Object.entries(pressureWords).map(([value, label]) => ({ value, label }))}
      />
      <SegmentedControl
        aria-label="Read"
        value={phase}
        onChange={when.setText}
        data={[
          { value: 'found', label: 'Before the work' },
          { value: 'left', label: 'After it' },
        ]}
      />
      <SegmentedControl
        aria-label="The engine is"
        value={warmth.text}
        onChange={warmth.setText}
        data={[
          { value: 'cold', label: 'Engine cold' },
          { value: 'hot', label: 'Engine hot' },
        ]}
      />
      {kind === 'compression' && (
        <Checkbox
          label="With a little oil in the cylinder"
          checked={wet.text !== ''}
          onChange={(event) => wet.setText(event.currentTarget.checked ? 'wet' : '')}
        />
      )}
      {sheet.cylinders.map((cylinder) => (
        <PressureField
          key={`${kind} ${phase} ${cylinder.id}`}
          step={step}
          cylinder={cylinder}
          what={kind}
          phase={phase}
          wet={kind === 'compression' && wet.text !== ''}
          warmth={warmth.text === 'hot' ? 'hot' : 'cold'}
        />
      ))}
      {spread && <Spread spread={spread} />}
      <Suspense>
        <BeforeAndAfter what={kind} />
      </Suspense>
    </div>
  )
}

function PressureField({
  step,
  cylinder,
  what,
  phase,
  wet,
  warmth,
}: {
  readonly step: Step
  readonly cylinder: Cylinder
  readonly what: What
  readonly phase: 'found' | 'left'
  readonly wet: boolean
  readonly warmth: 'cold' | 'hot'
}) {
  const { view, say } = useBench()
  const isLeak = what === 'leakDown'
  const field = useField(`${view.job.id}:${step.id}:${what}:${phase}:${cylinder.id}`, isLeak ? parsePercent : parseBar)
  const written = allOf(view.state, 'pressure').find(
    (one) => one.cylinderId === cylinder.id && one.what === what && (one.wet ?? false) === wet && one.phase === phase,
  )
  const write = () => {
    field.ask()
    if (field.value === undefined) return
    void say(
      [
        ...replacing(written?.id),
        {
          kind: 'pressure',
          cylinderId: cylinder.id,
          what,
          ...(isLeak ? { percent: field.value } : { bar: field.value }),
          ...(wet ? { wet } : {}),
          phase,
          conditions: [warmth],
          typed: [{ field: 'pressure', text: field.said }],
          stepId: step.id,
        },
      ],
      [field],
    )
  }
  const told = written && pressureFigure(written)
  return (
    <div className="lash-field">
      <WordsInput
        label={`Cylinder ${cylinder.name}`}
        description={told ? `Written: ${told}` : 'Not written yet'}
        placeholder={isLeak ? '12%' : '9.6 bar, 140 psi'}
        inputMode="decimal"
        maxLength={24}
        of={field}
        onBlur={field.leave}
        onEnter={() => write()}
        error={field.error && pressureErrorWords(field.error)}
      />
      <Button
        variant={field.value === undefined ? 'quiet' : 'default'}
        disabled={field.text.trim() === ''}
        aria-label={`Write down cylinder ${cylinder.name}`}
        onClick={write}
      >
        {written ? 'Replace' : 'Write'}
      </Button>
    </div>
  )
}

function parseBar(text: string) {
  const read = parsePressure(text)
  return read.ok ? ok(read.value.value) : read
}

function Spread({ spread: { what, verdict, share, lowestId } }: { readonly spread: PressureSpread }) {
  const { sheet } = useBench().view
  const name = partsOf(sheet).cylinder(lowestId)?.name ?? ''
  if (verdict === 'single') return <p className="soft">One cylinder alone has nothing to be held against.</p>
  const isLeak = what === 'leakDown'
  const told = isLeak
    ? `Cylinder ${name} leaks most, ${fixed(share, 0)}%.`
    : `Cylinder ${name} is the lowest, ${fixed(100 * share, 0)}% of the best.`
  const limits = isLeak
    ? `Up to ${TIGHT_PERCENT}% is usual, over ${LEAKS_PERCENT}% is too much.`
    : `From ${100 * EVEN_SHARE}% on they are even, under ${100 * WEAK_SHARE}% it is weak.`
  return (
    <p className={verdict === 'weak' ? 'warn' : 'result'}>
      {told}{' '}
      {
        {
          even: 'Even.',
          watch: 'Watch it.',
          weak: 'It does not hold: try it with a little oil, then lash and valves.',
        }[verdict]
      }{' '}
      <span className="soft">{limits} Common practice, no source.</span>
    </p>
  )
}
