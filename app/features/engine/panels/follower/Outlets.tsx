import { useState } from 'react'
import type { BuildSheet, Follower } from '@link-count/core/model'
import { useDraft, WordsInput } from '../../../../ui/fields'
import { useFigureKey } from '../../ChosenPart'
import { patchFollower, withValue } from '../../sheetChanges'
import { useSheetEditor } from '../../SheetEditor'
import { WordsField } from '../fields'

/** The cylinders it serves, in the order in which it comes to them. */
export function Outlets({ follower }: { readonly follower: Follower }) {
  const { sheet, apply } = useSheetEditor()
  const { id, outlets } = follower
  const now = namesOf(sheet, outlets).join(' ')
  const order = useDraft(useFigureKey(`outlets-${id}`), now)
  const [refused, setRefused] = useState(false)
  const plug = outlets[0]?.plug ?? ''
  const take = () => {
    if (order.text.trim() === now) return order.drop()
    const cylinders = cylindersNamed(sheet, order.text)
    setRefused(!cylinders)
    if (!cylinders) return
    void apply(
      patchFollower(id, (one) => ({
        ...one,
        outlets: cylinders.map(({ id: cylinderId, name }) => ({ name, cylinderId, ...(plug ? { plug } : {}) })),
      })),
      [order],
    )
  }
  return (
    <>
      <WordsInput
        label="Cylinders in the order in which it comes to them"
        description="In its own direction, a bank of its own alone where it serves one."
        placeholder={sheet.cylinders.map(({ name }) => name).join(' ')}
        of={order}
        onBlur={take}
        onEnter={() => take()}
        error={
          refused ? `Names of cylinders, each once: ${sheet.cylinders.map(({ name }) => name).join(', ')}.` : undefined
        }
        maxLength={200}
      />
      <WordsField
        mayBeEmpty
        id={`plug-${id}`}
        label="Which plug of each, where they have several"
        value={plug}
        change={(text) =>
          patchFollower(id, (one) => ({
            ...one,
            outlets: one.outlets.map((outlet) => withValue(outlet, 'plug', text === '' ? undefined : text)),
          }))
        }
      />
    </>
  )
}

const namesOf = (sheet: BuildSheet, outlets: Follower['outlets']) =>
  outlets.map(({ cylinderId }) => sheet.cylinders.find(({ id }) => id === cylinderId)?.name ?? cylinderId)

/** Cylinders by their names, each at most once; undefined where a name is none. */
function cylindersNamed({ cylinders }: BuildSheet, text: string) {
  const typed = text.split(/[^\p{L}\p{N}]+/u).filter(Boolean)
  const found = typed.flatMap((name) => cylinders.find((one) => one.name === name) ?? [])
  const once = new Set(found.map(({ id }) => id)).size === found.length
  return found.length === typed.length && once && found.length > 0 ? found : undefined
}
