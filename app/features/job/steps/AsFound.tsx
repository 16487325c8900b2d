import type { Step } from '@link-count/core/runSheet'
import { useBench } from '../JobContext'
import { TimingReadings } from './TimingReadings'

/** Everything read of a camshaft before anything is touched. */
export function AsFound({ step }: { readonly step: Step }) {
  const { sheet } = useBench().view
  const shaft = sheet.shafts.find(({ id }) => id === step.targetIds[0])
  return shaft ? <TimingReadings step={step} shaft={shaft} phase="found" /> : null
}
