import { inSentence } from '../../../ui/wording'
import { Button } from '@mantine/core'
import { crankMarksOf } from '@link-count/core/byMark'
import type { Section } from '@link-count/core/drive'
import { allOf, hiddenMarks } from '@link-count/core/ledger'
import type { Mark } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { Fold } from '../../../ui/Fold'
import { useBench } from '../JobContext'

/** Marks that cannot be seen, and what takes their place. */
export function HiddenMarks({ step, section }: { readonly step: Step; readonly section: Section | undefined }) {
  const { view, say } = useBench()
  const { sheet, state } = view
  const hidden = hiddenMarks(state)
  const names = [...hidden].flatMap((id) => partsOf(sheet).mark(id) ?? [])
  const painted = allOf(state, 'markHidden').flatMap(({ markId, is }) =>
    is === 'painted' ? (partsOf(sheet).mark(markId) ?? []) : [],
  )
  const put = (mark: Mark, is: 'hidden' | 'painted' | 'seen') =>
    void say({ kind: 'markHidden', markId: mark.id, is, why: '', stepId: step.id })
  return (
    <>
      {names.map((mark) => (
        <div className="move" key={mark.id}>
          <p>
            The {inSentence(mark.name)} cannot be seen. <Instead mark={mark} />
          </p>
          <div className="row">
            <Button variant="quiet" onClick={() => put(mark, 'painted')}>
              A painted link lies on its tooth
            </Button>
            <Button variant="quiet" onClick={() => put(mark, 'seen')}>
              It can be seen now
            </Button>
          </div>
        </div>
      ))}
      {painted.map((mark) => (
        <div className="move" key={mark.id}>
          <p>
            The {inSentence(mark.name)} cannot be seen: <strong>count to the painted link</strong> that was put on its
            tooth. It stands for the mark until it is lifted off there.
          </p>
          <Button variant="quiet" onClick={() => put(mark, 'seen')}>
            It can be seen now
          </Button>
        </div>
      ))}
      {section && (
        <Fold title="A mark of this run cannot be seen" note="buried, cover on">
          <div className="row">
            {[section.from, section.to].map((mark) => (
              <Button key={mark.id} variant="quiet" onClick={() => put(mark, 'hidden')}>
                The {inSentence(mark.name)}
              </Button>
            ))}
          </div>
        </Fold>
      )}
    </>
  )
}

/** What is looked at or counted in the place of a hidden mark. */
function Instead({ mark }: { readonly mark: Mark }) {
  const { sheet, state } = useBench().view
  const hidden = hiddenMarks(state)
  const shaft = partsOf(sheet).shaftOfMember(mark.memberId)
  if (shaft?.kind !== 'crank') return <>Runs are counted on past it, to the next mark.</>
  const lines = crankMarksOf(sheet).filter(({ id, on }) => on === 'rim' && !hidden.has(id))
  const [line] = lines
  return line ? (
    <>
      With the {inSentence(line.name)} at {line.meets || 'its pointer'} the cam marks tell the same; runs between cam
      marks are counted as before.
    </>
  ) : (
    <>
      A line on the rim of the crank would stand for it, with the cam marks: add it in True TDC, by a mark. Runs between
      cam marks are counted as before.
    </>
  )
}
