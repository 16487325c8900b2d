import { NativeSelect, SegmentedControl, TextInput } from '@mantine/core'
import { useState, type ReactNode } from 'react'
import { makeSliderCrank } from '@link-count/core/kinematics'
import type { BuildSheet } from '@link-count/core/model'
import { PART_IDS as ids } from '@link-count/core/starters'
import { upFromPlane, type Hand } from '@link-count/core/units'
import { useDraft } from '../../ui/fields'
import { sliderCrankWords } from '../../ui/wording'
import {
  firingFromOrder,
  patchCylinder,
  patchLoop,
  patchMark,
  patchMember,
  patchShaft,
  patchValve,
  setPolar,
  withValue,
} from './sheetChanges'
import { useSheetEditor } from './SheetEditor'
import { DegField, DirectionField, MmField, WholeField } from './TrustedField'

function Section({ title, lead, children }: { title: string; lead?: string; children: ReactNode }) {
  return (
    <section className="sheet-section">
      <h2>{title}</h2>
      {lead && <p className="soft">{lead}</p>}
      <div className="fields">{children}</div>
    </section>
  )
}

/** A choice among words; what is not known is one of them. */
function Choice<V extends string>({
  label,
  help,
  value,
  options,
  onChoose,
}: {
  label: string
  help?: string
  value: V
  options: readonly { value: V; label: string }[]
  onChoose: (value: V) => void
}) {
  return (
    <NativeSelect
      label={label}
      description={help}
      inputWrapperOrder={['label', 'input', 'description', 'error']}
      value={value}
      onChange={(event) => onChoose(event.currentTarget.value as V)}
      data={[...options]}
    />
  )
}

/** Plain words on the sheet: saved when the field is left; an empty one goes back to what it was. */
function WordsField({
  id,
  label,
  value,
  save,
}: {
  id: string
  label: string
  value: string
  save: (text: string) => void
}) {
  const { engineId } = useSheetEditor()
  const draft = useDraft(`sheet:${engineId}:${id}`, value)
  const leave = () => {
    if (draft.text.trim() !== '' && draft.text.trim() !== value) save(draft.text.trim())
    draft.drop()
  }
  return (
    <TextInput
      label={label}
      value={draft.text}
      onChange={(event) => draft.setText(event.currentTarget.value)}
      onBlur={leave}
      maxLength={60}
    />
  )
}

const hands = [
  { value: 'unknown', label: 'not known yet' },
  { value: 'clockwise', label: 'clockwise' },
  { value: 'anticlockwise', label: 'anticlockwise' },
] as const

export function RunningSection() {
  const { sheet, apply } = useSheetEditor()
  return (
    <Section
      title="How it runs"
      lead="Timing side: the side that the chain is on. Everything is kept as seen from there and shown for where you stand."
    >
      <WordsField
        id="side-timing"
        label="You call the timing side"
        value={sheet.sides.timing}
        save={(text) => apply((s) => ({ ...s, sides: { ...s.sides, timing: text } }))}
      />
      <WordsField
        id="side-opposite"
        label="And the other side"
        value={sheet.sides.opposite}
        save={(text) => apply((s) => ({ ...s, sides: { ...s.sides, opposite: text } }))}
      />
      <Choice
        label="The crank runs, seen from the timing side"
        value={sheet.running?.value ?? 'unknown'}
        options={hands}
        onChoose={(value) =>
          apply((s) =>
            withValue(
              s,
              'running',
              value === 'unknown' ? undefined : { value: value as Hand, typed: value, trust: 'measured' },
            ),
          )
        }
      />
      <Choice
        label="Can valves and pistons meet?"
        help="Not known is treated as yes."
        value={sheet.interference.value}
        options={[
          { value: 'unknown', label: 'not known' },
          { value: 'yes', label: 'yes, interference' },
          { value: 'no', label: 'no, free-running' },
        ]}
        onChoose={(value) =>
          apply((s) => ({
            ...s,
            interference: { value, typed: value, trust: value === 'unknown' ? 'unknown' : 'manual' },
          }))
        }
      />
      <Choice
        label="Burns"
        value={sheet.fuel}
        options={[
          { value: 'petrol', label: 'petrol' },
          { value: 'paraffin', label: 'paraffin' },
          { value: 'diesel', label: 'diesel' },
          { value: 'gas', label: 'gas' },
        ]}
        onChoose={(fuel) => apply((s) => ({ ...s, fuel }))}
      />
      <Choice
        label="Started by"
        value={sheet.starting}
        options={[
          { value: 'battery', label: 'a starter' },
          { value: 'hand', label: 'hand' },
          { value: 'air', label: 'air' },
        ]}
        onChoose={(starting) => apply((s) => ({ ...s, starting }))}
      />
      <DegField
        id="trim"
        label="Trim allowed with the chain off"
        help="Degrees either way at the pose. 4° is usual; common practice, no source."
        least={0}
        most={30}
        value={sheet.trimDeg}
        change={(value) => (s) => withValue(s, 'trimDeg', value)}
      />
      <DegField
        id="tolerance"
        label="Cam may be out by, at the crank"
        help="What the book or this workshop allows. Without it a cam is judged to whole teeth only."
        least={0}
        most={60}
        value={sheet.toleranceDeg}
        change={(value) => (s) => withValue(s, 'toleranceDeg', value)}
      />
    </Section>
  )
}

