import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { useBench } from '../../JobContext'
import { TheOneMove } from '../cam/TheOneMove'
import { WhatIsWrong } from '../cam/WhatIsWrong'
import { TimingReadings } from '../TimingReadings'

/** Everything read of a camshaft before anything is touched. */
export function AsFound({ step }: { readonly step: Step }) {
  const { sheet } = useBench().view
  const shaft = partsOf(sheet).shaft(step.targetIds[0])
  if (!shaft) return null
  return (
    <div className="stack">
      <TimingReadings step={step} shaft={shaft} phase="found" />
      <WhatIsWrong step={step} phase="found" />
      <TheOneMove step={step} phase="found" />
    </div>
  )
}
