import { Button } from '@mantine/core'
import { useState } from 'react'
import type { Loop, Shaft } from '@link-count/core/model'
import { inSentence } from '../../../ui/wording'
import { Fold } from '../../../ui/Fold'
import { addLoop } from '../bendDrive'
import { useSheetEditor } from '../SheetEditor'
import { Choice } from './fields'

/** One more chain or belt, from a shaft to another that is there. */
export function LoopFrom({ shaft }: { readonly shaft: Shaft }) {
  const { sheet, apply } = useSheetEditor()
  const others = sheet.shafts.filter(({ id }) => id !== shaft.id).map(({ id, name }) => ({ value: id, label: name }))
  const [kind, setKind] = useState<Loop['kind']>('rollerChain')
  const [to, setTo] = useState(others[0]?.value ?? '')
  if (others.length === 0) return null
  return (
    <Fold title="A chain or belt from here" note="to another shaft">
      <Choice
        label="It is a"
        value={kind}
        options={[
          { value: 'rollerChain', label: 'roller chain' },
          { value: 'invertedToothChain', label: 'inverted-tooth chain' },
          { value: 'toothedBelt', label: 'toothed belt' },
        ]}
        onChoose={setKind}
      />
      <Choice label={`It runs from the ${inSentence(shaft.name)} to`} value={to} options={others} onChoose={setTo} />
      <Button variant="default" onClick={() => void apply(addLoop(kind, shaft.id, to))}>
        Put it on the sheet
      </Button>
    </Fold>
  )
}
