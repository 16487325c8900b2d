import { Button, NativeSelect } from '@mantine/core'
import { useState } from 'react'
import { judgeFiring, throwPatterns, type FiringPlaces } from '@link-count/core/cylinders'
import { sheetLimits, type BuildSheet, type Cylinder } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { fixed } from '@link-count/core/units'
import { useDraft, WordsInput } from '../../../ui/fields'
import {
  firingEvenly,
  orderFromNames,
  patchBank,
  patchCylinder,
  withPlaces,
  withPins,
  withValue,
} from '../sheetChanges'
import { useFigureKey } from '../ChosenPart'
import { sourced, useSource } from '../source'
import { useSheetEditor } from '../SheetEditor'
import { DegField, DirectionField } from '../TrustedField'
import { Fields, WordsField } from './fields'

const patternWords: Record<string, string> = {
  together: 'both up together',
  oneUpOneDown: 'one up, one down',
  quarter: 'a quarter turn apart, the second ahead',
  quarterBack: 'a quarter turn apart, the second behind',
  thirds: 'thirds, the second ahead',
  thirdsBack: 'thirds, the third ahead',
  flatPlane: 'flat: outer two up, inner two down',
  crossPlane: 'cross: quarters, the third ahead',
  crossPlaneBack: 'cross: quarters, the second ahead',
  fifths: 'fifths',
  mirrored: 'mirrored thirds, the second ahead',
  mirroredBack: 'mirrored thirds, the third ahead',
  straightEight: 'mirrored quarters',
  one: 'one throw for each pair',
  oneRow: 'one row, one throw',
  twoRows: 'two rows, throws half a turn apart',
}

const names = (sheet: BuildSheet, ids: readonly string[]) =>
  ids.map((id) => partsOf(sheet).cylinder(id)?.name ?? id).join('-')

/** Crankpins, firing order, and what they make together. */
export const FiringPanel = () => (
  <Fields lead="When each comes to its top follows from its axis and its crankpin; when it fires, from the firing order. A place that somebody knows is typed at its cylinder and goes before that.">
    <Throws />
    <Order />
    <Judgement />
  </Fields>
)

/** A row of cylinders: its name and which way it stands. */
export function BankPanel({ bank }: { readonly bank: BuildSheet['banks'][number] }) {
  return (
    <Fields>
      <WordsField
        id={`bank-${bank.id}`}
        label="You call the bank"
        value={bank.name}
        change={(name) => patchBank(bank.id, (one) => ({ ...one, name }))}
      />
      <DirectionField
        id={`axis-${bank.id}`}
        label={`${bank.name} stands towards`}
        help="From the crank, seen from the timing side: a clock face, or degrees clockwise from straight up."
        value={bank.axisDeg}
        change={(value) => patchBank(bank.id, (one) => withValue(one, 'axisDeg', value))}
      />
    </Fields>
  )
}

function Throws() {
  const { sheet, apply } = useSheetEditor()
  const patterns = throwPatterns(sheet.layout, sheet.cylinders.length)
  const now = sheet.cylinders.map(({ crankpinDeg }) => crankpinDeg?.value)
  const chosen = patterns.find(({ crankpinsDeg }) => crankpinsDeg.every((deg, i) => deg === now[i]))
  const some = now.slice(1).some((deg) => deg !== undefined)
  return (
    <NativeSelect
      label="Crankpins"
      description="A usual arrangement fills them in; any other is written cylinder by cylinder."
      value={chosen?.id ?? (some ? 'own' : 'unknown')}
      onChange={(event) => {
        const pattern = patterns.find(({ id }) => id === event.currentTarget.value)
        if (pattern) apply(withPins(pattern.crankpinsDeg))
      }}
      data={[
        { value: 'unknown', label: 'not known yet' },
        ...patterns.map(({ id }) => ({ value: id, label: patternWords[id] ?? id })),
        { value: 'own', label: 'as written below' },
      ]}
    />
  )
}

