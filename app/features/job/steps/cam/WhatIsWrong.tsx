import { useMemo } from 'react'
import { bandOf, diagnose, effectsOn, readingsOfJob, type Diagnosis, type Measured } from '@link-count/core/diagnose'
import { allOf, type JobState } from '@link-count/core/ledger'
import type { BuildSheet, Phase } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { fixed, formatLateness } from '@link-count/core/units'
import { Figure, type Opened } from '../../../../ui/Figure'
import { bandWords, causeWords, nextReadingWords, schoolWords } from '../../../../ui/wording'
import { askTurn } from '../../askTurn'
import { useBench } from '../../JobContext'
import { ChainMeasure, HeadMeasure, TopLiftMeasure } from './Measure'
import { Fold } from '../../../../ui/Fold'
import './WhatIsWrong.css'

/** Phase against duration over all camshafts: what fits, what is ruled out and by how much, and the reading that would settle it. */
export function WhatIsWrong({ step, phase }: { readonly step: Step; readonly phase: Phase }) {
  const { view, side } = useBench()
  const { sheet, state } = view
  const { readings, said } = useMemo(() => {
    const read = readingsOfJob(sheet, state, phase)
    return { readings: read, said: diagnose(read) }
  }, [sheet, state, phase])
  if (readings.lobes.length === 0) return null
  return (
    <section className="diagnosis" aria-label="What is wrong">
      <h3>{titleOf(said)}</h3>
      {said.fits.length > 0 && (
        <ul>
          {said.fits.map((fit) => (
            <li key={fit.causes.join(' ')}>
              <strong>{fit.causes.map((cause) => causeWords[cause].name).join(', and ')}</strong>
              {sizeWords(fit, sheet)}{' '}
              <span className="soft">
                The worst reading is {fixed(fit.worstSigmas / 2, 1)} of its ± off; over 1.5 would rule it out.
              </span>
            </li>
          ))}
        </ul>
      )}
      <SharesTheChain said={said} sheet={sheet} />
      {said.next && (
        <p>
          {said.verdict === 'told' || said.verdict === 'nothingShown' ? 'To prove it: ' : 'To settle it: '}
          {said.next === 'comeAgainRunning'
            ? askTurn({ forReading: 'marksAgain' }, view, side).words
            : nextReadingWords[said.next]}
        </p>
      )}
      {said.halfOpen && said.verdict !== 'onlyTheHalf' && (
        <p className="warn">
          Cams half a turn out, or the wrong half of the cycle assumed: these readings cannot tell.
        </p>
      )}
      {said.ruledOut.length > 0 && (
        <Fold title="Ruled out" note={said.ruledOut.length}>
          <ul>
            {said.ruledOut.map(({ cause, bySigmas }, i) => (
              <li key={i}>
                {causeWords[cause].name}: a reading lies {fixed(bySigmas / 2, bySigmas < 20 ? 1 : 0)} times its ± off.
              </li>
            ))}
          </ul>
        </Fold>
      )}
      {sheet.school && <Bands school={sheet.school} phase={phase} />}
      {Object.entries(readings.elongation ?? {}).map(([loopId, grown]) => (
        <p className="result" key={loopId}>
          {nameOf(sheet.loops, loopId)}:{' '}
          <Figure opened={openElongation(loopId, grown, sheet, state)}>
            {fixed(grown.value, 2)}% longer than new ± {fixed(2 * grown.sigma, 2)}%
          </Figure>
        </p>
      ))}
      {Object.entries(readings.skimmed ?? {}).map(([bankId, { value, sigma }]) => (
        <p className="result" key={bankId}>
          {sheet.banks.length > 1 ? `${nameOf(sheet.banks, bankId)}, head` : 'Head'} or block: {fixed(value, 2)} mm
          lower than the book ± {fixed(2 * sigma, 2)} mm
        </p>
      ))}
      <ChainMeasure step={step} />
      <HeadMeasure step={step} />
      <TopLiftMeasure step={step} phase={phase} />
    </section>
  )
}

const nameOf = (parts: readonly { readonly id: string; readonly name: string }[], id: string) =>
  parts.find((one) => one.id === id)?.name ?? ''

