import { inSentence } from '../../../ui/wording'
import { Button, SegmentedControl } from '@mantine/core'
import { useState } from 'react'
import { arcFromEnds, type Arc, type ArcError } from '@link-count/core/geometry'
import { sheetLimits, type Member } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { degFromRad, fixed, formatMm, wrapTo360 } from '@link-count/core/units'
import {
  LengthInput,
  useDirectionField,
  useLengthField,
  type DegreesField,
  type LengthField,
  WordsInput,
} from '../../../ui/fields'
import { Fold } from '../../../ui/Fold'
import { patchMember, type SheetChange } from '../sheetChanges'
import { useSheetEditor } from '../SheetEditor'
import { DirectionField, directionWords } from '../TrustedField'

const APART = sheetLimits('members', 'radiusMm')
const PLACE = { least: -20_000, most: 20_000 }

/** A guide that is an arc and no whole circle: by its two ends with the radius or the height, or by the directions of its ends from its centre. */
export function GuideArc({ member }: { readonly member: Member }) {
  const { apply } = useSheetEditor()
  const name = inSentence(member.name)
  const { arc } = member
  return (
    <>
      {arc ? (
        <>
          <ArcEnd member={member} end="fromDeg" label={`First end of the ${name}, from its centre`} />
          <ArcEnd member={member} end="toDeg" label={`Other end of the ${name}, anticlockwise from there`} />
          <button type="button" className="link" onClick={() => void apply(patchMember(member.id, wholeCircle))}>
            The {name} is a whole circle
          </button>
        </>
      ) : (
        <>
          <ByItsEnds member={member} />
          {member.radiusMm && member.position && <ByDirections member={member} />}
        </>
      )}
    </>
  )
}

const wholeCircle = ({ arc: _arc, ...rest }: Member): Member => rest

function ArcEnd({
  member,
  end,
  label,
}: {
  readonly member: Member
  readonly end: 'fromDeg' | 'toDeg'
  readonly label: string
}) {
  return (
    <DirectionField
      id={`arc-${end}-${member.id}`}
      label={label}
      help="Seen from the timing side."
      value={member.arc?.[end]}
      change={(value) =>
        patchMember(member.id, (one) => (one.arc && value ? { ...one, arc: { ...one.arc, [end]: value } } : one))
      }
    />
  )
}

/** With its centre and radius known: where its two ends lie from that centre. */
function ByDirections({ member }: { readonly member: Member }) {
  const { apply, engineId } = useSheetEditor()
  const first = useDirectionField(`${engineId}:arc:${member.id}:first`)
  const other = useDirectionField(`${engineId}:arc:${member.id}:other`)
  const name = inSentence(member.name)
  const write = () => {
    first.ask()
    other.ask()
    if (first.value === undefined || other.value === undefined) return
    const [fromDeg, toDeg] = [first, other].map(({ value = 0, text }) => ({
      value,
      typed: text.trim(),
      trust: 'measured' as const,
    }))
    if (fromDeg && toDeg)
      void apply(
        patchMember(member.id, (one) => ({ ...one, arc: { fromDeg, toDeg } })),
        [first, other],
      )
  }
  return (
    <Fold title={`The ${name} is an arc`} note="by the directions of its ends" open={first.text + other.text !== ''}>
      <DirectionInput field={first} label={`Towards the first end of the ${name}, from its centre`} />
      <DirectionInput field={other} label={`Towards its other end, anticlockwise from there`} />
      <Button variant="default" onClick={write}>
        An arc between these directions
      </Button>
    </Fold>
  )
}

const DirectionInput = ({ field, label }: { readonly field: DegreesField; readonly label: string }) => (
  <WordsInput
    label={label}
    placeholder="1 o'clock, or 30"
    of={field}
    onBlur={field.leave}
    error={field.error && directionWords(field.error)}
  />
)

