import { Button } from '@mantine/core'
import { useState } from 'react'
import type { BuildSheet, Exact } from '@link-count/core/model'
import { DegreesInput, useDegreesField } from '../../../ui/fields'
import { exactWords } from '../../../ui/wording'
import { useBench } from '../JobContext'

/** How exact a mark is: asked once, kept on the build sheet, and open to be answered otherwise. */
export function AskExact({
  markId,
  name,
  onRim,
  exact,
  brief = false,
}: {
  readonly markId: string
  readonly name: string
  readonly onRim: boolean
  readonly exact: Exact | undefined
  /** Where it does not decide anything yet: one line until it is asked for. */
  readonly brief?: boolean
}) {
  const { view, changeSheet } = useBench()
  const [again, setAgain] = useState(false)
  const [degrees, setDegrees] = useState(false)
  const deg = useDegreesField(`${view.job.id}:exact:${markId}`, { least: 0.1, most: 45 })
  const keep = async (answer: Exact) => {
    if (await changeSheet((sheet) => withExact(sheet, markId, answer), [deg])) {
      setAgain(false)
      setDegrees(false)
    }
  }
  if (!exact && brief && !again)
    return (
      <p className="soft">
        The {name} counts as good to {onRim ? '4°' : 'half a tooth'}.{' '}
        <button type="button" className="link" onClick={() => setAgain(true)}>
          Say how exact it is
        </button>
      </p>
    )
  if (exact && !again) return <Said name={name} exact={exact} onOtherwise={() => setAgain(true)} />
  const keepDegrees = () => {
    deg.ask()
    if (deg.value !== undefined) void keep({ how: 'degrees', deg: deg.value })
  }
  return (
    <fieldset className="look ask-exact">
      <legend>How exact is the {name}?</legend>
      <div className="row">
        <Button variant="quiet" onClick={() => void keep({ how: 'exact' })}>
          A sharp line, where it belongs
        </Button>
        {!onRim && (
          <Button variant="quiet" onClick={() => void keep({ how: 'halfTooth' })}>
            Good to half a tooth
          </Button>
        )}
        <Button variant="quiet" onClick={() => void keep({ how: 'pin' })}>
          A hole: its pin goes in
        </Button>
        <Button variant="quiet" aria-expanded={degrees} onClick={() => setDegrees(true)}>
          To some degrees
        </Button>
      </div>
      {degrees && (
        <div className="row">
          <DegreesInput field={deg} label="Degrees either way" placeholder="2" onEnter={keepDegrees} />
          <Button variant="default" onClick={keepDegrees}>
            Keep it
          </Button>
        </div>
      )}
      <p className="soft">
        {onRim
          ? 'Until that is said it counts as good to 4°.'
          : 'Until that is said it counts as good to half a tooth.'}
      </p>
    </fieldset>
  )
}

const withExact = (sheet: BuildSheet, markId: string, exact: Exact): BuildSheet => ({
  ...sheet,
  marks: sheet.marks.map((mark) => (mark.id === markId ? { ...mark, exact } : mark)),
  rimMarks: sheet.rimMarks.map((mark) => (mark.id === markId ? { ...mark, exact } : mark)),
})

const Said = ({
  name,
  exact,
  onOtherwise,
}: {
  readonly name: string
  readonly exact: Exact
  readonly onOtherwise: () => void
}) => (
  <p className="soft">
    The {name}: {exactWords(exact)}.{' '}
    <button type="button" className="link" onClick={onOtherwise}>
      Say otherwise
    </button>
  </p>
)
