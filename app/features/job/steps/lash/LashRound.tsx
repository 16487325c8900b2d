import { SegmentedControl } from '@mantine/core'
import { canBeSet, type LashStop } from '@link-count/core/lash'
import { partsOf } from '@link-count/core/sheet'
import { fixed } from '@link-count/core/units'
import { useBench } from '../../JobContext'
import { placeWords } from '../../turnPlan'
import { useLashRound } from './useLashRound'

/** Which valves can be taken where the crank stands, and the shortest round of places that reaches all of them. */
export function LashRound() {
  const { view } = useBench()
  const { sheet, state } = view
  const { rule, setRule, stops } = useLashRound(view)
  if (sheet.cycleDeg !== 720 || stops.length === 0) return null
  const at = state.crank.deg
  const now = at === undefined ? [] : sheet.cams.filter((cam) => canBeSet(sheet, cam, at, rule))
  return (
    <section className="stack" aria-label="Where the crank stands for each valve">
      <SegmentedControl
        aria-label="A valve can be set when"
        value={rule}
        onChange={setRule}
        data={[
          { value: 'lobeAway', label: 'Its lobe is away' },
          { value: 'companion', label: 'Companion rocks' },
        ]}
      />
      {at !== undefined && (
        <p>
          Where it stands: <strong>{now.length > 0 ? now.map(({ name }) => name).join(', ') : 'none of them'}</strong>.
        </p>
      )}
      <ol className="lash-round">
        {stops.map((stop) => (
          <li key={stop.crankDeg}>
            {stopWords(stop)}: <strong>{stop.camIds.map((id) => partsOf(sheet).cam(id)?.name ?? id).join(', ')}</strong>
          </li>
        ))}
      </ol>
      <p className="soft">
        {stops.length === 1 ? 'One place reaches them all' : `${stops.length} places reach them all`}, in the order in
        which the crank comes to them. They stand on the strip.
      </p>
    </section>
  )

  function stopWords({ crankDeg, overlapsId }: LashStop) {
    const place = placeWords(view, crankDeg).replace(', where its mark meets', '')
    const overlap = rule === 'companion' && overlapsId ? `, ${partsOf(sheet).cylinder(overlapsId)?.name} rocking` : ''
    return `${place} (${fixed(crankDeg, 0)}°)${overlap}`
  }
}