function Order() {
  const { sheet, apply, engineId } = useSheetEditor()
  const { source } = useSource(engineId)
  const order = useDraft(useFigureKey('order'), sheet.firingOrder?.typed ?? '')
  const [refused, setRefused] = useState(false)
  if (sheet.cycleDeg !== 720) return null
  const take = () => {
    if (order.text.trim() === '') {
      if (sheet.firingOrder) void apply((s) => withValue(s, 'firingOrder', undefined))
      return
    }
    const ids = orderFromNames(sheet, order.text)
    setRefused(!ids)
    if (!ids) return
    void apply((s) => withValue(s, 'firingOrder', sourced(ids, order.text.trim(), source)), [order])
  }
  return (
    <WordsInput
      label="Firing order"
      placeholder={sheet.cylinders.map(({ name }) => name).join('-')}
      of={order}
      onBlur={take}
      onEnter={() => take()}
      error={refused ? `An order names each of ${sheet.cylinders.map(({ name }) => name).join(', ')} once.` : undefined}
      maxLength={100}
    />
  )
}

/** What axes, throws and order make together: settled, a turn left open, or a contradiction with what could be. */
function Judgement() {
  const { sheet, apply } = useSheetEditor()
  const judged = judgeFiring(sheet)
  if (judged.disagreements.length > 0) return <Disagreements judged={judged} />
  if (judged.status === 'settled') return <Settled judged={judged} />
  if (judged.status === 'open') return <TurnLeftOpen judged={judged} />
  if (judged.orders.length > 0) return <OrdersThatCould judged={judged} />
  return (
    <div className="wide-field stack">
      <p className="soft">
        Not all places are known yet: that takes each crankpin
        {sheet.banks.length > 1 ? ', each bank’s direction and the running direction' : ''}
        {sheet.cycleDeg === 720 ? ', and the firing order' : ''}. Until then the strip leaves those cylinders open.
      </p>
      {sheet.firingOrder && (
        <Button variant="default" onClick={() => apply(firingEvenly)}>
          It fires evenly in that order: fill the places in
        </Button>
      )}
    </div>
  )
}

interface Judged {
  readonly judged: ReturnType<typeof judgeFiring>
}

function useCylinderName() {
  const { sheet } = useSheetEditor()
  return (id: string) => partsOf(sheet).cylinder(id)?.name ?? id
}

function Disagreements({ judged: { disagreements } }: Judged) {
  const name = useCylinderName()
  return (
    <p className="warn wide-field" role="alert">
      {disagreements
        .map(
          ({ cylinderId, offDeg }) =>
            `Cylinder ${name(cylinderId)} is typed ${fixed(Math.abs(offDeg), 1)}° ${offDeg > 0 ? 'after' : 'before'} where its axis and crankpin put it.`,
        )
        .join(' ')}{' '}
      One of them cannot be right.
    </p>
  )
}

function Settled({ judged: { places } }: Judged) {
  const { sheet } = useSheetEditor()
  const name = useCylinderName()
  const fired = Object.entries(places).sort(([, a], [, b]) => a - b)
  return (
    <p className="result wide-field">
      {sheet.cycleDeg === 720 ? 'Fires' : 'Comes to the top'}{' '}
      {fired.map(([id, deg]) => `${name(id)} at ${fixed(deg, Number.isInteger(deg) ? 0 : 1)}°`).join(', ')}.
    </p>
  )
}

function TurnLeftOpen({ judged: { ways, places } }: Judged) {
  const { apply } = useSheetEditor()
  const name = useCylinderName()
  return (
    <div className="warn wide-field stack">
      <p>The order leaves a turn open. Which is it?</p>
      <div className="row">
        {ways.map((way) => (
          <Button key={JSON.stringify(way)} variant="default" onClick={() => apply(withPlaces(openOnes(way, places)))}>
            {wayWords(openOnes(way, places), name)}
          </Button>
        ))}
      </div>
    </div>
  )
}

