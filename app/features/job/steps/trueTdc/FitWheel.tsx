import { Button, SegmentedControl } from '@mantine/core'
import { useState } from 'react'
import { entryLimits, type Approach, type WheelScale } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { LengthInput, useDraft, useLengthField, type LengthField } from '../../../../ui/fields'
import { handWords, sideName } from '../../../../ui/wording'
import { useBench } from '../../JobContext'

const kinds = [
  { value: 'full', label: '0–360' },
  { value: 'half', label: '0–180–0' },
  { value: 'quarter', label: '0–90–0' },
  { value: 'rim', label: 'Rim tape' },
] as const

/** The degree wheel as it is, or a tape on the rim: described once, and every reading after it is taken so. */
export function FitWheel({ step, onDone }: { readonly step: Step; readonly onDone: () => void }) {
  const { view, say } = useBench()
  const { sheet, job } = view
  const key = (name: string) => `${job.id}:${step.id}:wheel-${name}`
  const kind = useDraft(key('kind'), 'full')
  const [readTo, setReadTo] = useState('0.5')
  const [rises, setRises] = useState<Approach>('running')
  const [measure, setMeasure] = useState<'wrapped' | 'chord'>('wrapped')
  const round = useLengthField(
    key('round'),
    entryLimits('degreeWheel', 'scale', 'circumferenceMm'),
    sheet.rimMm?.typed ?? '',
  )
  const datum = useLengthField(key('datum'), entryLimits('degreeWheel', 'scale', 'datumMm'), '0 mm')
  const isRim = kind.text === 'rim'
  const fitted = async (scale: WheelScale) => {
    if (await say({ kind: 'degreeWheel', scale, stepId: step.id }, [kind, round, datum])) onDone()
  }
  const accept = () => {
    if (!isRim) return void fitted({ kind: kind.text as 'full', rises, readToDeg: Number(readTo) })
    round.ask()
    datum.ask()
    if (!round.value || !datum.value) return
    void fitted({
      kind: 'rim',
      rises,
      circumferenceMm: round.value.value,
      datumMm: datum.value.value,
      measure,
      readToMm: Number(readTo),
    })
  }
  return (
    <div className="stack">
      <p>Fit the wheel and a pointer that cannot be knocked. Any place will do: the zero is found, not set.</p>
      <SegmentedControl
        fullWidth
        aria-label="How it is numbered"
        value={kind.text}
        onChange={kind.setText}
        data={[...kinds]}
      />
      {isRim && <TapeFields round={round} datum={datum} measure={measure} onMeasure={setMeasure} />}
      <SegmentedControl
        fullWidth
        aria-label="It is read to"
        value={readTo}
        onChange={setReadTo}
        data={[...(isRim ? readToMm : readToDeg)]}
      />
      {(kind.text === 'full' || isRim) && <NumbersRise rises={rises} onRises={setRises} />}
      <Button variant="filled" onClick={accept}>
        {isRim ? 'Tape is on' : 'Wheel is fitted'}
      </Button>
    </div>
  )
}

const readToDeg = [
  { value: '1', label: 'read to 1°' },
  { value: '0.5', label: '½°' },
  { value: '0.25', label: '¼°' },
] as const
const readToMm = [
  { value: '1', label: 'read to 1 mm' },
  { value: '0.5', label: '½ mm' },
  { value: '0.25', label: '¼ mm' },
] as const

/** A tape on the rim: how long once round, where it begins, how it lies. */
const TapeFields = ({
  round,
  datum,
  measure,
  onMeasure,
}: {
  readonly round: LengthField
  readonly datum: LengthField
  readonly measure: 'wrapped' | 'chord'
  readonly onMeasure: (measure: 'wrapped' | 'chord') => void
}) => (
  <>
    <LengthInput
      example="612 mm"
      field={round}
      label="Once round the rim"
      description={round.value && round.value.value < 50 ? 'A rim is at least 50 mm round.' : undefined}
    />
    <LengthInput
      example="0 mm"
      field={datum}
      label="The tape reads, at the datum mark"
      description="A tape used from its 10 has its datum at 10: that is taken off by itself."
    />
    <SegmentedControl
      fullWidth
      aria-label="How it is measured"
      value={measure}
      onChange={(value) => onMeasure(value as 'wrapped')}
      data={[
        { value: 'wrapped', label: 'Tape laid round' },
        { value: 'chord', label: 'Straight across' },
      ]}
    />
  </>
)

/** Whether the numbers rise or fall as it runs, seen from the side stood at. */
function NumbersRise({ rises, onRises }: { readonly rises: Approach; readonly onRises: (rises: Approach) => void }) {
  const { view, side } = useBench()
  const { sheet } = view
  return (
    <>
      <SegmentedControl
        fullWidth
        aria-label="Its numbers"
        value={rises}
        onChange={(value) => onRises(value as Approach)}
        data={[
          { value: 'running', label: 'Numbers rise as it runs' },
          { value: 'against', label: 'They fall' },
        ]}
      />
      <p className="soft">
        Turned {handWords(1, sheet, side)}, seen from the {sideName(sheet, side)}, does the number at the pointer rise
        or fall?
      </p>
    </>
  )
}
