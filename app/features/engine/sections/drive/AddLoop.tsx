import { Button } from '@mantine/core'
import { useState } from 'react'
import type { Loop } from '@link-count/core/model'
import { addLoop } from '../../bendDrive'
import { useSheetEditor } from '../../SheetEditor'
import { Choice, Section } from '../Section'

/** One more chain or belt, from a shaft to another that are there. */
export function AddLoop() {
  const { sheet, apply } = useSheetEditor()
  const shafts = sheet.shafts.map(({ id, name }) => ({ value: id, label: name }))
  const [kind, setKind] = useState<Loop['kind']>('rollerChain')
  const [from, setFrom] = useState(shafts[0]?.value ?? '')
  const [to, setTo] = useState(shafts.at(-1)?.value ?? '')
  if (shafts.length < 2) return null
  return (
    <Section title="One more chain or belt">
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
      <Choice label="It runs from" value={from} options={shafts} onChoose={setFrom} />
      <Choice label="It runs to" value={to} options={shafts} onChoose={setTo} />
      <Button variant="default" disabled={from === to} onClick={() => apply(addLoop(kind, from, to))}>
        Put it on the sheet
      </Button>
      {from === to && <p className="soft wide-field">It runs between two shafts.</p>}
    </Section>
  )
}
