import { nanoid } from 'nanoid'
import { Button } from '@mantine/core'
import { useState } from 'react'
import type { Adjuster } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { inSentence, adjusterName, nounsOfAll } from '../../../../ui/wording'
import { useSheetEditor } from '../../SheetEditor'
import { Choice, Section } from '../Section'
import { adjusterFields } from './adjusterFields'

/** The loop laid over by a tooth is always there, and stands on the sheet with the loop. */
const KINDS = (Object.keys(adjusterFields) as Adjuster['kind'][]).filter((kind) => kind !== 'chainTooth')

/** What can be set besides the tooth: hubs, keys, slots and so on, on the wheels that have them. */
export function AdjustersSection() {
  const { sheet, apply } = useSheetEditor()
  const wheels = sheet.members.filter(({ shaftId, kind }) => shaftId && kind !== 'hub')
  const [wheel, setWheel] = useState('')
  const [kind, setKind] = useState<Adjuster['kind']>('hub')
  const nameOf = (id: string) => partsOf(sheet).member(id)?.name ?? id
  const memberId = wheel || (wheels.at(-1)?.id ?? '')
  const own = sheet.adjusters.filter((one) => one.kind !== 'chainTooth')
  if (wheels.length === 0) return null
  return (
    <Section
      title="What can be set"
      lead={`Besides the tooth of the ${nounsOfAll(sheet.loops).loop}. The smallest leftover is searched over all of it.`}
    >
      {own.map((adjuster) => {
        const Fields = adjusterFields[adjuster.kind]
        return (
          <div className="one-cylinder wide-field" key={adjuster.id}>
            <p className="field-label">
              {nameOf(adjuster.memberId)}: {adjusterName(adjuster.kind)}
            </p>
            <Fields adjuster={adjuster} name={inSentence(nameOf(adjuster.memberId))} />
            <button
              type="button"
              className="link"
              onClick={() => apply((s) => ({ ...s, adjusters: s.adjusters.filter(({ id }) => id !== adjuster.id) }))}
            >
              Take it off the sheet: {adjusterName(adjuster.kind)}
            </button>
          </div>
        )
      })}
      <Choice
        label="On the"
        value={memberId}
        options={wheels.map(({ id, name }) => ({ value: id, label: name }))}
        onChoose={setWheel}
      />
      <Choice
        label="there is"
        value={kind}
        options={KINDS.map((value) => ({ value, label: adjusterName(value) }))}
        onChoose={setKind}
      />
      <Button
        variant="default"
        onClick={() =>
          apply((s) => ({
            ...s,
            adjusters: [...s.adjusters, { id: `adj-${nanoid(8)}`, kind, memberId }],
          }))
        }
      >
        Put it on the sheet: adjuster
      </Button>
    </Section>
  )
}
