import { Button, SegmentedControl } from '@mantine/core'
import { useState } from 'react'
import { lastIn } from '@link-count/core/ledger'
import { bracket, judgeGap, oddGap, screwGapMm, SINGLE_LASH_HALF_MM } from '@link-count/core/lash'
import { entryLimits, typedLimits, type Cam, type NewEntry, type Phase } from '@link-count/core/model'
import { lashAsked, type Step } from '@link-count/core/runSheet'
import { fixed, formatInches, formatMm } from '@link-count/core/units'
import {
  DegreesInput,
  LengthInput,
  useDegreesField,
  useDraft,
  useLengthField,
  type LengthField,
} from '../../../../ui/fields'
import { Fold } from '../../../../ui/Fold'
import { gapVerdictWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { betweenBlades, gapOf } from './gapOf'
import { LashRound } from './LashRound'
import { Shims } from './Shims'
import './Lash.css'

type LashPhase = Extract<Phase, 'found' | 'left'>

/** Valve gaps, one field a valve, or two by go and no-go; any may be left out and come later. With shims, what to swap and what to buy. */
export function Lash({ step, phase }: { readonly step: Step; readonly phase: LashPhase }) {
  const { view } = useBench()
  const { sheet, job } = view
  const [warmth, setWarmth] = useState<'cold' | 'hot'>('cold')
  const by = useDraft(`${job.id}:${step.id}:lash-by`, 'blade')
  const thread = useLengthField(`${job.id}:${step.id}:lash-thread`, typedLimits.screwPitchMm)
  const asked = new Set(lashAsked(view.state, phase, step.targetIds))
  const field = (cam: Cam) => (
    <LashField
      key={cam.id}
      cam={cam}
      step={step}
      phase={phase}
      warmth={warmth}
      goNoGo={by.text === 'goNoGo'}
      threadMm={by.text === 'screw' ? thread.value?.value : undefined}
    />
  )
  return (
    <div className="stack">
      <SegmentedControl
        aria-label="The engine is"
        value={warmth}
        onChange={(value) => setWarmth(value as 'cold')}
        data={[
          { value: 'cold', label: 'Engine cold' },
          { value: 'hot', label: 'Engine hot' },
        ]}
      />
      <SegmentedControl
        aria-label="Measured by"
        value={by.text}
        onChange={by.setText}
        data={[
          { value: 'blade', label: 'One blade' },
          { value: 'goNoGo', label: 'Go, no go' },
          { value: 'screw', label: 'The screw' },
        ]}
      />
      {by.text === 'screw' && (
        <LengthInput
          example="1 mm"
          field={thread}
          label="Thread of the screw, pitch"
          description="Screw it in until the gap is nothing, count the degrees back to where it stood."
        />
      )}
      <LashRound />
      {sheet.cams.filter(({ id }) => asked.has(id)).map(field)}
      {asked.size < sheet.cams.length && (
        <Fold title="Left empty as found" note={`${sheet.cams.length - asked.size} valves, not asked for again`}>
          {sheet.cams.filter(({ id }) => !asked.has(id)).map(field)}
        </Fold>
      )}
      {sheet.shims && <Shims step={step} phase={phase} />}
    </div>
  )
}

function LashField({
  cam,
  step,
  phase,
  warmth,
  goNoGo,
  threadMm,
}: {
  cam: Cam
  step: Step
  phase: LashPhase
  warmth: 'cold' | 'hot'
  goNoGo: boolean
  /** Pitch of the adjusting screw, where the gap is taken by its turns. */
  threadMm: number | undefined
}) {
  const { view, say } = useBench()
  const key = `${view.job.id}:${step.id}:${cam.id}`
  const field = useLengthField(key, entryLimits('lash', 'gapMm'))
  const noGo = useLengthField(`${key}:no-go`, entryLimits('lash', 'noGoMm'))
  const [sure, setSure] = useState('')
  const written = lastIn(view.state, 'lash', phase, cam.id)
  const book = { lashMm: cam.lashMm?.value, lashToMm: cam.lashToMm?.value }
  const both = goNoGo && field.value && noGo.value ? bracket(field.value.value, noGo.value.value) : undefined
  const crossed = goNoGo && field.value !== undefined && noGo.value !== undefined && !both
  const typedNumber = Number(/^[\d.,]+/.exec(field.text.trim())?.[0].replace(',', '.') ?? NaN)
  const odd =
    field.value && Number.isFinite(typedNumber) ? oddGap(typedNumber, field.value.unit, book.lashMm) : undefined
  const asked = odd && sure !== field.text
  const write = () => {
    field.ask()
    if (goNoGo) noGo.ask()
    if (!field.value || asked || crossed || (goNoGo && !noGo.value)) return
    const lash: NewEntry = {
      kind: 'lash',
      camId: cam.id,
      phase,
      gapMm: field.value.value,
      ...(goNoGo && noGo.value ? { noGoMm: noGo.value.value } : {}),
      conditions: [warmth],
      typed: [{ field: 'gap', text: field.said }, ...(goNoGo ? [{ field: 'noGo', text: noGo.said }] : [])],
      stepId: step.id,
    }
    void say([...replacing(written?.id), lash], [field, noGo])
  }
  return (
    <div className="lash-field">
      <LengthInput
        example="0.20 mm, 8 thou"
        field={field}
        label={goNoGo ? `Goes in, ${cam.name}` : `Lash, ${cam.name}`}
        description={lashWords(written, book, field)}
        plausible={{ leastMm: 0.08, mostMm: 0.8 }}
        onEnter={write}
      />
      {threadMm !== undefined && (
        <ScrewTurn name={cam.name} fieldKey={`${key}:screw`} threadMm={threadMm} onTake={field.setText} />
      )}
      {goNoGo && (
        <div className="field">
          <LengthInput example="0.25 mm, 10 thou" field={noGo} label={`Does not go, ${cam.name}`} onEnter={write} />
        </div>
      )}
      {crossed && (
        <p className="field-error" role="alert">
          The blade that does not go must be the thicker one.
        </p>
      )}
      {asked && <OddGap odd={odd} onMeant={field.setText} onSure={() => setSure(field.text)} />}
      <Button
        variant={field.value ? 'default' : 'quiet'}
        onClick={write}
        disabled={field.text.trim() === ''}
        aria-label={`Write down lash, ${cam.name}`}
      >
        {written ? 'Replace' : 'Write'}
      </Button>
    </div>
  )
}

/** The gap by how far its adjusting screw was turned back from touching. */
function ScrewTurn({
  name,
  fieldKey,
  threadMm,
  onTake,
}: {
  readonly name: string
  readonly fieldKey: string
  readonly threadMm: number
  readonly onTake: (text: string) => void
}) {
  const turned = useDegreesField(fieldKey, typedLimits.screwTurnDeg)
  return (
    <div className="field">
      <DegreesInput
        field={turned}
        label={`Screw turned back, ${name}`}
        placeholder="90"
        description={
          turned.value === undefined ? undefined : `= ${formatMm(screwGapMm(turned.value, threadMm), 3)} at the screw`
        }
      />
      <Button
        variant="quiet"
        disabled={turned.value === undefined}
        onClick={() => {
          onTake(`${screwGapMm(turned.value ?? 0, threadMm).toFixed(3)} mm`)
          turned.drop()
        }}
      >
        Take it as the gap
      </Button>
    </div>
  )
}

/** A gap that would be odd for this valve: what was meant? */
const OddGap = ({
  odd,
  onMeant,
  onSure,
}: {
  readonly odd: NonNullable<ReturnType<typeof oddGap>>
  readonly onMeant: (text: string) => void
  readonly onSure: () => void
}) => (
  <div className="warn" role="alert">
    {formatMm(odd.asMm, 3)} ({formatInches(odd.asMm)}) would be an odd gap for this valve.{' '}
    {odd.meant[0] && `Did you mean ${odd.meant[0].words}?`}
    {odd.meant.slice(0, 2).map(({ words }) => (
      <Button key={words} variant="default" onClick={() => onMeant(words)}>
        {words}
      </Button>
    ))}
    <Button variant="quiet" onClick={onSure}>
      It is so
    </Button>
  </div>
)

export const replacing = (entryId: string | undefined): NewEntry[] =>
  entryId ? [{ kind: 'strike', targetId: entryId, reason: 'replaced' }] : []

function lashWords(
  written: { readonly gapMm: number; readonly noGoMm?: number | undefined } | undefined,
  book: { readonly lashMm: number | undefined; readonly lashToMm: number | undefined },
  field: LengthField,
): string {
  const said = written
    ? `Written: ${formatMm(gapOf(written))} (${formatInches(gapOf(written))})${written.noGoMm === undefined ? '' : `, between ${formatMm(written.gapMm)} and ${formatMm(written.noGoMm)}`}`
    : 'Not written yet'
  const wants =
    book.lashMm === undefined
      ? 'book: not on the sheet'
      : `book: ${formatMm(book.lashMm)}${book.lashToMm === undefined ? `, taken as ± ${fixed(SINGLE_LASH_HALF_MM, 3)} mm` : ` to ${formatMm(book.lashToMm)}`}`
  const judged = written && judgeGap(betweenBlades(written), book)
  const verdict = judged && judged.verdict !== 'noBook' ? ` · ${gapVerdictWords(judged.verdict, judged.marginMm)}` : ''
  const beside = field.value && field.value.unit !== 'mm' ? ` · typed: ${formatMm(field.value.value, 3)}` : ''
  return `${said} · ${wants}${verdict}${beside}`
}
