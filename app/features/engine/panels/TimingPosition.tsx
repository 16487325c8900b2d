import { valveEvents } from '@link-count/core/cams'
import { firingDegOf } from '@link-count/core/cylinders'
import { sheetLimits, type BuildSheet, type Trusted } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { fixed, wrapToCycle } from '@link-count/core/units'
import { useSheetEditor } from '../SheetEditor'
import { DegField } from '../TrustedField'
import { Choice, Fields } from './fields'

/** Something that a place of the crank can be told by. */
interface Event {
  readonly value: string
  readonly label: string
  readonly deg: number
}

/** The places of the cycle that a mark may be cut for, as far as the sheet tells where they are: each cylinder's TDCs, and the openings and closings of its
 *  valves. */
function eventsOf(sheet: BuildSheet): Event[] {
  const four = sheet.cycleDeg === 720
  const tdcs = sheet.cylinders.flatMap(({ id, name }): Event[] => {
    const firing = firingDegOf(sheet, id)
    if (firing === undefined) return []
    return [
      { value: `firing ${id}`, label: `${four ? 'firing TDC' : 'TDC'} of cylinder ${name}`, deg: firing },
      ...(four
        ? [{ value: `overlap ${id}`, label: `overlap TDC of cylinder ${name}`, deg: wrapToCycle(firing + 360, 720) }]
        : []),
    ]
  })
  const valves = sheet.cams.flatMap((cam): Event[] => {
    const { opens, closes } = valveEvents(sheet, cam)
    const of = `${cam.valve} of ${partsOf(sheet).cylinder(cam.cylinderId)?.name ?? ''}`
    return [
      ...(opens === undefined ? [] : [{ value: `opens ${cam.id}`, label: `${of} just opening`, deg: opens }]),
      ...(closes === undefined ? [] : [{ value: `closes ${cam.id}`, label: `${of} just closed`, deg: closes }]),
    ]
  })
  return [...tdcs, ...valves]
}

const trusted = (deg: number, typed: string): Trusted<number> => ({ value: deg, typed, trust: 'manual' })

/** Where the marks meet. */
export const TimingPanel = () => (
  <Fields lead="Where the marks meet: a TDC, an opening, a printed number of degrees. A camshaft or bank may have a place of its own.">
    <TimingPosition />
  </Fields>
)

/** What the marks are cut for: a TDC, an opening, a printed number of degrees, a place that is no TDC at all. */
function TimingPosition() {
  const { sheet, apply } = useSheetEditor()
  const pose = sheet.referencePose
  const events = eventsOf(sheet)
  const isTdc = pose.event === 'firingTdc' || pose.event === 'overlapTdc'
  const now = isTdc
    ? `${pose.event === 'firingTdc' ? 'firing' : 'overlap'} ${pose.cylinderId}`
    : (events.find(({ label }) => label === pose.crankDeg.typed)?.value ?? 'other')
  const choose = (value: string) => {
    const event = events.find((one) => one.value === value)
    const [what, id = ''] = value.split(' ')
    void apply((s) => {
      const { referencePose } = s
      if (!event) return { ...s, referencePose: { ...referencePose, event: 'other' } }
      const isFiring = what === 'firing'
      if (isFiring || what === 'overlap')
        return {
          ...s,
          referencePose: {
            event: isFiring ? 'firingTdc' : 'overlapTdc',
            cylinderId: id,
            crankDeg: trusted(event.deg, isFiring ? 'firingTdc' : 'overlapTdc'),
          },
        }
      return { ...s, referencePose: { ...referencePose, event: 'other', crankDeg: trusted(event.deg, event.label) } }
    })
  }
  return (
    <>
      <Choice
        label="The marks are cut for"
        value={now}
        options={[...events, { value: 'other', label: 'another place of the crank' }]}
        onChoose={choose}
      />
      {pose.event === 'other' && (
        <DegField
          example="290°"
          limits={{ ...sheetLimits('referencePose', 'crankDeg'), most: sheet.cycleDeg - 0.01 }}
          id="pose"
          label={`The timing position, crank degrees after ${sheet.cycleDeg === 720 ? 'firing ' : ''}TDC of ${partsOf(sheet).cylinder(sheet.zeroCylinderId)?.name ?? ''}`}
          value={now === 'other' ? pose.crankDeg : { ...pose.crankDeg, typed: fixed(pose.crankDeg.value, 1) }}
          change={(value) => (s) => (value ? { ...s, referencePose: { ...s.referencePose, crankDeg: value } } : s)}
        />
      )}
    </>
  )
}

/** The place of the crank at which a camshaft is set, when that is its own. */
export function OwnPlace({
  id,
  name,
  value,
  change,
}: {
  readonly id: string
  readonly name: string
  readonly value: Trusted<number> | undefined
  readonly change: (value: Trusted<number> | undefined) => (sheet: BuildSheet) => BuildSheet
}) {
  const { sheet, apply } = useSheetEditor()
  const events = eventsOf(sheet)
  const now = value === undefined ? '' : (events.find(({ label }) => label === value.typed)?.value ?? 'other')
  return (
    <>
      <Choice
        label={`The ${name} is set at`}
        value={now}
        options={[
          { value: '', label: 'the timing position' },
          ...events,
          { value: 'other', label: 'another place of the crank' },
        ]}
        onChoose={(chosen) => {
          const event = events.find((one) => one.value === chosen)
          void apply(
            change(
              chosen === '' ? undefined : event ? trusted(event.deg, event.label) : trusted(value?.value ?? 0, '0'),
            ),
          )
        }}
      />
      {now === 'other' && (
        <DegField
          example="290°"
          limits={{ ...sheetLimits('shafts', 'meetsAtDeg'), most: sheet.cycleDeg - 0.01 }}
          id={`own-place-${id}`}
          label={`The ${name} is set at, crank degrees`}
          value={value}
          change={change}
        />
      )}
    </>
  )
}
