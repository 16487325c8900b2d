import { NativeSelect, SegmentedControl } from '@mantine/core'
import { useState } from 'react'
import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import type { ZeroWayKind } from '@link-count/core/zero'
import { useDraft } from '../../../../ui/fields'
import { Fold } from '../../../../ui/Fold'
import { scaleName } from '../../../../ui/wording'
import { StandsByMark } from '../../byMark/StandsByMark'
import { useBench } from '../../JobContext'
import { zeroWayPanels } from '../../ways/zero'
import { FitWheel } from './FitWheel'
import { PlanReading } from './PlanReading'
import { ZeroBefore } from './ZeroBefore'
import { ZeroLife } from './ZeroLife'
import { ZeroResults } from './ZeroResults'

/** The way that is opened first, by how TDC is proved here. */
const wayOf = { stop: 'stopContacts', dial: 'dialPair', feel: 'dwell', marks: 'factoryMark' } as const

/** No wheel and no tape: a mark says where the crank stands. */
function ByMarkInstead({ step }: { readonly step: Step }) {
  const { state, schools } = useBench().view
  if (state.zero) return null
  return (
    <Fold
      title="No degree wheel: work by a mark"
      note={state.crank.byMark ? 'written' : 'usable, never proved'}
      open={state.crank.byMark !== undefined || schools.tdcBy === 'marks'}
    >
      <StandsByMark step={step} />
    </Fold>
  )
}

/** True TDC by as many ways as there are hands for: each is a reading of its own, and they are held against each other. */
export function TrueTdc({ step }: { readonly step: Step }) {
  const { view } = useBench()
  const { state, sheet, job } = view
  const [fitting, setFitting] = useState(false)
  const method = useDraft(`${job.id}:${step.id}:method`, wayOf[view.schools.tdcBy ?? 'stop'])
  const chosen = useDraft(`${job.id}:${step.id}:cylinder`, step.targetIds[0] ?? sheet.zeroCylinderId)
  const cylinder = partsOf(sheet).cylinder(chosen.text) ?? sheet.cylinders[0]
  if (!state.degreeWheel || fitting) {
    return (
      <div className="stack">
        <ZeroBefore />
        <ByMarkInstead step={step} />
        <FitWheel step={step} onDone={() => setFitting(false)} />
        <PlanReading step={step} />
      </div>
    )
  }
  const now = Object.hasOwn(zeroWayPanels, method.text) ? (method.text as ZeroWayKind) : 'stopContacts'
  const { Panel } = zeroWayPanels[now]
  return (
    <div className="stack">
      <p className="done-line">
        {scaleName(state.degreeWheel)}
        <button type="button" className="link" onClick={() => setFitting(true)}>
          Refitted
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
        data={Object.entries(zeroWayPanels).map(([value, { label }]) => ({ value, label }))}
      />
      {cylinder && <Panel key={`${now} ${cylinder.id}`} step={step} cylinder={cylinder} />}
      <ZeroResults />
      <PlanReading step={step} />
    </div>
  )
}
