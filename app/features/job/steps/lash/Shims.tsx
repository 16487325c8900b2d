import { Button, TextInput } from '@mantine/core'
import { lastIn, lastOf } from '@link-count/core/ledger'
import { judgeGap, planShims, type ShimMove, type ShimmedValve } from '@link-count/core/lash'
import { entryLimits, type Cam, type Phase } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { formatMm, parseNumber } from '@link-count/core/units'
import { LengthInput, useDraft, useLengthField } from '../../../../ui/fields'
import { askTurn } from '../../askTurn'
import { useBench } from '../../JobContext'
import { gapOf } from './gapOf'
import './Shims.css'

/** Shims as they are, and the cheapest set of swaps that brings every gap within its limits. */
export function Shims({ step, phase }: { readonly step: Step; readonly phase: Extract<Phase, 'found' | 'left'> }) {
  const { view } = useBench()
  const { sheet, state, job } = view
  const drawer = useDraft(`${job.id}:shim-drawer`)
  const stock = sheet.shims
  if (!stock) return null
  const valves = sheet.cams.flatMap((cam): ShimmedValve[] => {
    const gap = lastIn(state, 'lash', phase, cam.id)
    const shim = lastOf(state, 'shim', cam.id)
    if (!gap || !shim || !cam.lashMm) return []
    const { leastMm, mostMm } = judgeGap(gapOf(gap), { lashMm: cam.lashMm.value, lashToMm: cam.lashToMm?.value })
    return [{ camId: cam.id, shimMm: shim.sizeMm, gapMm: gapOf(gap), wantMm: (leastMm + mostMm) / 2, leastMm, mostMm }]
  })
  const numbers = drawer.text
    .split(/[\s;]+/)
    .filter(Boolean)
    .map((text) => parseNumber(text))
  const inDrawer = numbers.flatMap((one) => (one.ok && one.value > 0.1 && one.value < 30 ? [one.value] : []))
  const plan = valves.length > 0 ? planShims({ valves, drawer: inDrawer, stock }) : undefined
  const moves = plan?.moves.filter(({ from }) => from !== 'stays') ?? []
  return (
    <section className="shims" aria-label="Shims">
      <h3>Shims</h3>
      {sheet.cams.map((cam) => (
        <ShimField key={cam.id} cam={cam} step={step} phase={phase} />
      ))}
      <TextInput
        label="Shims in the drawer, mm"
        description="Several with a space between; leave it empty when there are none."
        value={drawer.text}
        onChange={(event) => drawer.setText(event.currentTarget.value)}
        error={inDrawer.length < numbers.length ? 'Write sizes in mm with a space between: 2.40 2.55' : undefined}
        maxLength={300}
      />
      {valves.length === 0 && (
        <p className="soft">With a gap and its shim written down, the swaps are worked out here.</p>
      )}
      {valves.length > 0 && !plan && (
        <p className="warn" role="alert">
          No shim that is there or is made brings every one of these gaps right: is a gap or a shim mistaken, or a seat
          sunk?
        </p>
      )}
      {plan && moves.length === 0 && (
        <p className="result">Every gap that is written lies within its limits: nothing to swap.</p>
      )}
      {plan && moves.length > 0 && <Swaps plan={plan} moves={moves} valves={valves.length} step={step} />}
    </section>
  )
}

/** The swaps that bring every gap right, to be done so. */
function Swaps({
  plan,
  moves,
  valves,
  step,
}: {
  readonly plan: NonNullable<ReturnType<typeof planShims>>
  readonly moves: readonly ShimMove[]
  readonly valves: number
  readonly step: Step
}) {
  const { view, side, say } = useBench()
  const { sheet } = view
  const nameOf = (camId: string | undefined) => partsOf(sheet).cam(camId)?.name ?? ''
  const swap = () => {
    void say(
      moves.map(({ camId, shimMm }) => ({
        kind: 'shim' as const,
        camId,
        phase: 'left' as const,
        sizeMm: shimMm,
        stepId: step.id,
      })),
    )
  }
  return (
    <>
      <p>
        {valves} of {sheet.cams.length} valves:{' '}
        <strong>{plan.newShims === 0 ? 'nothing to buy' : `${plan.newShims} to buy`}</strong>, {moves.length} moved.
      </p>
      <ol className="moves">
        {moves.map((move) => (
          <li key={move.camId}>{shimWords(move, nameOf)}</li>
        ))}
      </ol>
      {plan.leftOver.length > 0 && (
        <p className="soft">Left over: {plan.leftOver.map((mm) => formatMm(mm)).join(', ')}.</p>
      )}
      <Button variant="default" onClick={swap}>
        Shims are swapped so
      </Button>
      <p className="soft">{askTurn({ again: 'seatShims' }, view, side).words}</p>
    </>
  )
}

function shimWords({ camId, shimMm, from, fromCamId, gapMm }: ShimMove, nameOf: (id: string | undefined) => string) {
  const source = { stays: '', swap: `from ${nameOf(fromCamId)}`, drawer: 'from the drawer', new: 'new' }[from]
  return (
    <>
      <strong>
        {nameOf(camId)}: {formatMm(shimMm)}, {source}.
      </strong>{' '}
      <span className="soft">The gap is then {formatMm(gapMm)}.</span>
    </>
  )
}

function ShimField({ cam, step, phase }: { cam: Cam; step: Step; phase: 'found' | 'left' }) {
  const { view, say } = useBench()
  const { state, job } = view
  const field = useLengthField(`${job.id}:${step.id}:shim-${cam.id}`, entryLimits('shim', 'sizeMm'))
  const written = lastOf(state, 'shim', cam.id)
  const mm = field.value?.value
  const wrong = mm !== undefined && (mm < 0.1 || mm > 30)
  const write = () => {
    field.ask()
    if (mm === undefined || wrong) return
    void say(
      {
        kind: 'shim',
        camId: cam.id,
        phase,
        sizeMm: mm,
        typed: [{ field: 'shim', text: field.said }],
        stepId: step.id,
      },
      [field],
    )
  }
  return (
    <div className="lash-field">
      <LengthInput
        example="2.45 mm"
        field={field}
        label={`Shim, ${cam.name}`}
        description={
          wrong ? 'No shim is of that size.' : written ? `Written: ${formatMm(written.sizeMm)}` : 'Not written yet'
        }
        onEnter={write}
      />
      <Button
        variant={field.value ? 'default' : 'quiet'}
        onClick={write}
        disabled={field.text.trim() === ''}
        aria-label={`Write down shim, ${cam.name}`}
      >
        {written ? 'Replace' : 'Write'}
      </Button>
    </div>
  )
}
