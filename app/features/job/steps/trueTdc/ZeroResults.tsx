import { lazy, Suspense } from 'react'
import { partsOf } from '@link-count/core/sheet'
import { explainDrift } from '@link-count/core/zero'
import type { JobState } from '@link-count/core/ledger'
import { fixed } from '@link-count/core/units'
import { wheelAsSeen, ZeroFigure } from '../../../../ui/job'
import { driftWords, lacksWords, methodWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { Word } from '../../../../ui/Word'
import './ZeroResults.css'

const ReadingsChart = lazy(() => import('./ReadingsChart'))

/** The zero with its ±, every reading behind it on one scale, what does not fit and why, and what would prove it. */
export function ZeroResults() {
  const { view } = useBench()
  const { state, sheet } = view
  const { zero, zeroReadings, zeros } = state
  const waiting = zeros.unplaced.length > 0 && (
    <p className="field-error" role="alert">
      Read on a cylinder whose place on the crank is not known: it counts as soon as the build sheet has its axis and
      its throw.
    </p>
  )
  if (!zero) return waiting || null
  const name = partsOf(sheet).cylinder(sheet.zeroCylinderId)?.name ?? ''
  const { strokeMm, rodMm } = sheet
  const size = strokeMm && rodMm && { strokeMm: strokeMm.value, rodMm: rodMm.value }
  const drift = driftWords(
    explainDrift(
      zeroReadings.filter(({ method }) => method === 'dial'),
      size,
    ),
    state,
  )
  return (
    <div className="result">
      {waiting}
      <p>
        {sheet.cylinders.length > 1 ? `TDC of ${name}: ` : 'Zero: '}
        <ZeroFigure view={view} />{' '}
        {zero.proved ? (
          <span className="proved">proved</span>
        ) : (
          <span className="soft">read, {zero.lacks === 'narrowness' ? lacksWords(zero) : witnessWords(zero)}</span>
        )}
      </p>
      <Readings zero={zero} />
      {zeroReadings.length > 1 && (
        <Suspense fallback={null}>
          <ReadingsChart />
        </Suspense>
      )}
      {zero.playDeg > 0.3 * zero.plusMinusDeg && (
        <p className="warn">
          {fixed(zero.playDeg, 1)}° of that ± is play in the bearings: pairs were read turning one way. Come to each
          drop from both ways to be rid of it.
        </p>
      )}
      {zero.widenedBy === 'scatter' && (
        <p className="warn">
          They scatter more than their own ± allows, so the ± is taken from the scatter, with Student’s factor for so
          few.
        </p>
      )}
      {zero.widenedBy === 'contradiction' && (
        <p className="warn">The two contradict each other and neither can be told wrong: take one of them again.</p>
      )}
      {drift && <p className="warn">{drift}</p>}
      {zero.lacks === 'narrowness' ? (
        <p className="warn">
          Two witnesses agree, and ± {fixed(zero.plusMinusDeg, 1)}° is too wide to set cams by: take it by the stop or
          by pairs on the dial.
        </p>
      ) : (
        !zero.proved && (
          <p className="soft">
            A second <Word of="witness" /> would prove it: the stop at another depth, so that the contacts move by more
            than 3°, pairs by the dial, or a mark that agrees.
          </p>
        )
      )}
    </div>
  )
}

/** Every reading behind the zero, each with its ±, and by how much it does not fit. */
function Readings({ zero }: { readonly zero: NonNullable<JobState['zero']> }) {
  const { view, strike } = useBench()
  const { state, sheet } = view
  return (
    <ul className="plain readings">
      {state.zeroReadings.map(({ entryId, method, wheelDeg, dropMm, cylinderId, sigmaDeg, commonDeg = 0 }) => {
        const misfit = zero.misfits.find((one) => one.entryId === entryId)
        const on = partsOf(sheet).cylinder(cylinderId)
        return (
          <li key={entryId}>
            <span className="reading">{wheelAsSeen(wheelDeg, state, 2)}</span>{' '}
            <span className="soft">± {fixed(2 * Math.hypot(sigmaDeg, commonDeg), 2)}°</span> {methodWords[method]}
            {dropMm !== undefined && `, ${fixed(dropMm, 2)} mm down`}
            {cylinderId !== sheet.zeroCylinderId && on && `, from cylinder ${on.name}`}
            {misfit && (
              <strong className="brass">
                {' '}
                does not fit: {fixed(Math.abs(misfit.offDeg), 1)}° {misfit.offDeg > 0 ? 'after' : 'before'}
              </strong>
            )}{' '}
            <button
              type="button"
              className="link"
              aria-label={`Strike ${methodWords[method]}, ${wheelAsSeen(wheelDeg, state, 2)}`}
              onClick={() => {
                const entry = state.live.find(({ id }) => id === entryId)
                if (entry) strike(entry, 'struck by hand')
              }}
            >
              Strike
            </button>
          </li>
        )
      })}
    </ul>
  )
}

const witnessWords = ({ agreeing, misfits }: { agreeing: readonly string[]; misfits: readonly unknown[] }) =>
  misfits.length > 0 ? 'not all agree' : agreeing.length > 1 ? 'one set-up' : 'one witness'
