import { patchValve, withValue } from '../sheetChanges'
import { useSheetEditor } from '../SheetEditor'
import { DegField, MmField } from '../TrustedField'
import { Section } from './Section'

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
