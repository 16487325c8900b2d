import { loopKinds } from '@link-count/core/drive'
import { readingsOfJob } from '@link-count/core/diagnose'
import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { elongationVerdict, nounsOf } from '../../../../ui/wording'
import { fixed } from '@link-count/core/units'
import { useBench } from '../../JobContext'
import { ChainMeasure } from '../cam/Measure'
import { Bands } from '../cam/WhatIsWrong'
import { FindingFields } from '../findings/FindingFields'

/** How far each chain has grown and what the lateness found says, judged together: the worse of the two counts. */
export function Wear({ step }: { readonly step: Step }) {
  const { sheet, state } = useBench().view
  const { elongation = {} } = readingsOfJob(sheet, state, 'found')
  const parts = partsOf(sheet)
  return (
    <div className="stack">
      {sheet.loops.some(({ kind }) => loopKinds[kind].grows) && <ChainMeasure step={step} open />}
      {Object.entries(elongation).map(([id, { value, sigma }]) => (
        <p className="result" key={id}>
          {parts.loop(id)?.name}: {fixed(value, 2)}% longer than new ± {fixed(2 * sigma, 2)}%.{' '}
          {elongationVerdict(value)}
        </p>
      ))}
      <Bands phase="found" />
      {sheet.loops
        .filter(({ kind }) => !loopKinds[kind].grows)
        .map((loop) => (
          <FindingFields
            key={loop.id}
            step={step}
            part="loop"
            id={loop.id}
            name={loop.name}
            look={`A ${nounsOf(loop).loop} does not grow: its age, its hours, its edges and its teeth tell.`}
          />
        ))}
    </div>
  )
}
