import { sheetLimits, type Follower } from '@link-count/core/model'
import { ratioOfFollower, toCrankDeg, toOwnDeg } from '@link-count/core/followers'
import { fixed } from '@link-count/core/units'
import { Fold } from '../../../../ui/Fold'
import { patchFollower, withValue } from '../../sheetChanges'
import { useSheetEditor } from '../../SheetEditor'
import { FigureField } from '../../TrustedField'
import { Choice } from '../fields'

type Of = 'own' | 'crank'
const OF = [
  { value: 'own' as const, label: 'degrees of its own shaft' },
  { value: 'crank' as const, label: 'degrees of the crank' },
]

/** An impulse coupling and its lag, an advance and its travel: of its own shaft or of the crank, shown in both. */
export function AdvanceFields({ follower }: { readonly follower: Follower }) {
  const { apply } = useSheetEditor()
  const { id, impulse, advance, wanted } = follower
  const patch = (change: (one: Follower) => Follower) => patchFollower(id, change)
  return (
    <Fold title="Impulse coupling and advance" note={noteOf(follower)}>
      <Choice
        label="It has an impulse coupling"
        value={impulse ? 'yes' : 'no'}
        options={[
          { value: 'no', label: 'no' },
          { value: 'yes', label: 'yes: it snaps when it is run over slowly' },
        ]}
        onChoose={(is) => apply(patch((one) => withValue(one, 'impulse', is === 'yes' ? { of: 'own' } : undefined)))}
      />
      {impulse && (
        <>
          <Choice
            label="Its lag is told in"
            value={impulse.of}
            options={OF}
            onChoose={(of) => apply(patch((one) => ({ ...one, impulse: { ...impulse, of } })))}
          />
          <FigureField
            id={`lag-${id}`}
            label="It lets go late by, degrees"
            example="25"
            limits={sheetLimits('followers', 'impulse', 'lag')}
            value={impulse.lag}
            change={(value) => patch((one) => ({ ...one, impulse: withValue(impulse, 'lag', value) }))}
          />
          {impulse.lag && <InBoth follower={follower} deg={impulse.lag.value} of={impulse.of} />}
        </>
      )}
      <Choice
        label="It advances"
        value={advance?.by ?? 'no'}
        options={[
          { value: 'no' as const, label: 'not at all' },
          { value: 'hand' as const, label: 'by a lever' },
          { value: 'automatic' as const, label: 'by itself' },
          { value: 'both' as const, label: 'by a lever and by itself' },
        ]}
        onChoose={(by) =>
          apply(patch((one) => withValue(one, 'advance', by === 'no' ? undefined : { of: 'own', ...one.advance, by })))
        }
      />
      {advance && (
        <>
          <Choice
            label="Its travel is told in"
            value={advance.of}
            options={OF}
            onChoose={(of) => apply(patch((one) => ({ ...one, advance: { ...advance, of } })))}
          />
          <FigureField
            id={`advance-${id}`}
            label="Earlier at the most by, degrees"
            example="18"
            limits={sheetLimits('followers', 'advance', 'most')}
            value={advance.most}
            change={(value) => patch((one) => ({ ...one, advance: withValue(advance, 'most', value) }))}
          />
          {advance.most && <InBoth follower={follower} deg={advance.most.value} of={advance.of} />}
          {advance.by !== 'automatic' && wanted && (
            <Choice
              label="The book’s figure is for its lever"
              value={wanted.control ?? 'retarded'}
              options={[
                { value: 'retarded', label: 'fully retarded' },
                { value: 'advanced', label: 'fully advanced' },
              ]}
              onChoose={(control) => apply(patch((one) => ({ ...one, wanted: { ...wanted, control } })))}
            />
          )}
        </>
      )}
    </Fold>
  )
}

const noteOf = ({ impulse, advance }: Follower) =>
  [impulse ? 'impulse coupling' : '', advance ? 'advance' : ''].filter(Boolean).join(', ') || 'neither'

/** The same degrees of its own shaft and of the crank. */
function InBoth({ follower, deg, of }: { readonly follower: Follower; readonly deg: number; readonly of: Of }) {
  const { sheet } = useSheetEditor()
  const ratio = ratioOfFollower(sheet, follower)
  if (!ratio || deg === 0) return null
  return (
    <p className="soft">
      {fixed(toOwnDeg(deg, of, ratio), 1)}° of its own, {fixed(toCrankDeg(deg, of, ratio), 1)}° of the crank.
    </p>
  )
}
