import { Checkbox } from '@mantine/core'
import { FOLLOWER_KINDS, FOLLOWER_SET_BY, sheetLimits, type Follower, type FollowerSetBy } from '@link-count/core/model'
import { followersOf, handAtDriveEnd, ratioOfFollower, tradeOf } from '@link-count/core/followers'
import { Fold } from '../../../../ui/Fold'
import { followerKindWords, inSentence, setByWords } from '../../../../ui/wording'
import { patchFollower, removeFollower, setFirst, withValue } from '../../sheetChanges'
import { useSheetEditor } from '../../SheetEditor'
import { MmField, WholeField } from '../../TrustedField'
import { Choice, Fields, NameField } from '../fields'
import { PartLink } from '../PartLink'
import { AdvanceFields } from './AdvanceFields'
import { Outlets } from './Outlets'
import { OwnMarks } from './OwnMarks'
import { WantedFields } from './WantedFields'

/** A pump, magneto or distributor: what it is, how it is set, what it is set to, and what it serves. */
export function FollowerPanel({ follower }: { readonly follower: Follower }) {
  const { sheet, apply } = useSheetEditor()
  const others = followersOf(sheet, tradeOf(follower))
  const { id, kind, shaftId } = follower
  const name = inSentence(follower.name)
  const patch = (change: (one: Follower) => Follower) => patchFollower(id, change)
  const isSpark = tradeOf(follower) === 'spark'
  return (
    <Fields>
      <NameField
        id={`follower-${id}`}
        what={name}
        value={follower.name}
        change={(text) => patch((one) => ({ ...one, name: text }))}
      />
      <Choice
        label={`The ${name} is`}
        value={kind}
        options={FOLLOWER_KINDS.map((value) => ({ value, label: followerKindWords[value] }))}
        onChoose={(value) => apply(patch((one) => ({ ...one, kind: value })))}
      />
      <Choice
        label="It is on"
        value={shaftId}
        options={[
          ...(sheet.shafts.some((shaft) => shaft.id === shaftId)
            ? []
            : [{ value: shaftId, label: 'a shaft that is gone' }]),
          ...sheet.shafts.map((shaft) => ({ value: shaft.id, label: shaft.name })),
        ]}
        onChoose={(to) => apply(patch((one) => ({ ...one, shaftId: to })))}
      />
      <DriveEnd follower={follower} />
      <WantedFields follower={follower} />
      <SetBy follower={follower} />
      {isSpark && <AdvanceFields follower={follower} />}
      <Fold title="What it serves" note={`${follower.outlets.length} outlets`}>
        <Outlets follower={follower} />
        <Choice
          label="It serves each cylinder"
          value={follower.serves ?? 'once'}
          options={[
            { value: 'once', label: 'once in a cycle' },
            { value: 'twice', label: 'at every TDC, twice in a cycle' },
          ]}
          onChoose={(serves) => apply(patch((one) => withValue(one, 'serves', serves === 'once' ? undefined : serves)))}
        />
        <WholeField
          id={`inside-${id}`}
          label="Teeth of a gear hidden inside it"
          help="Where it can be put together a tooth out."
          limits={sheetLimits('followers', 'insideTeeth')}
          value={follower.insideTeeth}
          change={(value) => patch((one) => withValue(one, 'insideTeeth', value))}
        />
      </Fold>
      <OwnMarks follower={follower} />
      <div className="row">
        <PartLink kind="shaft" id={shaftId} words="Its shaft" />
        {others.length > 1 && others[0]?.id !== id && (
          <button type="button" className="link" onClick={() => void apply(setFirst(id))}>
            Set it before the {inSentence(others[0]?.name ?? '')}
          </button>
        )}
        <button type="button" className="link" onClick={() => void apply(removeFollower(id))}>
          Take the {name} off the sheet
        </button>
      </div>
    </Fields>
  )
}

