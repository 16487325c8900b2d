import { NativeSelect } from '@mantine/core'
import { fitDistances, pointOf } from '@link-count/core/drive'
import { sheetLimits, type Position, type Shaft } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { fixed } from '@link-count/core/units'
import { withValue, type SheetChange } from '../sheetChanges'
import { useSheetEditor } from '../SheetEditor'
import { DirectionField, MmField } from '../TrustedField'
import { inSentence, upperFirst } from '../../../ui/wording'

type SetPlace = (change: (now: Position | undefined) => Position) => SheetChange
type PolarPlace = Extract<Position, { how: 'polar' }>
type DistancesPlace = Extract<Position, { how: 'distances' }>

/** Where a shaft or a plain member stands: by distance and direction, or by calliper from shafts that are placed already. */
export function PlaceFields({
  id,
  name,
  position,
  set,
}: {
  readonly id: string
  readonly name: string
  readonly position: Position | undefined
  /** Changes the place as it stands on the sheet by then: two fields may be left one right after the other. */
  readonly set: SetPlace
}) {
  const { sheet, apply } = useSheetEditor()
  const others = sheet.shafts.filter((shaft) => shaft.id !== id)
  const how = position?.how === 'distances' ? 'distances' : 'polar'
  const crankId = others[0]?.id ?? 'crank'
  const choose = (next: string) =>
    apply(set((now) => (next === 'polar' ? byDirection(now, crankId) : byDistances(now, others, crankId))))
  const label = inSentence(name)
  return (
    <>
      {others.length > 1 && (
        <NativeSelect
          label={`${name} is placed by`}
          value={how}
          onChange={(event) => choose(event.currentTarget.value)}
          data={[
            { value: 'polar', label: 'distance and direction' },
            { value: 'distances', label: 'two distances by calliper' },
          ]}
        />
      )}
      {how === 'polar' && (
        <Polar
          id={id}
          label={label}
          position={position?.how === 'polar' ? position : undefined}
          crankId={crankId}
          others={others}
          set={set}
        />
      )}
      {position?.how === 'distances' && (
        <Distances id={id} label={label} position={position} others={others} set={set} />
      )}
    </>
  )
}

function Polar({
  id,
  label,
  position,
  crankId,
  others,
  set,
}: {
  id: string
  label: string
  position: PolarPlace | undefined
  crankId: string
  others: readonly Shaft[]
  set: SetPlace
}) {
  const now = position ?? { how: 'polar' as const, fromShaftId: crankId }
  const { sheet, apply } = useSheetEditor()
  const from = inSentence(partsOf(sheet).shaft(now.fromShaftId)?.name) ?? 'crank'
  const polar = (place: Position | undefined): PolarPlace =>
    place?.how === 'polar' ? place : { how: 'polar', fromShaftId: crankId }
  return (
    <>
      {others.length > 1 && (
        <NativeSelect
          label={`Measured from, for the ${label}`}
          value={now.fromShaftId}
          onChange={(event) => {
            const fromShaftId = event.currentTarget.value
            apply(set((place) => ({ ...polar(place), fromShaftId })))
          }}
          data={others.map((shaft) => ({ value: shaft.id, label: shaft.name }))}
        />
      )}
      <MmField
        example="310 mm, 12 1/4 in"
        limits={sheetLimits('shafts', 'position', 'distanceMm')}
        id={`${id}-distance`}
        label={`Centre of the ${from} to centre of the ${label}`}
        value={now.distanceMm}
        change={(value) => set((place) => withValue(polar(place), 'distanceMm', value))}
      />
      <DirectionField
        id={`${id}-direction`}
        label={`${upperFirst(label)} stands towards`}
        help={`From the ${from}, seen from the timing side.`}
        value={now.directionDeg}
        change={(value) => set((place) => withValue(polar(place), 'directionDeg', value))}
      />
    </>
  )
}

/* The way of placing changed; a distance that is known already goes along. */
function byDirection(now: Position | undefined, crankId: string): PolarPlace {
  if (now?.how === 'polar') return now
  const first = now?.how === 'distances' ? now.from[0] : undefined
  const place: PolarPlace = { how: 'polar', fromShaftId: first?.shaftId ?? crankId }
  return withValue(place, 'distanceMm', first?.distanceMm)
}
function byDistances(now: Position | undefined, others: readonly Shaft[], crankId: string): DistancesPlace {
  if (now?.how === 'distances') return now
  const from = now?.how === 'polar' ? now : undefined
  const shaftId = from?.fromShaftId ?? crankId
  const first: DistancesPlace['from'][number] = { shaftId }
  const second = others.find((shaft) => shaft.id !== shaftId)
  return {
    how: 'distances',
    from: [withValue(first, 'distanceMm', from?.distanceMm), ...(second ? [{ shaftId: second.id }] : [])],
    side: 'left',
  }
}