export function CrankSection() {
  const { sheet } = useSheetEditor()
  const { strokeMm, rodMm, pinOffsetMm } = sheet
  const made =
    strokeMm &&
    rodMm &&
    makeSliderCrank({ strokeMm: strokeMm.value, rodMm: rodMm.value, pinOffsetMm: pinOffsetMm?.value ?? 0 })
  const positive = (valueMm: number) => (valueMm > 0 ? undefined : 'It has to be more than nothing.')
  return (
    <Section
      title="Crank and piston"
      lead="Halving stop contacts needs none of this. It is wanted for the pin offset and for a spark set by piston drop."
    >
      <MmField
        id="stroke"
        label="Stroke"
        value={strokeMm}
        change={(value) => (s) => withValue(s, 'strokeMm', value)}
        check={positive}
      />
      <MmField
        id="rod"
        label="Rod, centre to centre"
        value={rodMm}
        change={(value) => (s) => withValue(s, 'rodMm', value)}
        check={positive}
      />
      <MmField
        id="offset"
        label="Wrist-pin offset"
        help="Plus: towards the side the crankpin moves to after TDC. None is the rule."
        value={pinOffsetMm}
        change={(value) => (s) => withValue(s, 'pinOffsetMm', value)}
      />
      {made && !made.ok && (
        <p className="field-error wide-field" role="alert">
          {sliderCrankWords(made.error)}
        </p>
      )}
    </Section>
  )
}

export function CylindersSection() {
  const { sheet, apply, engineId } = useSheetEditor()
  const order = useDraft(`sheet:${engineId}:order`)
  const [refused, setRefused] = useState(false)
  if (sheet.cylinders.length === 1) return null
  const take = () => {
    if (order.text.trim() === '') return
    const change = firingFromOrder(sheet, order.text)
    setRefused(!change)
    if (!change) return
    apply(change)
    order.drop()
  }
  return (
    <Section
      title="Cylinders"
      lead="Firing TDC of each after cylinder 1, the way it runs. An order fills them evenly; uneven ones are written one by one."
    >
      {sheet.cylinders.length > 2 && (
        <TextInput
          label="Firing order"
          placeholder="1-3-2"
          value={order.text}
          onChange={(event) => order.setText(event.currentTarget.value)}
          onBlur={take}
          onKeyDown={(event) => event.key === 'Enter' && take()}
          error={
            refused ? `An order names each of ${sheet.cylinders.map(({ name }) => name).join(', ')} once.` : undefined
          }
          description="Fills the fields beside it."
          inputWrapperOrder={['label', 'input', 'description', 'error']}
          maxLength={40}
        />
      )}
      {sheet.cylinders.slice(1).map((cylinder) => (
        <DegField
          key={cylinder.id}
          id={`firing-${cylinder.id}`}
          label={`Firing TDC of ${cylinder.name}, degrees after 1`}
          help={
            sheet.cylinders.length === 2
              ? 'Both pistons up together: 360. One up, one down: 180 or 540; the order alone does not say which.'
              : ''
          }
          least={0}
          most={719.99}
          value={cylinder.firingDeg && { ...cylinder.firingDeg, typed: String(cylinder.firingDeg.value) }}
          change={(value) => patchCylinder(cylinder.id, (one) => withValue(one, 'firingDeg', value))}
        />
      ))}
    </Section>
  )
}

