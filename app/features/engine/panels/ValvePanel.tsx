import { SegmentedControl } from '@mantine/core'
import { useState } from 'react'
import { camSpec, type SpecKey } from '@link-count/core/cams'
import { sheetLimits, type Cam } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { planeFromUp, upFromPlane } from '@link-count/core/units'
import { lobesApart, lobesOf, patchLobes, withValue, type LobeSet, type SheetChange } from '../sheetChanges'
import { useSheetEditor } from '../SheetEditor'
import { DegField, DirectionField, MmField } from '../TrustedField'
import { Choice, Fields } from './fields'
import { LiftTable } from './LiftTable'
import { ShimStock } from './ShimStock'
import { specFigureWords, specWords } from './specWords'
import { ValvesOnCamshafts } from './ValvesOnCamshafts'
import { Fold } from '../../../ui/Fold'

/** What the cams of one kind of valve should be: whichever figures the mechanic has; what follows from them, and what contradicts. For all cylinders alike,
 *  or for one by itself where its lobes are others. */
export function ValvePanel({ valve }: { readonly valve: Cam['valve'] }) {
  const { sheet } = useSheetEditor()
  const [chosen, setChosen] = useState('')
  const cylinderId = sheet.cylinders.some(({ id }) => id === chosen) ? chosen : undefined
  return (
    <Fields lead="Write the figures you have; the rest follows. As printed; negative figures are fine.">
      {sheet.cylinders.length > 1 && (
        <Choice
          label="These figures are for"
          value={cylinderId ?? ''}
          options={[
            { value: '', label: 'all cylinders alike' },
            ...sheet.cylinders.map(({ id, name }) => ({ value: id, label: `cylinder ${name} by itself` })),
          ]}
          onChoose={setChosen}
        />
      )}
      <Valve key={`${valve} ${cylinderId ?? ''}`} set={{ valve, cylinderId }} />
    </Fields>
  )
}

/** What is said of all lobes together, where the book or the cam card has it; shims, and which camshaft works which valve. */
export function CamsPanel() {
  const { sheet } = useSheetEditor()
  return (
    <Fields>
      <DegField
        example="108°"
        limits={sheetLimits('separationDeg')}
        id="separation"
        label="Lobe separation, cam degrees"
        value={sheet.separationDeg}
        change={(value) => (s) => withValue(s, 'separationDeg', value)}
      />
      <DegField
        example="4°"
        limits={sheetLimits('advanceDeg')}
        id="advance"
        label="Advance on the cam card, + is early"
        value={sheet.advanceDeg}
        change={(value) => (s) => withValue(s, 'advanceDeg', value)}
      />
      <ShimStock />
      <ValvesOnCamshafts />
    </Fields>
  )
}

/** What the fields of a set of lobes share. */
interface LobeFields {
  readonly lobes: LobeSet
  readonly cam: Cam
  /** Of the fields' ids. */
  readonly prefix: string
  readonly name: string
  readonly set: <K extends keyof Cam>(field: K) => (value: Cam[K] | undefined) => SheetChange
}

function Valve({ set: lobes }: { set: LobeSet }) {
  const { sheet } = useSheetEditor()
  const [cam] = lobesOf(sheet, lobes)
  if (!cam) return null
  const { valve, cylinderId } = lobes
  const of = cylinderId === undefined ? '' : ` of ${partsOf(sheet).cylinder(cylinderId)?.name ?? ''}`
  const fields: LobeFields = {
    lobes,
    cam,
    prefix: cylinderId === undefined ? valve : `${valve}-${cylinderId}`,
    name: `${valve === 'inlet' ? 'Inlet' : 'Exhaust'}${of}`,
    set: (field) => (value) => patchLobes(lobes, (one) => withValue(one, field, value)),
  }
  return (
    <>
      <LobesApart lobes={lobes} />
      <UsualFigures {...fields} />
      <MoreFigures {...fields} />
      <Derived cam={cam} />
      <Contradictions cam={cam} name={fields.name} />
    </>
  )
}

function LobesApart({ lobes }: { lobes: LobeSet }) {
  const { sheet } = useSheetEditor()
  const apart = lobesApart(sheet, lobes)
  if (apart.length === 0) return null
  return (
    <p className="warn">
      {apart.map((one) => one.name).join(', ')} {apart.length > 1 ? 'have' : 'has'} other figures than these. What is
      written here goes to every one.
    </p>
  )
}