function openElongation(loopId: string, { value, sigma }: Measured, sheet: BuildSheet, state: JobState): Opened {
  const loop = partsOf(sheet).loop(loopId)
  return {
    title: `How much the ${loop?.name.toLowerCase() ?? 'chain'} has grown`,
    value: `${fixed(value, 2)}%`,
    plusMinus: `${fixed(2 * sigma, 2)}%`,
    readings: allOf(state, 'chainLength')
      .filter((one) => one.loopId === loopId)
      .map(({ overPitches, measuredMm }) => ({
        label: `Over ${overPitches} pitches of ${loop?.pitchMm?.typed ?? 'unknown pitch'}`,
        value: `${fixed(measuredMm, 2)} mm`,
      })),
    formula:
      'Measured over so many pitches, less those pitches new, over the same; the worst of several places counts.',
    source: 'General engineering. What a calliper is read to, a tenth of a millimetre, is common practice.',
  }
}

/** What else a stretched chain drives is late with it. */
function SharesTheChain({ said, sheet }: { said: Diagnosis; sheet: BuildSheet }) {
  const stretch = said.fits.find(({ causes }) => causes.includes('stretch'))?.sizes
  const late = sheet.shafts
    .filter(({ kind }) => kind === 'pump' || kind === 'magneto')
    .flatMap(({ id, name }) => {
      const deg = Object.entries(effectsOn(sheet, id).perStretch ?? {}).reduce(
        (sum, [loopId, per]) => sum + per * (stretch?.[loopId] ?? 0),
        0,
      )
      return deg === 0 ? [] : [`${name.toLowerCase()} ${fixed(deg, 1)}°`]
    })
  if (stretch === undefined) return null
  return late.length === 0 ? null : (
    <p>Late with it, by the same chain: {late.join(', ')} at the crank. Check them again after the cams are set.</p>
  )
}

function titleOf({ verdict, fits }: Diagnosis): string {
  switch (verdict) {
    case 'told':
      return 'What is wrong'
    case 'onlyTheHalf':
      return 'Right, or half a turn out: these readings cannot tell'
    case 'nothingShown':
      return 'Nothing is shown wrong, within the ± of what was read'
    case 'notEnough':
      return `Not enough to tell: ${fits.length} causes fit`
    case 'none':
      return 'No one cause fits these readings'
  }
}

function sizeWords({ causes, size, sizes = {}, teeth }: Diagnosis['fits'][number], sheet: BuildSheet): string {
  const moved = Object.entries(teeth)
    .filter(([, n]) => n !== 0)
    .map(([shaftId, n]) => {
      const name = partsOf(sheet).shaft(shaftId)?.name.toLowerCase() ?? ''
      return `${name} ${Math.abs(n)} ${Math.abs(n) === 1 ? 'tooth' : 'teeth'} ${n > 0 ? 'late' : 'early'}`
    })
  const sized = causes.find((cause) => causeWords[cause].size)
  const unit = sized && causeWords[sized].size
  const parted = Object.entries(sizes)
    .filter(([, of]) => unit && of >= 0.5 * 10 ** -unit.decimals)
    .map(
      ([id, of]) =>
        `${nameOf([...sheet.loops, ...sheet.banks], id).toLowerCase()} ${fixed(of, unit?.decimals ?? 0)}${unit?.unit ?? ''}`,
    )
  const whole = size !== undefined && unit ? [`${fixed(size, unit.decimals)}${unit.unit}`] : []
  const parts = [...moved, ...(Object.keys(sizes).length > 1 ? parted : whole)]
  return parts.length > 0 ? `: ${parts.join(', ')}.` : '.'
}

/** What the engine's school says of each lateness, with the margin to the next band. */
function Bands({ school, phase }: { school: NonNullable<BuildSheet['school']>; phase: Phase }) {
  const { sheet, state } = useBench().view
  return sheet.shafts.flatMap((shaft) => {
    const timing = state.timing[shaft.id]?.[phase]
    if (!timing) return []
    const plusMinusDeg = 2 * timing.sigmaDeg
    const { band, sure, limitDeg, toNextDeg } = bandOf(timing.latenessDeg, plusMinusDeg, school)
    return [
      <p key={shaft.id}>
        {shaft.name}, {formatLateness(timing.latenessDeg)} ± {fixed(plusMinusDeg, 1)}°:{' '}
        {sure === 'cannotTell' ? 'cannot be told' : bandWords[band.code]}
        {sure === 'onLimit' && `, on the limit of ${limitDeg}°: read again`}.{' '}
        <span className="soft">
          {sure === 'cannotTell' && `The ± reaches over the limit of ${limitDeg}°: read it more closely. `}
          {sure === 'in' && toNextDeg !== undefined && `${fixed(toNextDeg, 1)}° short of the next band. `}
          {schoolWords[school]}, common practice{band.ours ? '; this band fills what it leaves open' : ''}.
        </span>
      </p>,
    ]
  })
}
