import { Button } from '@mantine/core'
import { nanoid } from 'nanoid'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import type { Engine } from '@link-count/core/model'
import { copySheet, type CopiedFigures } from '@link-count/core/starters'
import { beginEngine } from '../../domain/writes'
import { useAppDispatch } from '../../store'
import { takenOf, useDraft, WordsInput } from '../../ui/fields'
import { Fold } from '../../ui/Fold'
import { useAttempt } from '../../ui/useAttempt'
import { useWorkshop } from '../../ui/WorkshopContext'
import { useSheetEditor } from './SheetEditor'

/** A new engine of the same make: the same parts, names and marks; its figures are its own. */
export function AnotherLikeIt({ engine }: { readonly engine: Engine }) {
  const { sheet } = useSheetEditor()
  const { kind, now } = useWorkshop()
  const dispatch = useAppDispatch()
  const attempt = useAttempt()
  const navigate = useNavigate()
  const name = useDraft(`engine:${engine.id}:another`)
  const [asked, setAsked] = useState(false)
  const begin = async (figures: CopiedFigures) => {
    setAsked(true)
    if (name.text.trim() === '') return
    const [id, at] = [nanoid(), now()]
    const other = { id, name: name.text.trim(), description: engine.description, at }
    const copy = copySheet(sheet, { id: nanoid(), engineId: id, at }, figures)
    const begun = await attempt(
      'The new engine',
      async () => {
        await dispatch(beginEngine(other, copy, takenOf([name])))
        return true
      },
      name,
    )
    if (begun) await navigate(`/${kind}/engine/${id}`)
  }
  return (
    <Fold title="Another engine like it" note="a copy, its figures to be checked">
      <WordsInput
        label="You call the other engine"
        of={name}
        error={
          asked && name.text.trim() === '' ? 'It needs a name: what is painted on it, or where it stands.' : undefined
        }
        maxLength={120}
      />
      <Button variant="default" onClick={() => void begin('none')}>
        Without any figure
      </Button>
      <Button variant="quiet" onClick={() => void begin('toBeChecked')}>
        With these figures, to be checked
      </Button>
      <p className="soft">
        Of one make other years have other counts. What was counted on the engine itself goes before what another had.
      </p>
    </Fold>
  )
}