function Distances({
  id,
  label,
  position,
  others,
  set,
}: {
  id: string
  label: string
  position: DistancesPlace
  others: readonly Shaft[]
  set: SetPlace
}) {
  const { apply } = useSheetEditor()
  const nameOf = useShaftName()
  const change = (from: (now: DistancesPlace) => Partial<DistancesPlace>) =>
    set((place) => {
      const now = place?.how === 'distances' ? place : position
      return { ...now, ...from(now) }
    })
  const spare = others.find((shaft) => !position.from.some(({ shaftId }) => shaftId === shaft.id))
  return (
    <>
      {position.from.map(({ shaftId, distanceMm }, i) => (
        <MmField
          example="310 mm, 12 1/4 in"
          limits={sheetLimits('shafts', 'position', 'distanceMm')}
          key={`${i} ${shaftId}`}
          id={i === 0 ? `${id}-distance` : `${id}-from-${i}`}
          label={`Centre of the ${nameOf(shaftId)} to centre of the ${label}`}
          value={distanceMm}
          change={(value) =>
            change(({ from }) => ({
              from: from.map((one, k) => (k === i ? withValue(one, 'distanceMm', value) : one)),
            }))
          }
        />
      ))}
      <NativeSelect
        label={`Side of the line ${nameOf(position.from[0]?.shaftId ?? '')} to ${nameOf(position.from[1]?.shaftId ?? '')}`}
        description="Two distances leave a mirror image; seen from the timing side."
        value={position.side}
        onChange={(event) => {
          const side = event.currentTarget.value as DistancesPlace['side']
          apply(change(() => ({ side })))
        }}
        data={[
          { value: 'left', label: 'left of it' },
          { value: 'right', label: 'right of it' },
        ]}
      />
      <MeasuredFrom label={label} from={position.from} others={others} change={change} />
      <WhereItStands position={position} />
      {spare && position.from.length < 6 && (
        <button
          type="button"
          className="link"
          onClick={() => apply(change(({ from }) => ({ from: [...from, { shaftId: spare.id }] })))}
        >
          One more distance for the {label}, to check by
        </button>
      )}
    </>
  )
}

function useShaftName() {
  const { sheet } = useSheetEditor()
  return (shaftId: string) => inSentence(partsOf(sheet).shaft(shaftId)?.name) ?? ''
}

function MeasuredFrom({
  label,
  from,
  others,
  change,
}: {
  label: string
  from: DistancesPlace['from']
  others: readonly Shaft[]
  change: (to: (now: DistancesPlace) => Partial<DistancesPlace>) => SheetChange
}) {
  const { apply } = useSheetEditor()
  const all = others.flatMap((a) => others.filter((b) => b.id !== a.id).map((b) => [a, b] as const))
  const isNow = ([a, b]: readonly [Shaft, Shaft]) => a.id === from[0]?.shaftId && b.id === from[1]?.shaftId
  return (
    <NativeSelect
      label={`First and second, for the ${label}`}
      value={String(all.findIndex(isNow))}
      onChange={(event) => {
        const ends = all[Number(event.currentTarget.value)]
        apply(
          change((now) => ({ from: now.from.map((one, k) => ({ ...one, shaftId: ends?.[k]?.id ?? one.shaftId })) })),
        )
      }}
      data={all.map(([a, b], i) => ({ value: String(i), label: `${a.name}, ${b.name}` }))}
    />
  )
}

/** Where the distances put it, what they leave open, and what they do not agree on. */
function WhereItStands({ position }: { position: DistancesPlace }) {
  const { sheet } = useSheetEditor()
  const placed = fitDistances(sheet, position)
  const point = pointOf(sheet, position)
  if (placed && !placed.ok && placed.error.code === 'doNotMeet')
    return (
      <p className="field-error wide-field" role="alert">
        Those two distances do not meet: they are {fixed(placed.error.gapMm, 1)} mm apart. Measure again.
      </p>
    )
  if (!placed?.ok || !point) return null
  return (
    <p className="result wide-field">
      It stands at {fixed(point.x, 1)} mm right and {fixed(point.y, 1)} mm up of the crank
      {position.from.filter(({ distanceMm }) => distanceMm).length > 2
        ? `; the distances fit to ${fixed(placed.value.misfitMm, 2)} mm.`
        : `; the mirror image is at ${fixed(placed.value.mirror.x, 1)} and ${fixed(placed.value.mirror.y, 1)}.`}
    </p>
  )
}
