import { nanoid } from 'nanoid'
import { useRef } from 'react'
import { tighteningOrder } from '@link-count/core/fasteners'
import type { Bolt, BoltGroup } from '@link-count/core/model'
import { BoltPattern } from '../../../../ui/bolts/BoltPattern'
import { patchBolts } from '../../sheetChanges'
import { useSheetEditor } from '../../SheetEditor'
import './TouchLaid.css'

/** Bolts put down by touch: a touch beside them puts one down, a touch on one takes it away. */
export function TouchLaid({ group }: { readonly group: BoltGroup }) {
  const { apply } = useSheetEditor()
  const field = useRef<HTMLDivElement>(null)
  const order = tighteningOrder(group)
  const change = (bolts: readonly Bolt[]) => void apply(patchBolts(group.id, (one) => ({ ...one, bolts: [...bolts] })))
  const put = (event: React.MouseEvent) => {
    if (event.target instanceof Element && event.target.closest('[role="button"]')) return
    const svg = field.current?.querySelector('svg')
    const turn = svg?.getScreenCTM()?.inverse()
    if (!svg || !turn || group.bolts.length >= 80) return
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(turn)
    const near = (value: number) => Math.round(Math.max(-1, Math.min(1, value / 150)) * 100) / 100
    change([...group.bolts, { id: `b${nanoid(8)}`, x: near(at.x), y: near(-at.y) }])
  }
  return (
    <>
      <div ref={field} className="touch-laid" onClick={put}>
        <BoltPattern
          group={group}
          square
          label={`${group.name}, put down by touch`}
          drawn={({ id }) => ({ place: order.findIndex((one) => one.id === id) + 1, through: 0, of: 0, inHand: false })}
          onTouch={({ id }) => group.bolts.length > 1 && change(group.bolts.filter((one) => one.id !== id))}
        />
      </div>
      <p className="soft">Touch where one lies to put it down; touch one to take it away.</p>
    </>
  )
}