function OrdersThatCould({ judged: { status, orders, ordersInAll } }: Judged) {
  const { sheet, apply } = useSheetEditor()
  const against = status === 'contradiction'
  return (
    <div className={`${against ? 'warn' : 'result'} wide-field stack`} role={against ? 'alert' : undefined}>
      <p>
        {against ? 'With these crankpins it cannot fire in that order.' : 'The firing order is not known.'} These throws
        allow {ordersInAll}; the most even {orders.length === 1 ? 'is' : 'are'}:
      </p>
      <div className="row">
        {orders.map(({ order, unevenDeg }) => (
          <Button
            key={order.join()}
            variant="default"
            onClick={() =>
              apply((s) => withValue(s, 'firingOrder', { value: [...order], typed: names(s, order), trust: 'unknown' }))
            }
          >
            {names(sheet, order)}
            {unevenDeg > 0.5 && ` (uneven by ${fixed(unevenDeg, 0)}°)`}
          </Button>
        ))}
      </div>
    </div>
  )
}

const openOnes = (way: FiringPlaces, settled: FiringPlaces): FiringPlaces =>
  Object.fromEntries(Object.entries(way).filter(([id]) => settled[id] === undefined))

const wayWords = (way: FiringPlaces, name: (id: string) => string) =>
  Object.entries(way)
    .map(([id, deg]) => `${name(id)} fires ${fixed(deg, Number.isInteger(deg) ? 0 : 1)}° after 1`)
    .join(', ')

/** One cylinder: its name, its crankpin, when it fires. */
export function CylinderPanel({ cylinder }: { readonly cylinder: Cylinder }) {
  const { sheet } = useSheetEditor()
  const { id, name } = cylinder
  const isZero = id === sheet.zeroCylinderId
  return (
    <Fields>
      <WordsField
        id={`name-${id}`}
        label={isZero ? 'You call the zero cylinder' : `You call cylinder ${name}`}
        value={name}
        change={(text) => patchCylinder(id, (one) => ({ ...one, name: text }))}
      />
      {!isZero && (
        <>
          <DegField
            example="120°"
            limits={sheetLimits('cylinders', 'crankpinDeg')}
            id={`crankpin-${id}`}
            label={`Crankpin of ${name}`}
            help="Degrees ahead of the zero cylinder’s, the way it runs."
            value={cylinder.crankpinDeg}
            change={(value) => patchCylinder(id, (one) => withValue(one, 'crankpinDeg', value))}
          />
          <DegField
            example="240°"
            limits={{ ...sheetLimits('cylinders', 'firingDeg'), most: sheet.cycleDeg - 0.01 }}
            id={`firing-${id}`}
            label={`${sheet.cycleDeg === 720 ? 'Firing TDC' : 'TDC'} of ${name}, if it is known`}
            help="Degrees after the zero cylinder’s."
            value={cylinder.firingDeg && { ...cylinder.firingDeg, typed: String(cylinder.firingDeg.value) }}
            change={(value) => patchCylinder(id, (one) => withValue(one, 'firingDeg', value))}
          />
        </>
      )}
      {sheet.layout === 'radial' && (
        <>
          <DirectionField
            id={`axis-${id}`}
            label={`Cylinder ${name} stands towards`}
            value={cylinder.axisDeg}
            change={(value) => patchCylinder(id, (one) => withValue(one, 'axisDeg', value))}
          />
          <DegField
            example="1.5°"
            limits={sheetLimits('cylinders', 'tdcShiftDeg')}
            id={`shift-${id}`}
            label={`Its rod makes TDC of ${name} late by`}
            help="Articulated rods shift it by up to some 4°; minus is early."
            value={cylinder.tdcShiftDeg}
            change={(value) => patchCylinder(id, (one) => withValue(one, 'tdcShiftDeg', value))}
          />
        </>
      )}
    </Fields>
  )
}
