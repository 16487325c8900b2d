import { removalsOf } from '@link-count/core/removals'
import type { JobView } from '../../domain/views'
import { CardFrame } from './CardFrame'
import { bagText, labelsOf } from './bagLabels'
import { TextCode } from './TextCode'

/** A label for each bag of what came off, to be cut apart, with a code that holds it as plain text. */
export default function LabelsPage() {
  return <CardFrame words="Bag labels">{(view) => <Labels view={view} />}</CardFrame>
}

function Labels({ view }: { readonly view: JobView }) {
  const labels = labelsOf(removalsOf(view.state))
  if (labels.length === 0)
    return <p className="page-message">Nothing lies in a bag. A bag is numbered as something comes off.</p>
  return (
    <>
      <h1 className="unseen">
        Bag labels of {view.engine.name}, job {view.label}
      </h1>
      <ol className="bag-labels" aria-label="Bag labels">
        {labels.map((label) => (
          <li key={label.bag}>
            <div>
              <p className="bag-number">{label.bag}</p>
              <p>
                {view.engine.name}, job {view.label}
              </p>
              {label.lines.map((line) => (
                <p key={line}>
                  <strong>{line}</strong>
                </p>
              ))}
            </div>
            <TextCode
              text={bagText(view.engine.name, view.label, label)}
              alt={`Bag ${label.bag} as plain text, to be scanned`}
            />
          </li>
        ))}
      </ol>
    </>
  )
}