export function DriveSection() {
  const { sheet } = useSheetEditor()
  const member = (id: string) => sheet.members.find((one) => one.id === id)
  const loop = sheet.loops.find(({ id }) => id === ids.chain)
  const cam = sheet.shafts.find(({ id }) => id === ids.cam)
  const polar = cam?.position?.how === 'polar' ? cam.position : undefined
  const guide = member(ids.guide)
  const guidePolar = guide?.position?.how === 'polar' ? guide.position : undefined
  return (
    <Section
      title="Chain and sprockets"
      lead="Counts alone are a full way of working. With the distances the drive is drawn to scale and the expected count is worked out."
    >
      <WholeField
        id="crank-teeth"
        label="Teeth, crank sprocket"
        least={5}
        most={400}
        value={member(ids.crankSprocket)?.teeth}
        change={(value) => patchMember(ids.crankSprocket, (one) => withValue(one, 'teeth', value))}
      />
      <WholeField
        id="cam-teeth"
        label="Teeth, cam sprocket"
        least={5}
        most={400}
        value={member(ids.camSprocket)?.teeth}
        change={(value) => patchMember(ids.camSprocket, (one) => withValue(one, 'teeth', value))}
      />
      <MmField
        id="pitch"
        label="Chain pitch"
        help="Over ten pitches, divided by ten: 9.525 mm is 3/8 in."
        value={loop?.pitchMm}
        change={(value) => patchLoop(ids.chain, (one) => withValue(one, 'pitchMm', value))}
      />
      <WholeField
        id="links"
        label="Pitches in the whole chain"
        help="Roller to roller is one pitch. Even, unless there is a cranked link."
        least={6}
        most={2000}
        value={loop?.pitches}
        change={(value) => patchLoop(ids.chain, (one) => withValue(one, 'pitches', value))}
      />
      <MmField
        id="distance"
        label="Crank centre to cam centre"
        value={polar?.distanceMm}
        change={(value) => patchShaft(ids.cam, setPolar('distanceMm', value))}
      />
      <DirectionField
        id="direction"
        label="Cam stands towards"
        help="From the crank, seen from the timing side: a clock face, or degrees clockwise from straight up."
        value={polar?.directionDeg}
        change={(value) => patchShaft(ids.cam, setPolar('directionDeg', value))}
      />
      {member(ids.tensioner) && (
        <MmField
          id="tensioner-radius"
          label="Tensioner shoe, radius to the pin line"
          help="Where it stands is worked out from the slack it has to take up."
          value={member(ids.tensioner)?.radiusMm}
          change={(value) => patchMember(ids.tensioner, (one) => withValue(one, 'radiusMm', value))}
        />
      )}
      {guide && (
        <>
          <MmField
            id="guide-distance"
            label="Guide: crank centre to the centre of its curve"
            value={guidePolar?.distanceMm}
            change={(value) => patchMember(ids.guide, setPolar('distanceMm', value))}
          />
          <DirectionField
            id="guide-direction"
            label="Guide: that centre lies towards"
            value={guidePolar?.directionDeg}
            change={(value) => patchMember(ids.guide, setPolar('directionDeg', value))}
          />
          <MmField
            id="guide-radius"
            label="Guide: radius to the pin line"
            value={guide.radiusMm}
            change={(value) => patchMember(ids.guide, (one) => withValue(one, 'radiusMm', value))}
          />
        </>
      )}
    </Section>
  )
}

const MARKS = [
  { id: ids.crankMark, words: 'Crank mark' },
  { id: ids.camMark, words: 'Cam mark' },
] as const

