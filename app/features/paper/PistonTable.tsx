import { lazy, Suspense } from 'react'
import { makeSliderCrank, type SliderCrank } from '@link-count/core/kinematics'
import { entryLimits, typedLimits, type BuildSheet } from '@link-count/core/model'
import { pistonTable, type PistonRow } from '@link-count/core/rim'
import { fixed, formatInches, formatMm } from '@link-count/core/units'
import { USUAL_ROD_RATIO } from '@link-count/core/zero'
import { DegreesInput, LengthInput, useDegreesField, useLengthField } from '../../ui/fields'
import { sliderCrankWords } from '../../ui/wording'

const PistonChart = lazy(() => import('./PistonChart'))

/** Degrees before TDC to millimetres of piston and back, as a sum, a table and a chart. */
export function PistonTable({ sheet, keyPrefix }: { readonly sheet: BuildSheet; readonly keyPrefix: string }) {
  const { strokeMm, rodMm, pinOffsetMm } = sheet
  if (!strokeMm) {
    return (
      <section className="paper-part">
        <h2>Piston and crank</h2>
        <p>With the stroke on the build sheet, degrees become millimetres of piston here.</p>
      </section>
    )
  }
  const size = {
    strokeMm: strokeMm.value,
    rodMm: rodMm?.value ?? strokeMm.value * USUAL_ROD_RATIO,
    pinOffsetMm: pinOffsetMm?.value ?? 0,
  }
  const crank = makeSliderCrank(size)
  const table = pistonTable(size, { stepDeg: 5, mostDeg: 60 })
  if (!crank.ok || !table.ok) {
    return (
      <section className="paper-part">
        <h2>Piston and crank</h2>
        <p className="field-error">{crank.ok ? '' : sliderCrankWords(crank.error)}</p>
      </section>
    )
  }
  return (
    <section className="paper-part">
      <h2>Piston and crank</h2>
      {!rodMm && (
        <p className="warn">
          The rod is not known: worked with {USUAL_ROD_RATIO} strokes, which is usual. Between 1.5 and 2.2 strokes a
          drop is some tenths of a degree out.
        </p>
      )}
      <BothWays sheet={sheet} crank={crank.value} keyPrefix={keyPrefix} />
      <Suspense fallback={null}>
        <PistonChart rows={table.value} />
      </Suspense>
      <Rows rows={table.value} />
      <p className="soft">
        Slider-crank with {rodMm ? 'the sheet’s rod' : 'a usual rod'}
        {size.pinOffsetMm === 0 ? '' : ' and its offset pin'}; the drop is as exact as stroke and rod are.
      </p>
    </section>
  )
}

/** Degrees to millimetres, and millimetres to degrees. */
function BothWays({
  sheet,
  crank,
  keyPrefix,
}: {
  readonly sheet: BuildSheet
  readonly crank: SliderCrank
  readonly keyPrefix: string
}) {
  const degrees = useDegreesField(`${keyPrefix}:deg`, typedLimits.halfTurnDeg, '28')
  const drop = useLengthField(`${keyPrefix}:drop`, entryLimits('dialPair', 'dropMm'))
  const downMm = degrees.value === undefined ? undefined : crank.dropMm(-degrees.value)
  const atDeg = drop.value && crank.degAtDrop(drop.value.value, 'before')
  return (
    <div className="fields">
      <div>
        <DegreesInput field={degrees} label="Degrees before TDC" />
        {downMm !== undefined && (
          <p className="result">
            <span className="reading">{formatMm(downMm)}</span> below the top{' '}
            <span className="soft">
              {formatInches(downMm)}
              {sheet.rimMm &&
                degrees.value !== undefined &&
                `; ${formatMm((degrees.value * sheet.rimMm.value) / 360, 1)} of rim`}
            </span>
          </p>
        )}
      </div>
      <div>
        <LengthInput example="5 mm, 200 thou" field={drop} label="Piston below its top" />
        {drop.value && (
          <p className="result">
            {atDeg === undefined ? (
              'The piston never stands that far down.'
            ) : (
              <>
                <span className="reading">{fixed(-atDeg, 2)}°</span> before TDC
              </>
            )}
          </p>
        )}
      </div>
    </div>
  )
}

const Rows = ({ rows }: { readonly rows: readonly PistonRow[] }) => (
  <table className="paper-table">
    <thead>
      <tr>
        <th scope="col">Degrees</th>
        <th scope="col">Before TDC</th>
        <th scope="col">After TDC</th>
      </tr>
    </thead>
    <tbody>
      {rows.slice(1).map(({ deg, beforeMm, afterMm }) => (
        <tr key={deg}>
          <th scope="row">{deg}°</th>
          <td className="reading">{formatMm(beforeMm)}</td>
          <td className="reading">{formatMm(afterMm)}</td>
        </tr>
      ))}
    </tbody>
  </table>
)
