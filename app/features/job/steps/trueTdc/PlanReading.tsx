import { lazy, Suspense } from 'react'
import { scaleSigmaDeg } from '@link-count/core/degreeWheel'
import { DEFAULT_SCALE } from '@link-count/core/ledger'
import type { Step } from '@link-count/core/runSheet'
import { fixed, formatMm } from '@link-count/core/units'
import { planDial, planStop, rodDoubt } from '@link-count/core/zero'
import { useBench } from '../../JobContext'
import { Fold } from '../../../../ui/Fold'
import './PlanReading.css'

const DialPlanChart = lazy(() => import('./DialPlanChart'))

/** Before anything is fitted: how long a stop, how much ± it will give, and at what drop a dial is best read. */
export function PlanReading({ step: _step }: { readonly step: Step }) {
  const { sheet, state } = useBench().view
  const strokeMm = sheet.strokeMm?.value
  const rodMm = sheet.rodMm?.value
  const wheelSigmaDeg = scaleSigmaDeg(state.degreeWheel ?? DEFAULT_SCALE)
  const readToMm = state.zeros.dialReadToMm
  const stop = planStop({
    strokeMm,
    rodMm,
    plugDepthMm: sheet.plugDepthMm?.value,
    plugAngleDeg: sheet.plugAngleDeg?.value,
  })
  const dial = planDial({ strokeMm, rodMm, wheelSigmaDeg, readToMm })
  const doubt = strokeMm !== undefined && rodMm === undefined ? rodDoubt(strokeMm, 25) : undefined
  return (
    <Fold title="Plan the reading" note={strokeMm === undefined ? 'needs the stroke' : 'stop and dial'}>
      {(!stop || !dial) && <p>With the stroke on the build sheet the stop and the drop can be worked out.</p>}
      {stop && (
        <>
          <p>
            A stop gives ± {fixed(Math.SQRT2 * wheelSigmaDeg, 2)}° on this wheel (two sigma), wherever it meets the
            piston.
          </p>
          <table className="plan-table">
            <thead>
              <tr>
                <th scope="col">Contact from the top</th>
                <th scope="col">Piston down</th>
                <th scope="col">Stop below its seat</th>
              </tr>
            </thead>
            <tbody>
              {stop.map(({ contactDeg, dropMm, protrusionMm }) => (
                <tr key={contactDeg}>
                  <td>{contactDeg}°</td>
                  <td>{formatMm(dropMm, 1)}</td>
                  <td>
                    {protrusionMm === undefined
                      ? '—'
                      : protrusionMm.most - protrusionMm.least < 0.05
                        ? formatMm(protrusionMm.least, 1)
                        : `${fixed(protrusionMm.least, 1)} to ${formatMm(protrusionMm.most, 1)}`}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {sheet.plugDepthMm === undefined && (
            <p className="soft">
              Probe from the plug’s seat to the crown at the top and put it on the build sheet: then the stop’s length
              is known.
            </p>
          )}
        </>
      )}
      {dial && (
        <>
          <p>
            A dial read to {formatMm(readToMm, readToMm < 0.03 ? 3 : 2)} is best read from{' '}
            <strong>{formatMm(dial.fromDropMm, 1)}</strong> of drop on: below that the needle is the weak part, beyond
            it the wheel is.
          </p>
          <Suspense fallback={null}>
            <DialPlanChart points={dial.points} fromDropMm={dial.fromDropMm} />
          </Suspense>
        </>
      )}
      {doubt && (
        <p className="soft">
          The rod is not known. For TDC by halving that is nothing. For a spark set by piston drop it matters: 25°
          before TDC is {doubt.dropsMm.map((mm) => fixed(mm, 2)).join(', ')} mm with a rod of 1.5, 1.75 and 2.2 strokes,{' '}
          {fixed(doubt.spreadDeg, 1)}° from one end to the other.
        </p>
      )}
    </Fold>
  )
}