export function MarksSection() {
  const { sheet, apply } = useSheetEditor()
  const pose = sheet.referencePose
  return (
    <Section
      title="Marks and the pose"
      lead="The pose is where the marks meet. It belongs to this engine: firing TDC, overlap TDC, or some other place."
    >
      <Choice
        label="The marks are cut for"
        value={pose.event}
        options={[
          { value: 'firingTdc', label: 'firing TDC of cylinder 1' },
          { value: 'overlapTdc', label: 'overlap TDC of cylinder 1' },
          { value: 'other', label: 'another place of the crank' },
        ]}
        onChoose={(event) =>
          apply((s) => ({
            ...s,
            referencePose: {
              ...s.referencePose,
              event,
              crankDeg:
                event === 'other'
                  ? s.referencePose.crankDeg
                  : { value: event === 'overlapTdc' ? 360 : 0, typed: event, trust: 'manual' },
            },
          }))
        }
      />
      {pose.event === 'other' && (
        <DegField
          id="pose"
          label="The pose, crank degrees after firing TDC of 1"
          least={0}
          most={719.99}
          value={pose.crankDeg}
          change={(value) => (s) => (value ? { ...s, referencePose: { ...s.referencePose, crankDeg: value } } : s)}
        />
      )}
      {MARKS.map(({ id, words }) => {
        const mark = sheet.marks.find((one) => one.id === id)
        const points = mark?.pointsAtDeg
        return (
          <div className="mark-fields" key={id}>
            <DirectionField
              id={`points-${id}`}
              label={`${words} points to, in the pose`}
              help={
                points
                  ? `= ${upFromPlane(points.value).toFixed(1)}° clockwise from straight up, seen from the timing side`
                  : 'Seen from the timing side: a clock face, or degrees clockwise from straight up.'
              }
              value={points}
              change={(value) => patchMark(id, (one) => withValue(one, 'pointsAtDeg', value))}
            />
            <div>
              <p className="field-label">{words} stands at a</p>
              <SegmentedControl
                aria-label={`${words} stands at a`}
                value={mark && mark.halfTeeth % 2 === 1 ? 'tip' : 'gap'}
                onChange={(seat) => apply(patchMark(id, (one) => ({ ...one, halfTeeth: seat === 'tip' ? 1 : 0 })))}
                data={[
                  { value: 'gap', label: 'tooth gap' },
                  { value: 'tip', label: 'tooth tip' },
                ]}
              />
            </div>
          </div>
        )
      })}
      <WordsField
        id="meets"
        label="The cam mark meets"
        value={sheet.marks.find(({ id }) => id === ids.camMark)?.meets ?? ''}
        save={(text) => apply(patchMark(ids.camMark, (one) => ({ ...one, meets: text })))}
      />
      <BookCountField />
    </Section>
  )
}

function BookCountField() {
  const { sheet } = useSheetEditor()
  const count = sheet.counts.find(({ id }) => id === ids.tightCount || id === `${ids.chain}-tight`)
  const kept = {
    id: ids.tightCount,
    loopId: ids.chain,
    fromMarkId: ids.camMark,
    toMarkId: ids.crankMark,
    run: 'tight' as const,
  }
  return (
    <DegField
      id="book-count"
      label="Pitches from cam mark to crank mark, tight run"
      help="If the book or an earlier job gives it. Halves are right between a tip and a gap."
      least={0}
      most={2000}
      value={count?.pitches}
      change={(value) => (s: BuildSheet) => ({
        ...s,
        counts: value ? [{ ...kept, pitches: { ...value, value: Math.round(value.value * 2) / 2 } }] : [],
      })}
    />
  )
}

export function CamsSection() {
  const { sheet } = useSheetEditor()
  return (
    <Section
      title="Valves and lash"
      lead="One set for all inlets and one for all exhausts. Openings and closings as printed: before TDC, after BDC and so on; negative ones are legal."
    >
      {(['inlet', 'exhaust'] as const).map((valve) => {
        const cam = sheet.cams.find((one) => one.valve === valve)
        if (!cam) return null
        const name = valve === 'inlet' ? 'Inlet' : 'Exhaust'
        const [opens, closes] = valve === 'inlet' ? ['before TDC', 'after BDC'] : ['before BDC', 'after TDC']
        return (
          <div className="valve-fields" key={valve}>
            <DegField
              id={`${valve}-opens`}
              label={`${name} opens, ${opens}`}
              least={-90}
              most={180}
              value={cam.opensDeg}
              change={(value) => patchValve(valve, (one) => withValue(one, 'opensDeg', value))}
            />
            <DegField
              id={`${valve}-closes`}
              label={`${name} closes, ${closes}`}
              least={-90}
              most={180}
              value={cam.closesDeg}
              change={(value) => patchValve(valve, (one) => withValue(one, 'closesDeg', value))}
            />
            <MmField
              id={`${valve}-lift`}
              label={`${name}: at a lift of`}
              value={cam.checkingLiftMm}
              change={(value) => patchValve(valve, (one) => withValue(one, 'checkingLiftMm', value))}
            />
            <MmField
              id={`${valve}-lash`}
              label={`${name} lash, cold`}
              value={cam.lashMm}
              change={(value) => patchValve(valve, (one) => withValue(one, 'lashMm', value))}
            />
          </div>
        )
      })}
    </Section>
  )
}
