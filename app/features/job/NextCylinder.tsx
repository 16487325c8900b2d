import { NativeSelect } from '@mantine/core'
import { useState } from 'react'
import { judgeFiring } from '@link-count/core/cylinders'
import { partsOf } from '@link-count/core/sheet'
import { wrapToCycle } from '@link-count/core/units'
import { Dialog } from '../../ui/Dialog'
import { wheelAsSeen } from '../../ui/job'
import { useBench } from './JobContext'
import { Passing } from './Passing'
import { TurnTo } from './TurnTo'
import { wheelAt } from './turnPlan'

/** From here to another cylinder's firing TDC: how far, which way, past what. */
export function NextCylinder({ onClose }: { readonly onClose: () => void }) {
  const { view } = useBench()
  const { sheet, state } = view
  const { places } = judgeFiring(sheet)
  const from = state.crank.deg
  const ahead = (id: string) =>
    from === undefined ? Infinity : wrapToCycle((places[id] ?? 0) - from - 1, sheet.cycleDeg)
  const known = sheet.cylinders.filter(({ id }) => places[id] !== undefined).sort((a, b) => ahead(a.id) - ahead(b.id))
  const [chosen, setChosen] = useState(known[0]?.id ?? '')
  const deg = places[chosen]
  const name = partsOf(sheet).cylinder(chosen)?.name ?? ''
  const event = sheet.cycleDeg === 720 ? 'firing TDC' : 'TDC'
  return (
    <Dialog title="To another cylinder" size="md" onClose={onClose}>
      <div className="stack">
        <NativeSelect
          label={`The ${event} of`}
          value={chosen}
          onChange={(change) => setChosen(change.currentTarget.value)}
          data={known.map(({ id, name: label }) => ({ value: id, label }))}
        />
        {deg !== undefined && <TurnTo target={{ deg, words: `${event} of cylinder ${name}` }} />}
        {deg !== undefined && state.zero && (
          <p>
            There the wheel reads <span className="reading">{wheelAsSeen(wheelAt(view, deg), state)}</span>.
          </p>
        )}
        {deg !== undefined && <Passing toDeg={deg} />}
      </div>
    </Dialog>
  )
}
