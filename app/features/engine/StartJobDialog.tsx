import { Button, NativeSelect, SegmentedControl, TextInput } from '@mantine/core'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import type { BuildSheet, Engine, Job, Purpose } from '@link-count/core/model'
import { parseNumber } from '@link-count/core/units'
import { selectInherited, type Inheritance } from '../../domain/views'
import { openJob } from '../../domain/writes'
import { useAppDispatch, useAppSelector } from '../../store'
import { GuardShape } from '../../ui/GuardShape'
import { nounsOfAll, reasonWords, upperFirst } from '../../ui/wording'
import { takenOf, useDraft, type Draft } from '../../ui/fields'
import { useAttempt } from '../../ui/useAttempt'
import { useWorkshop } from '../../ui/WorkshopContext'
import { Dialog } from '../../ui/Dialog'
import { PurposeChoice } from './PurposeChoice'

export function StartJobDialog({
  engine,
  sheet,
  like,
  onClose,
}: {
  readonly engine: Engine
  readonly sheet: BuildSheet
  /** The job that it is to be like. */
  readonly like?: Pick<Job, 'reason' | 'purpose'> | undefined
  readonly onClose: () => void
}) {
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  const attempt = useAttempt()
  const { kind } = useWorkshop()
  const reason = useDraft(`start-job:${engine.id}:reason`, like?.reason ?? '')
  const [purpose, setPurpose] = useState<Purpose>(like?.purpose ?? 'whole')
  const inherited = useAppSelector((state) => selectInherited(state, engine.id))
  const undone = inherited?.undone ?? 'nothing'
  const [chosen, setArrival] = useState<ArrivalKind>('chainOn')
  const arrival = undone === 'nothing' ? chosen : undone === 'everyLoop' ? 'chainOff' : 'chainOn'
  const meter = useDraft(`start-job:${engine.id}:meter`)
  const [unit, setUnit] = useState<MeterUnit>('hours')
  const run = parseNumber(meter.text)
  const written = meter.text.trim() !== ''
  const badMeter = written && (!run.ok || run.value < 0 || run.value > 10_000_000)
  const start = async () => {
    if (badMeter) return
    const asked = {
      engineId: engine.id,
      sheetId: sheet.id,
      arrival,
      reason: reason.text.trim(),
      purpose,
      ...(written && run.ok ? { meter: { value: run.value, unit } } : {}),
    }
    const job = await attempt('The job', () => dispatch(openJob(asked, takenOf([reason, meter]))), { key: 'start' })
    if (job) await navigate(`/${kind}/job/${job.id}`)
  }
  return (
    <Dialog title="Start a job" size="md" onClose={onClose}>
      <form
        className="stack"
        onSubmit={(event) => {
          event.preventDefault()
          void start()
        }}
      >
        {inherited && inherited.reasons.length > 0 && <Inherited {...inherited} sheet={sheet} />}
        {undone === 'nothing' && (
          <Arrival arrival={arrival} noun={nounsOfAll(sheet.loops).loop} onArrival={setArrival} />
        )}
        <PurposeChoice sheet={sheet} chosen={purpose} onChoose={setPurpose} />
        <TextInput
          label="Why it is here"
          placeholder="rattles at idle"
          maxLength={400}
          value={reason.text}
          onChange={(event) => reason.setText(event.currentTarget.value)}
        />
        <Meter meter={meter} bad={badMeter} unit={unit} onUnit={setUnit} />
        <Button type="submit" variant="filled" disabled={badMeter}>
          Start
        </Button>
      </form>
    </Dialog>
  )
}

type ArrivalKind = 'chainOn' | 'chainOff'

/** How it came in, with what that means for what can be read. */
const Arrival = ({
  arrival,
  noun,
  onArrival,
}: {
  readonly arrival: ArrivalKind
  readonly noun: string
  readonly onArrival: (arrival: ArrivalKind) => void
}) => (
  <div>
    <p className="field-label" id="arrival-label">
      How did it come in?
    </p>
    <SegmentedControl
      aria-labelledby="arrival-label"
      fullWidth
      value={arrival}
      onChange={(value) => onArrival(value as ArrivalKind)}
      data={[
        { value: 'chainOn', label: `${upperFirst(noun)} on` },
        { value: 'chainOff', label: `${upperFirst(noun)} off` },
      ]}
    />
    <p className="soft">
      {arrival === 'chainOn'
        ? 'Everything is read as found before anything is touched.'
        : 'Nothing can be read as found; the steps that cannot be done say what replaces them.'}
    </p>
  </div>
)

type MeterUnit = 'hours' | 'miles' | 'km'

/** What it has run, where somebody knows. */
const Meter = ({
  meter,
  bad,
  unit,
  onUnit,
}: {
  readonly meter: Draft
  readonly bad: boolean
  readonly unit: MeterUnit
  readonly onUnit: (unit: MeterUnit) => void
}) => (
  <div className="row">
    <TextInput
      label="It has run, if you know"
      placeholder="1240"
      inputMode="decimal"
      maxLength={12}
      value={meter.text}
      onChange={(event) => meter.setText(event.currentTarget.value)}
      error={bad ? 'A number from 0 up.' : undefined}
    />
    <NativeSelect
      label="counted in"
      miw={120}
      value={unit}
      onChange={(event) => onUnit(event.currentTarget.value as MeterUnit)}
      data={['hours', 'miles', 'km']}
    />
  </div>
)

/** What the last jobs left on the engine: the new one takes it over as it is. */
function Inherited({ label, reasons, sheet }: Inheritance & { readonly sheet: BuildSheet }) {
  return (
    <section aria-label="Taken over">
      <p className="field-label">As job {label} left it, and taken over</p>
      <ul className="plain guard-reasons">
        {reasons.map((reason) => (
          <li key={reason.code + reason.targetId}>
            <GuardShape verdict={reason.verdict} size={28} />
            <span>{reasonWords(reason, sheet).why}</span>
          </li>
        ))}
      </ul>
      <p className="soft">
        Make it safe again. Where the crank stands is reckoned, and the zero in doubt, until somebody looks.
      </p>
    </section>
  )
}
