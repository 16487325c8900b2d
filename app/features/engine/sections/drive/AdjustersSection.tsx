import { nanoid } from 'nanoid'
import { Button } from '@mantine/core'
import { useState } from 'react'
import { sheetLimits, type Adjuster } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { adjusterKindWords } from '../../../../ui/wording'
import { withValue, type SheetChange } from '../../sheetChanges'
import { useSheetEditor } from '../../SheetEditor'
import { Choice, Section } from '../Section'
import { NumbersField } from './NumbersField'

const KINDS = ['hub', 'slots', 'offsetKey', 'keyway', 'turnedOver', 'taper', 'grubScrews', 'couplingSlip'] as const

const patch =
  (id: string, change: (one: Adjuster) => Adjuster): SheetChange =>
  (s) => ({
    ...s,
    adjusters: s.adjusters.map((one) => (one.id === id ? change(one) : one)),
  })

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
      lead="Besides the tooth of the chain. The smallest leftover is searched over all of it."
    >
      {own.map((adjuster) => (
        <div className="one-cylinder wide-field" key={adjuster.id}>
          <p className="field-label">
            {nameOf(adjuster.memberId)}: {adjusterKindWords[adjuster.kind]}
          </p>
          <AdjusterFields adjuster={adjuster} name={nameOf(adjuster.memberId).toLowerCase()} />
          <button
            type="button"
            className="link"
            onClick={() => apply((s) => ({ ...s, adjusters: s.adjusters.filter(({ id }) => id !== adjuster.id) }))}
          >
            Take it off the sheet: {adjusterKindWords[adjuster.kind]}
          </button>
        </div>
      ))}
      <Choice
        label="On the"
        value={memberId}
        options={wheels.map(({ id, name }) => ({ value: id, label: name }))}
        onChoose={setWheel}
      />
      <Choice
        label="there is"
        value={kind}
        options={KINDS.map((value) => ({ value, label: adjusterKindWords[value] }))}
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

function AdjusterFields({ adjuster, name }: { adjuster: Adjuster; name: string }) {
  const one = (key: 'positions' | 'rangeDeg' | 'shaftMm') => (value: readonly number[]) =>
    patch(adjuster.id, (now) => withValue(now, key, value[0]))
  const list = (key: 'anglesDeg' | 'keysMm') => (value: readonly number[]) =>
    patch(adjuster.id, (now) => withValue(now, key, value.length > 0 ? [...value] : undefined))
  const id = adjuster.id
  switch (adjuster.kind) {
    case 'hub':
      return (
        <NumbersField
          id={`${id}-positions`}
          label={`Places to the turn, ${name}`}
          most={1}
          limits={sheetLimits('adjusters', 'positions')}
          value={adjuster.positions === undefined ? [] : [adjuster.positions]}
          change={one('positions')}
        />
      )
    case 'slots':
    case 'couplingSlip':
      return (
        <NumbersField
          id={`${id}-range`}
          label={`Degrees of its shaft either way, ${name}`}
          most={1}
          limits={sheetLimits('adjusters', 'rangeDeg')}
          value={adjuster.rangeDeg === undefined ? [] : [adjuster.rangeDeg]}
          change={one('rangeDeg')}
        />
      )
    case 'keyway':
    case 'turnedOver':
      return (
        <NumbersField
          id={`${id}-angles`}
          label={`Other places against the one in use, degrees of its shaft, ${name}`}
          help="Later is plus; several with a space between."
          most={24}
          limits={sheetLimits('adjusters', 'anglesDeg')}
          value={adjuster.anglesDeg ?? []}
          change={list('anglesDeg')}
        />
      )
    case 'offsetKey':
      return (
        <>
          <NumbersField
            id={`${id}-keys`}
            label={`Offset keys in the drawer, mm, ${name}`}
            help="Several with a space between."
            most={40}
            limits={sheetLimits('adjusters', 'keysMm')}
            value={adjuster.keysMm ?? []}
            change={list('keysMm')}
          />
          <NumbersField
            id={`${id}-shaft`}
            label={`Shaft they go on, mm across, ${name}`}
            most={1}
            limits={sheetLimits('adjusters', 'shaftMm')}
            value={adjuster.shaftMm === undefined ? [] : [adjuster.shaftMm]}
            change={one('shaftMm')}
          />
        </>
      )
    default:
      return <p className="soft">Stepless: it can be set anywhere.</p>
  }
}
