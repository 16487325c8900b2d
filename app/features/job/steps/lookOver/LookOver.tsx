import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { nounsOf, nounsOfAll } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { OtherFindings } from '../findings/OtherFindings'
import { FindingFields } from '../findings/FindingFields'

/** Every camshaft, chain and tensioner looked at, slack by hand with it; before anything is measured. */
export function LookOver({ step }: { readonly step: Step }) {
  const { sheet } = useBench().view
  const parts = partsOf(sheet)
  return (
    <div className="stack">
      {sheet.shafts
        .filter(({ kind }) => kind === 'cam')
        .map(({ id, name }) => (
          <FindingFields
            key={id}
            step={step}
            part="camshaft"
            id={id}
            name={name}
            look="Every lobe: bright and round at the tip, no pits, no groove a nail catches in."
          />
        ))}
      {sheet.loops.map((loop) => (
        <FindingFields
          key={loop.id}
          step={step}
          part="loop"
          id={loop.id}
          name={loop.name}
          look={
            loop.kind === 'toothedBelt'
              ? 'Slack by hand, at the longest run. No cracks across it, no fluff at its edges, every tooth whole.'
              : 'Slack by hand, at the longest run. No cracked plate, every joint bends freely, how far a link lifts off the sprocket.'
          }
        />
      ))}
      {parts.tensioners.map(({ id, name }) => (
        <FindingFields
          key={id}
          step={step}
          part="tensioner"
          id={id}
          name={name}
          look={`Push the ${nounsOfAll(sheet.loops).loop} against it: it gives and comes back. How far out it stands, what it has worn.`}
        />
      ))}
      <OtherFindings step={step} />
      {sheet.loops[0] && (
        <p className="soft">
          What lifts off a {nounsOf(sheet.loops[0]).wheel} by about 3 mm (1/8 in) is far gone: common practice.
        </p>
      )}
    </div>
  )
}