/** What a book prints of a valve. */
function UsualFigures({ lobes: { valve }, cam, prefix, name, set }: LobeFields) {
  const [opens, closes] = valve === 'inlet' ? ['before TDC', 'after BDC'] : ['before BDC', 'after TDC']
  return (
    <>
      <DegField
        example="12°"
        limits={sheetLimits('cams', 'opensDeg')}
        id={`${prefix}-opens`}
        label={`${name} opens, ${opens}`}
        value={cam.opensDeg}
        change={set('opensDeg')}
      />
      <DegField
        example="48°"
        limits={sheetLimits('cams', 'closesDeg')}
        id={`${prefix}-closes`}
        label={`${name} closes, ${closes}`}
        value={cam.closesDeg}
        change={set('closesDeg')}
      />
      <MmField
        example="1 mm, 40 thou"
        limits={sheetLimits('cams', 'checkingLiftMm')}
        id={`${prefix}-lift`}
        label={`${name}: at a lift of`}
        value={cam.checkingLiftMm}
        change={set('checkingLiftMm')}
      />
      <MmField
        example="0.20 mm, 8 thou"
        limits={sheetLimits('cams', 'lashMm')}
        id={`${prefix}-lash`}
        label={`${name} lash, cold`}
        value={cam.lashMm}
        change={set('lashMm')}
      />
      <MmField
        example="0.20 mm, 8 thou"
        limits={sheetLimits('cams', 'lashToMm')}
        id={`${prefix}-lash-to`}
        label={`${name} lash, up to`}
        help="Where the book gives two figures."
        value={cam.lashToMm}
        change={set('lashToMm')}
      />
      <MmField
        example="9.2 mm, 23/64 in"
        limits={sheetLimits('cams', 'topLiftMm')}
        id={`${prefix}-top`}
        label={`${name} top lift`}
        value={cam.topLiftMm}
        change={set('topLiftMm')}
      />
    </>
  )
}

/** What only a cam card has, or some other way of judging a cam needs. */
function MoreFigures({ lobes, cam, prefix, name, set }: LobeFields) {
  const { apply } = useSheetEditor()
  return (
    <Fold title={<>{name}: more figures</>}>
      <DegField
        example="108°"
        limits={sheetLimits('cams', 'centreDeg')}
        id={`${prefix}-centre`}
        label={`${name} lobe centre, ${lobes.valve === 'inlet' ? 'after' : 'before'} TDC`}
        value={cam.centreDeg}
        change={set('centreDeg')}
      />
      <DegField
        example="240°"
        limits={sheetLimits('cams', 'durationDeg')}
        id={`${prefix}-duration`}
        label={`${name} open for`}
        value={cam.durationDeg}
        change={set('durationDeg')}
      />
      <MmField
        example="1.6 mm"
        limits={sheetLimits('cams', 'tdcLiftMm')}
        id={`${prefix}-tdc-lift`}
        label={`${name} lift at overlap TDC`}
        value={cam.tdcLiftMm}
        change={set('tdcLiftMm')}
      />
      <DirectionField
        id={`${prefix}-clock`}
        label={`${name} lobe points to, at full lift`}
        help="A clock face, seen from the timing side."
        value={cam.fullLiftClock && { ...cam.fullLiftClock, value: planeFromUp(cam.fullLiftClock.value * 30) }}
        change={(value) =>
          set('fullLiftClock')(value && { ...value, value: (((upFromPlane(value.value) / 30) % 12) + 12) % 12 })
        }
      />
      <DegField
        example="1.5"
        limits={sheetLimits('cams', 'rockerRatio')}
        id={`${prefix}-rocker`}
        label={`${name} rocker, valve lift to follower lift`}
        help="1.5 when the valve lifts half as much again; nothing when there is no rocker."
        value={cam.rockerRatio}
        change={set('rockerRatio')}
      />
      <SegmentedControl
        aria-label={`${name} lifts are measured at`}
        value={cam.measuredAt ?? 'valve'}
        onChange={(at) => apply(set('measuredAt')(at as 'valve'))}
        data={[
          { value: 'valve', label: 'Lifts at the valve' },
          { value: 'follower', label: 'At the follower' },
        ]}
      />
      <LiftTable cam={cam} set={lobes} />
    </Fold>
  )
}

function Contradictions({ cam, name }: { cam: Cam; name: string }) {
  const { sheet } = useSheetEditor()
  return camSpec(sheet, cam).contradictions.map(({ key, given, derived }) => (
    <p className="warn" role="alert" key={`${key} ${derived}`}>
      {name}, {specWords[key].name}: {specFigureWords(key, given)} is written, and the other figures make it{' '}
      {specFigureWords(key, derived)}, {specFigureWords(key, Math.abs(given - derived))} apart. One of them is another
      cam’s, another lift’s, or a slip.
    </p>
  ))
}

/** What follows from the figures that are written, marked as such. */
function Derived({ cam }: { cam: Cam }) {
  const { sheet } = useSheetEditor()
  const derived = Object.entries(camSpec(sheet, cam).figures).filter(([, figure]) => figure.from === 'derived')
  if (derived.length === 0) return null
  return (
    <p className="result">
      Follows:{' '}
      {derived
        .map(([key, { value }]) => `${specWords[key as SpecKey].name} ${specFigureWords(key as SpecKey, value)}`)
        .join(', ')}
      .
    </p>
  )
}