function ByItsEnds({ member }: { readonly member: Member }) {
  const { apply, engineId } = useSheetEditor()
  const key = `${engineId}:arc:${member.id}`
  const x1 = useLengthField(`${key}:x1`, PLACE)
  const y1 = useLengthField(`${key}:y1`, PLACE)
  const x2 = useLengthField(`${key}:x2`, PLACE)
  const y2 = useLengthField(`${key}:y2`, PLACE)
  const radius = useLengthField(`${key}:radius`, APART)
  const height = useLengthField(`${key}:height`, APART)
  const [bulges, setBulges] = useState<'left' | 'right'>('left')
  const ends = [x1, y1, x2, y2] as const
  const all = [...ends, radius, height]
  const made = ends.every(({ value }) => value)
    ? arcFromEnds({
        from: pointOf(x1, y1),
        to: pointOf(x2, y2),
        radiusMm: radius.value?.value,
        heightMm: height.value?.value,
        bulges,
      })
    : undefined
  const write = () => {
    for (const field of ends) field.ask()
    if (made?.ok) void apply(toArc(member.id, made.value), all)
  }
  const name = inSentence(member.name)
  return (
    <Fold title={`The ${name} is an arc`} note="by its two ends" open={all.some(({ text }) => text !== '')}>
      <p className="soft">
        From the crank’s axis, seen from the timing side: right and up are more, left and down less.
      </p>
      <LengthInput example="58 mm" field={x1} label={`First end of the ${name}: to the right`} />
      <LengthInput example="96 mm" field={y1} label={`First end of the ${name}: up`} />
      <LengthInput example="44 mm" field={x2} label={`Other end of the ${name}: to the right`} />
      <LengthInput example="212 mm" field={y2} label={`Other end of the ${name}: up`} />
      <LengthInput example="380 mm" field={radius} label={`Radius of the ${name}, if you know it`} />
      <LengthInput example="7 mm" field={height} label={`Or how far its middle stands out, ${name}`} />
      <SegmentedControl
        aria-label={`Which way the ${name} bulges, going from its first end to the other`}
        value={bulges}
        onChange={(value) => setBulges(value as 'left')}
        data={[
          { value: 'left', label: 'Bulges to the left' },
          { value: 'right', label: 'Bulges to the right' },
        ]}
      />
      {made && (
        <p className={made.ok ? 'soft' : 'warn'}>
          {made.ok ? `Radius ${formatMm(made.value.radiusMm)}.` : arcWords(made.error)}
        </p>
      )}
      <Button variant="default" onClick={write}>
        Make it an arc
      </Button>
    </Fold>
  )
}

const pointOf = (x: LengthField, y: LengthField) => ({ x: x.value?.value ?? 0, y: y.value?.value ?? 0 })

function arcWords(error: ArcError): string {
  switch (error.code) {
    case 'sizeMissing':
      return 'Measure its radius, or how far its middle stands out from the line between its ends.'
    case 'radiusTooSmall':
      return `Between these ends the radius is ${formatMm(error.leastMm)} at least: measure it again.`
    case 'disagree':
      return `By how far its middle stands out the radius would be ${formatMm(error.radiusByHeightMm)}: one of the two is wrong.`
    case 'endsCoincide':
      return 'Both ends are at one place.'
  }
}

const toArc =
  (id: string, { centre, radiusMm, fromDeg, toDeg }: Arc): SheetChange =>
  (sheet) => {
    const crankId = partsOf(sheet).crank?.id ?? ''
    const mm = (value: number) => ({ value, typed: `${fixed(value, 2)} mm`, trust: 'measured' as const })
    // A direction is typed as on a clock: clockwise from straight up.
    const deg = (value: number) => ({ value, typed: `${fixed(wrapTo360(90 - value), 2)}°`, trust: 'measured' as const })
    const distanceMm = mm(Math.hypot(centre.x, centre.y))
    const directionDeg = deg(wrapTo360(degFromRad(Math.atan2(centre.y, centre.x))))
    return patchMember(id, (one) => ({
      ...one,
      radiusMm: mm(radiusMm),
      position: { how: 'polar', fromShaftId: crankId, distanceMm, directionDeg },
      arc: { fromDeg: deg(fromDeg), toDeg: deg(toDeg) },
    }))(sheet)
  }
