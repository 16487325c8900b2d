import { standsOpen } from '@link-count/core/cams'
import type { BoltGroup } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { useBench } from '../../JobContext'

/** Before caps are drawn down: which valves the camshaft stands on, so that it is drawn down level and not bent over them. */
export function OpenValves({ group }: { readonly group: BoltGroup }) {
  const { sheet, state } = useBench().view
  const deg = state.crank.deg
  const own = sheet.cams.filter(({ shaftId }) => group.ofId === undefined || shaftId === group.ofId)
  const open = deg === undefined ? undefined : standsOpen(sheet, own, deg)
  if (open === undefined || open.notTold.length > 0 || own.length === 0)
    return (
      <p className="warn">
        Which valves stand open here is not known. Draw every cap down a little at a time, level, so that the camshaft
        is not bent over an open valve.
      </p>
    )
  if (open.open.length === 0) return <p className="soft">By the book no valve of it stands open here.</p>
  return (
    <p className="warn">
      By the book{' '}
      {open.open
        .map(({ cylinderId, valve }) => `${valve} ${partsOf(sheet).cylinder(cylinderId)?.name ?? ''}`)
        .join(', ')}{' '}
      {open.open.length === 1 ? 'stands' : 'stand'} open here. Draw the caps down a little at a time, level, those
      beside {open.open.length === 1 ? 'it' : 'them'} first.
    </p>
  )
}
