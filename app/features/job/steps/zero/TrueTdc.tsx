import { NativeSelect, SegmentedControl } from '@mantine/core'
import { useState } from 'react'
import type { Step } from '@link-count/core/runSheet'
import { useDraft } from '../../../../ui/fields'
import { scaleName } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { DialMethod } from './DialMethod'
import { FeelMethod } from './FeelMethod'
import { FitWheel } from './FitWheel'
import { Marks } from './Marks'
import { PlanReading } from './PlanReading'
import { StopMethod } from './StopMethod'
import { ZeroBefore } from './ZeroBefore'
import { ZeroLife } from './ZeroLife'
import { ZeroResults } from './ZeroResults'

const methods = { stop: StopMethod, dial: DialMethod, feel: FeelMethod, marks: Marks } as const
type Method = keyof typeof methods

/** True TDC by as many ways as there are hands for: each is a reading of its own, and they are held against each other. */
export function TrueTdc({ step }: { readonly step: Step }) {
  const { view } = useBench()
  const { state, sheet, job } = view
  const [fitting, setFitting] = useState(false)
  const method = useDraft(`${job.id}:${step.id}:method`, 'stop')
  const chosen = useDraft(`${job.id}:${step.id}:cylinder`, step.targetIds[0] ?? sheet.zeroCylinderId)
  const cylinder = sheet.cylinders.find(({ id }) => id === chosen.text) ?? sheet.cylinders[0]
  if (!state.degreeWheel || fitting) {
    return (
      <div className="stack">
        <ZeroBefore />
        <FitWheel step={step} onDone={() => setFitting(false)} />
        <PlanReading step={step} />
      </div>
    )
  }
  const now: Method = method.text in methods ? (method.text as Method) : 'stop'
  const Panel = methods[now]
  return (
    <div className="stack">
      <p className="done-line">
        {scaleName(state.degreeWheel)}
        <button type="button" className="link" onClick={() => setFitting(true)}>
          Fitted anew
        </button>
      </p>
      <ZeroBefore />
      <ZeroLife step={step} />
      {sheet.cylinders.length > 1 && (
        <NativeSelect
          label="On cylinder"
          value={cylinder?.id}
          onChange={(event) => chosen.setText(event.currentTarget.value)}
          data={sheet.cylinders.map(({ id, name }) => ({ value: id, label: name }))}
        />
      )}
      <SegmentedControl
        fullWidth
        aria-label="Way of finding it"
        value={now}
        onChange={method.setText}
        data={[
          { value: 'stop', label: 'Stop' },
          { value: 'dial', label: 'Dial' },
          { value: 'feel', label: 'Feel' },
          { value: 'marks', label: 'Marks' },
        ]}
      />
      {cylinder && <Panel key={`${now} ${cylinder.id}`} step={step} cylinder={cylinder} />}
      <ZeroResults />
      <PlanReading step={step} />
    </div>
  )
}
