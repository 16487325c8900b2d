import { Button, SegmentedControl } from '@mantine/core'
import { useState } from 'react'
import type { Cam, EntryDraft, Phase } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { formatInches, formatMm } from '@link-count/core/units'
import { LengthInput, useLengthField, type LengthField } from '../../../ui/fields'
import { useBench } from '../JobContext'

/** Valve gaps by blade, one field a valve; any may be left out and come later. */
export function Lash({ step, phase }: { readonly step: Step; readonly phase: Extract<Phase, 'found' | 'left'> }) {
  const { view } = useBench()
  const cams = view.sheet.cams
  const [warmth, setWarmth] = useState<'cold' | 'hot'>('cold')
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
      {cams.map((cam) => (
        <LashField key={cam.id} cam={cam} step={step} phase={phase} warmth={warmth} />
      ))}
    </div>
  )
}

/** A gap outside this is asked about: no blade and no engine of this kind. Common practice, no source. */
const PLAUSIBLE = { leastMm: 0.03, mostMm: 1 }

function LashField({
  cam,
  step,
  phase,
  warmth,
}: {
  cam: Cam
  step: Step
  phase: 'found' | 'left'
  warmth: 'cold' | 'hot'
}) {
  const { view, say } = useBench()
  const field = useLengthField(`${view.job.id}:${step.id}:${cam.id}`)
  const [sure, setSure] = useState('')
  const written = view.state.lash[phase][cam.id]
  const book = cam.lashMm?.value
  const odd =
    field.value !== undefined && (field.value.value < PLAUSIBLE.leastMm || field.value.value > PLAUSIBLE.mostMm)
  const write = () => {
    field.ask()
    if (!field.value || (odd && sure !== field.text)) return
    void say(...replacing(written?.id), {
      kind: 'lash',
      camId: cam.id,
      phase,
      gapMm: field.value.value,
      conditions: [warmth],
      typed: [{ field: 'gap', text: field.text }],
      stepId: step.id,
    })
    field.drop()
  }
  return (
    <div className="lash-field">
      <LengthInput
        field={field}
        label={`Lash, ${cam.name}`}
        description={lashWords(written?.gapMm, book, field)}
        plausible={PLAUSIBLE}
        onEnter={write}
      />
      {odd && sure !== field.text && (
        <div className="warn" role="alert">
          {formatMm(field.value?.value ?? 0, 2)} would be an odd gap for a valve.
          <Button variant="quiet" onClick={() => setSure(field.text)}>
            It is so
          </Button>
        </div>
      )}
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

export const replacing = (entryId: string | undefined): EntryDraft[] =>
  entryId ? [{ kind: 'strike', targetId: entryId, reason: 'replaced' }] : []

function lashWords(writtenMm: number | undefined, bookMm: number | undefined, field: LengthField): string {
  const said =
    writtenMm === undefined ? 'Not written yet' : `Written: ${formatMm(writtenMm)} (${formatInches(writtenMm)})`
  const book = bookMm === undefined ? 'book: not on the sheet' : `book: ${formatMm(bookMm)}`
  const beside = field.value && field.value.unit !== 'mm' ? ` · typed: ${formatMm(field.value.value, 3)}` : ''
  return `${said} · ${book}${beside}`
}
