import { SegmentedControl } from '@mantine/core'
import { camSpec, type SpecKey } from '@link-count/core/cams'
import type { Cam } from '@link-count/core/model'
import { fixed, planeFromUp, upFromPlane } from '@link-count/core/units'
import { patchValve, withValue } from '../../sheetChanges'
import { useSheetEditor } from '../../SheetEditor'
import { DegField, DirectionField, MmField } from '../../TrustedField'
import { Choice, Section } from '../Section'
import { LiftTable } from './LiftTable'
import { ShimStock } from './ShimStock'
import { Fold } from '../../../../ui/Fold'

/** What the cams should be: whichever figures the mechanic has; what follows from them, and what contradicts. */
export function CamsSection() {
  const { sheet, apply } = useSheetEditor()
  return (
    <>
      <Section
        title="Valves and lash"
        lead="One set for all inlets and one for all exhausts: whichever figures there are, the rest follows. As printed: before TDC, after BDC and so on; negative ones are legal."
      >
        {(['inlet', 'exhaust'] as const).map((valve) => {
          const cam = sheet.cams.find((one) => one.valve === valve)
          return cam && <Valve key={valve} cam={cam} />
        })}
      </Section>
      <Section title="All cams" lead="Only where the book or the cam card has them.">
        <DegField
          id="separation"
          label="Lobe separation, cam degrees"
          least={60}
          most={160}
          value={sheet.separationDeg}
          change={(value) => (s) => withValue(s, 'separationDeg', value)}
        />
        <DegField
          id="advance"
          label="Advance on the cam card, + is early"
          least={-40}
          most={40}
          value={sheet.advanceDeg}
          change={(value) => (s) => withValue(s, 'advanceDeg', value)}
        />
        <Choice
          label="A late cam is judged by"
          help="Limits of common practice, never mixed; the maker’s manual comes first."
          value={sheet.school ?? ''}
          options={[
            { value: '', label: 'the sheet’s own limit only' },
            { value: 'roadDiesel', label: 'road diesel, single chain' },
            { value: 'marine', label: 'large marine, chain' },
          ]}
          onChoose={(school) => apply((s) => withValue(s, 'school', school === '' ? undefined : school))}
        />
        <ShimStock />
      </Section>
    </>
  )
}

function Valve({ cam }: { cam: Cam }) {
  const { sheet, apply } = useSheetEditor()
  const { valve } = cam
  const name = valve === 'inlet' ? 'Inlet' : 'Exhaust'
  const [opens, closes] = valve === 'inlet' ? ['before TDC', 'after BDC'] : ['before BDC', 'after TDC']
  const set =
    <K extends keyof Cam>(key: K) =>
    (value: Cam[K] | undefined) =>
      patchValve(valve, (one) => withValue(one, key, value))
  return (
    <div className="valve-fields">
      <DegField
        id={`${valve}-opens`}
        label={`${name} opens, ${opens}`}
        least={-90}
        most={180}
        value={cam.opensDeg}
        change={set('opensDeg')}
      />
      <DegField
        id={`${valve}-closes`}
        label={`${name} closes, ${closes}`}
        least={-90}
        most={180}
        value={cam.closesDeg}
        change={set('closesDeg')}
      />
      <MmField
        id={`${valve}-lift`}
        label={`${name}: at a lift of`}
        value={cam.checkingLiftMm}
        change={set('checkingLiftMm')}
      />
      <MmField id={`${valve}-lash`} label={`${name} lash, cold`} value={cam.lashMm} change={set('lashMm')} />
      <MmField
        id={`${valve}-lash-to`}
        label={`${name} lash, up to`}
        help="Where the book gives two figures."
        value={cam.lashToMm}
        change={set('lashToMm')}
      />
      <MmField id={`${valve}-top`} label={`${name} top lift`} value={cam.topLiftMm} change={set('topLiftMm')} />
      <Fold title={<>{name}: more figures</>}>
        <DegField
          id={`${valve}-centre`}
          label={`${name} lobe centre, ${valve === 'inlet' ? 'after' : 'before'} TDC`}
          least={40}
          most={180}
          value={cam.centreDeg}
          change={set('centreDeg')}
        />
        <DegField
          id={`${valve}-duration`}
          label={`${name} open for`}
          least={90}
          most={400}
          value={cam.durationDeg}
          change={set('durationDeg')}
        />
        <MmField
          id={`${valve}-tdc-lift`}
          label={`${name} lift at overlap TDC`}
          value={cam.tdcLiftMm}
          change={set('tdcLiftMm')}
        />
        <DirectionField
          id={`${valve}-clock`}
          label={`${name} lobe points to, at full lift`}
          help="A clock face, seen from the timing side."
          value={cam.fullLiftClock && { ...cam.fullLiftClock, value: planeFromUp(cam.fullLiftClock.value * 30) }}
          change={(value) =>
            set('fullLiftClock')(value && { ...value, value: (((upFromPlane(value.value) / 30) % 12) + 12) % 12 })
          }
        />
        <DegField
          id={`${valve}-rocker`}
          label={`${name} rocker, valve lift to follower lift`}
          help="1.5 when the valve lifts half as much again; nothing when there is no rocker."
          least={0.3}
          most={4}
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
        <LiftTable cam={cam} />
      </Fold>
      <Derived cam={cam} />
      {camSpec(sheet, cam).contradictions.map(({ key, given, derived }) => (
        <p className="warn" role="alert" key={`${key} ${derived}`}>
          {name}, {specWords[key].name}: {figureWords(key, given)} is written, and the other figures make it{' '}
          {figureWords(key, derived)}, {figureWords(key, Math.abs(given - derived))} apart. One of them is another
          cam’s, another lift’s, or a slip.
        </p>
      ))}
    </div>
  )
}

const specWords: Record<SpecKey, { readonly name: string; readonly unit: string; readonly decimals: number }> = {
  opens: { name: 'opens', unit: '°', decimals: 1 },
  closes: { name: 'closes', unit: '°', decimals: 1 },
  duration: { name: 'open for', unit: '°', decimals: 1 },
  centre: { name: 'lobe centre', unit: '°', decimals: 1 },
  topLift: { name: 'top lift', unit: ' mm', decimals: 2 },
  tdcLift: { name: 'lift at overlap TDC', unit: ' mm', decimals: 2 },
}
const figureWords = (key: SpecKey, value: number) => `${fixed(value, specWords[key].decimals)}${specWords[key].unit}`

/** What follows from the figures that are written, marked as such. */
function Derived({ cam }: { cam: Cam }) {
  const { sheet } = useSheetEditor()
  const derived = Object.entries(camSpec(sheet, cam).figures).filter(([, figure]) => figure.from === 'derived')
  if (derived.length === 0) return null
  return (
    <p className="result">
      Follows:{' '}
      {derived
        .map(([key, { value }]) => `${specWords[key as SpecKey].name} ${figureWords(key as SpecKey, value)}`)
        .join(', ')}
      .
    </p>
  )
}
