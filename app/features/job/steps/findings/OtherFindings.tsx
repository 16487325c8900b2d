import { Button, NativeSelect, TextInput } from '@mantine/core'
import { nanoid } from 'nanoid'
import { useState } from 'react'
import { allOf } from '@link-count/core/ledger'
import { LOOKED_AT, type LookedAt } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { Fold } from '../../../../ui/Fold'
import { lookedAtWords, upperFirst } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { FindingFields } from './FindingFields'

/** What else was looked at: clips, washers, seals, keys and whatever is not on the build sheet. */
export function OtherFindings({ step }: { readonly step: Step }) {
  const { state } = useBench().view
  const [part, setPart] = useState<LookedAt>('clip')
  const [name, setName] = useState('')
  const [begun, setBegun] = useState<readonly { part: LookedAt; id: string; name: string }[]>([])
  const written = allOf(state, 'finding').flatMap(({ part: kind, partId, name: own }) =>
    own === undefined ? [] : [{ part: kind, id: partId, name: own }],
  )
  const all = [...written, ...begun.filter(({ id }) => !written.some((one) => one.id === id))]
  return (
    <Fold
      title="Something else looked at"
      note={all.length === 0 ? 'clips, seals, keys' : String(all.length)}
      open={all.length > 0}
    >
      {all.map((one) => (
        <FindingFields
          key={one.id}
          own
          step={step}
          part={one.part}
          id={one.id}
          name={one.name}
          look={upperFirst(`${lookedAtWords[one.part]}.`)}
        />
      ))}
      <div className="row">
        <NativeSelect
          label="What it is"
          value={part}
          onChange={(event) => setPart(event.currentTarget.value as LookedAt)}
          data={LOOKED_AT.map((value) => ({ value, label: lookedAtWords[value] }))}
        />
        <TextInput
          label="Which one"
          placeholder="of the idler"
          maxLength={100}
          value={name}
          onChange={(event) => setName(event.currentTarget.value)}
        />
      </div>
      <Button
        variant="default"
        onClick={() => {
          const called = upperFirst([lookedAtWords[part], name.trim()].filter(Boolean).join(' '))
          setBegun([...begun, { part, id: nanoid(8), name: called }])
          setName('')
        }}
      >
        Look at it
      </Button>
    </Fold>
  )
}