/** Where its drive end looks, and what its turning is then; across the engine that is asked. */
function DriveEnd({ follower }: { readonly follower: Follower }) {
  const { sheet, apply } = useSheetEditor()
  const patch = (change: (one: Follower) => Follower) => patchFollower(follower.id, change)
  const ratio = ratioOfFollower(sheet, follower)
  const hand = handAtDriveEnd(sheet, follower)
  return (
    <>
      <Choice
        label="Its drive end looks to"
        value={follower.driveEnd ?? 'notSaid'}
        options={[
          { value: 'notSaid' as const, label: 'not written down' },
          { value: 'timing' as const, label: sheet.sides.timing },
          { value: 'opposite' as const, label: sheet.sides.opposite },
          { value: 'across' as const, label: 'neither: it lies across the engine' },
        ]}
        onChoose={(end) => apply(patch((one) => withValue(one, 'driveEnd', end === 'notSaid' ? undefined : end)))}
      />
      {follower.driveEnd === 'across' ? (
        <Choice
          label="Looking at its drive end it runs"
          value={follower.turns?.value ?? 'notSaid'}
          options={[
            { value: 'notSaid' as const, label: 'not known' },
            { value: 'clockwise' as const, label: 'clockwise' },
            { value: 'anticlockwise' as const, label: 'anticlockwise' },
          ]}
          onChoose={(value) =>
            apply(
              patch((one) =>
                withValue(
                  one,
                  'turns',
                  value === 'notSaid' ? undefined : { value, typed: value, trust: 'measured' as const },
                ),
              ),
            )
          }
        />
      ) : (
        ratio !== undefined && (
          <p className="soft">
            {Math.abs(ratio) === 1 ? 'As often as the crank' : `${ratioWords(Math.abs(ratio))} as often as the crank`}
            {ratio < 0 ? ', the other way round' : ''}
            {hand
              ? `: ${hand}, looking at its drive end.`
              : '. Which way that is to be seen follows once its drive end is written down.'}
          </p>
        )
      )}
    </>
  )
}

const ratioWords = (ratio: number) =>
  ratio === 0.5
    ? 'Half'
    : ratio === 1.5
      ? 'Once and a half'
      : ratio === 2
        ? 'Twice'
        : `${Math.round(ratio * 1000) / 1000} times`

/** How it can be set, and what each way needs. */
function SetBy({ follower }: { readonly follower: Follower }) {
  const { apply } = useSheetEditor()
  const { id, setBy } = follower
  const patch = (change: (one: Follower) => Follower) => patchFollower(id, change)
  const toggle = (how: FollowerSetBy, on: boolean) =>
    apply(patch((one) => ({ ...one, setBy: on ? [...one.setBy, how] : one.setBy.filter((other) => other !== how) })))
  return (
    <Fold title="How it is set" note={setBy.map((how) => setByWords[how]).join(', ') || 'not written down'}>
      {FOLLOWER_SET_BY.map((how) => (
        <Checkbox
          key={how}
          label={setByWords[how]}
          checked={setBy.includes(how)}
          onChange={(event) => void toggle(how, event.currentTarget.checked)}
        />
      ))}
      {setBy.includes('swing') && (
        <MmField
          id={`slots-${id}`}
          label="From its middle to the slots"
          help="Where they are measured. With it a millimetre there is told in degrees."
          example="60 mm"
          limits={sheetLimits('followers', 'slotRadiusMm')}
          value={follower.slotRadiusMm}
          change={(value) => patch((one) => withValue(one, 'slotRadiusMm', value))}
        />
      )}
      {(setBy.includes('places') || setBy.includes('vernier')) && (
        <WholeField
          id={`places-${id}`}
          label="Places to a turn of its coupling"
          limits={sheetLimits('followers', 'places')}
          value={follower.places}
          change={(value) => patch((one) => withValue(one, 'places', value))}
        />
      )}
      {setBy.includes('vernier') && (
        <WholeField
          id={`places-to-${id}`}
          label="Places of its other row"
          limits={sheetLimits('followers', 'placesTo')}
          value={follower.placesTo}
          change={(value) => patch((one) => withValue(one, 'placesTo', value))}
        />
      )}
    </Fold>
  )
}
