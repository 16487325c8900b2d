import { Button } from '@mantine/core'
import { useState } from 'react'
import { layBolts, tighteningOrder } from '@link-count/core/fasteners'
import { BOLT_ORDERS, BOLTS_LAID, type Bolt, type BoltGroup } from '@link-count/core/model'
import { BoltPattern } from '../../../../ui/bolts/BoltPattern'
import { parseWhole, useField, wholeWords, WordsInput } from '../../../../ui/fields'
import { boltOrderWords, boltsLaidWords } from '../../../../ui/wording'
import { useFigureKey } from '../../ChosenPart'
import { patchBolts } from '../../sheetChanges'
import { useSheetEditor } from '../../SheetEditor'
import { Choice } from '../fields'
import { TouchLaid } from './TouchLaid'

/** How the bolts lie, and the order in which they are tightened. */
export function Laid({ group }: { readonly group: BoltGroup }) {
  const { apply } = useSheetEditor()
  const { id, laid, bolts, order } = group
  const n = useField(useFigureKey(`bolts-n-${id}`), parseWhole({ least: 1, most: 80 }), String(bolts.length))
  const lay = (as: BoltGroup['laid'], count: number) =>
    apply(
      patchBolts(id, (one) => ({
        ...one,
        laid: as,
        bolts: as === 'touched' ? one.bolts : layBolts(as, count),
      })),
      [n],
    )
  const leave = () => {
    n.leave()
    if (n.value === undefined) return
    if (n.value === bolts.length) return n.drop()
    void lay(laid === 'touched' ? 'ring' : laid, n.value)
  }
  return (
    <>
      <WordsInput
        label="How many"
        inputMode="numeric"
        maxLength={3}
        of={n}
        onBlur={leave}
        onEnter={() => leave()}
        error={n.error && wholeWords(n.error)}
      />
      <Choice
        label="They lie"
        value={laid}
        options={BOLTS_LAID.map((value) => ({ value, label: boltsLaidWords[value] }))}
        onChoose={(as) => void lay(as, bolts.length)}
      />
      <Choice
        label="Tightened"
        help="Loosened the other way round."
        value={order}
        options={BOLT_ORDERS.map((value) => ({ value, label: boltOrderWords[value] }))}
        onChoose={(value) => void apply(patchBolts(id, (one) => ({ ...one, order: value })))}
      />
      <div className="wide-field">
        {laid === 'touched' ? (
          <TouchLaid group={group} />
        ) : order === 'touched' ? (
          <TouchOrder group={group} />
        ) : (
          <Drawn group={group} />
        )}
      </div>
    </>
  )
}

function Drawn({ group }: { readonly group: BoltGroup }) {
  const order = tighteningOrder(group)
  return (
    <BoltPattern
      group={group}
      label={`${group.name}, ${boltOrderWords[group.order]}`}
      drawn={({ id }) => ({ place: order.findIndex((one) => one.id === id) + 1, through: 0, of: 0, inHand: false })}
    />
  )
}

/** The order by touch: each bolt as it comes, from the first. */
function TouchOrder({ group }: { readonly group: BoltGroup }) {
  const { apply } = useSheetEditor()
  const [touched, setTouched] = useState<readonly string[]>()
  const order = touched ?? tighteningOrder(group).map(({ id }) => id)
  const touch = ({ id }: Bolt) => {
    const next = [...(touched ?? []), id].filter((one, i, all) => all.indexOf(one) === i)
    if (next.length < group.bolts.length) return setTouched(next)
    setTouched(undefined)
    void apply(patchBolts(group.id, (one) => ({ ...one, own: next })))
  }
  return (
    <>
      <BoltPattern
        group={group}
        label={`${group.name}, touch them in their order`}
        drawn={({ id }) => ({
          place: order.indexOf(id) + 1,
          through: touched?.includes(id) ? 1 : 0,
          of: 1,
          inHand: false,
        })}
        onTouch={touch}
      />
      <p className="soft" role="status">
        {touched
          ? `${touched.length} of ${group.bolts.length} touched.`
          : 'Touch them one after the other, from the first to the last, to give them another order.'}
      </p>
      {touched && (
        <Button variant="default" onClick={() => setTouched(undefined)}>
          Leave it as it was
        </Button>
      )}
    </>
  )
}
