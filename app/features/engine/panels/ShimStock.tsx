import { Button } from '@mantine/core'
import { sheetLimits } from '@link-count/core/model'
import { LengthInput, useLengthField } from '../../../ui/fields'
import { withValue } from '../sheetChanges'
import { useSheetEditor } from '../SheetEditor'

/** Lash set by shims: the thinnest, the thickest, and the step they come in. */
export function ShimStock() {
  const { sheet, engineId, apply } = useSheetEditor()
  const { shims } = sheet
  const key = `sheet:${engineId}:shims`
  const least = useLengthField(`${key}:least`, sheetLimits('shims', 'leastMm'), shims ? `${shims.leastMm} mm` : '')
  const most = useLengthField(`${key}:most`, sheetLimits('shims', 'mostMm'), shims ? `${shims.mostMm} mm` : '')
  const step = useLengthField(`${key}:step`, sheetLimits('shims', 'stepMm'), shims ? `${shims.stepMm} mm` : '')
  const fields = [least, most, step]
  const [leastMm, mostMm, stepMm] = fields.map(({ value }) => value?.value)
  const known = leastMm !== undefined && mostMm !== undefined && stepMm !== undefined
  const wrong =
    known && (mostMm <= leastMm || stepMm > mostMm - leastMm || stepMm < 0.001 || leastMm < 0.1 || mostMm > 30)
  const save = () => {
    for (const field of fields) field.ask()
    if (!known || wrong) return
    void apply((s) => ({ ...s, shims: { leastMm, mostMm, stepMm } }), fields)
  }
  return (
    <details className="section wide-field">
      <summary>
        Lash by shims{' '}
        <span className="soft">
          {shims ? `${shims.leastMm} to ${shims.mostMm} mm by ${shims.stepMm}` : 'not on this engine'}
        </span>
      </summary>
      <div className="section-body stack">
        <LengthInput example="2.00 mm" field={least} label="Thinnest shim you can buy" />
        <LengthInput example="3.00 mm" field={most} label="Thickest shim you can buy" />
        <LengthInput example="0.05 mm" field={step} label="They come in steps of" />
        {wrong && <p className="field-error">The thickest must be thicker than the thinnest, by a step or more.</p>}
        <div className="row">
          <Button variant="default" onClick={save}>
            Set by these shims
          </Button>
          {shims && (
            <Button variant="quiet" onClick={() => void apply((s) => withValue(s, 'shims', undefined))}>
              No shims on this engine
            </Button>
          )}
        </div>
      </div>
    </details>
  )
}
