import { useMemo } from 'react'
import {
  bandOf,
  diagnose,
  effectsOn,
  readingsOfJob,
  type Diagnosis,
  type Measured,
  type NextReading,
} from '@link-count/core/diagnose'
import { allOf, type JobState } from '@link-count/core/ledger'
import type { BuildSheet, Phase } from '@link-count/core/model'
import { bandsWanted, type Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { fixed, formatLateness } from '@link-count/core/units'
import { Figure, type Opened } from '../../../../ui/Figure'
import { inSentence, bandSays, bandsSource, causeWords, nextReadingWords } from '../../../../ui/wording'
import { askTurn } from '../../askTurn'
import { useBench } from '../../JobContext'
import { CauseGroups } from './CauseGroups'
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
  if (readings.shafts.length === 0) return null
  const nextWords = (next: NextReading) =>
    next === 'comeAgainRunning' ? askTurn({ forReading: 'marksAgain' }, view, side).words : nextReadingWords[next]
  return (
    <section className="diagnosis" aria-label="What is wrong">
      <h3>{titleOf(said)}</h3>
      <CauseGroups said={said} nextWords={nextWords} sheet={sheet} />
      {said.scatter > 1 && (
        <p className="soft">
          The lobes of one camshaft scatter {fixed(said.scatter, 1)} times as much as their ± lets them: everything here
          is judged with so much more ±.
        </p>
      )}
      <SharesTheChain said={said} sheet={sheet} />
      {said.next && (
        <p>
          {said.verdict === 'told' || said.verdict === 'nothingShown' ? 'To prove it: ' : 'To settle it: '}
          {nextWords(said.next)}
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
      <Bands phase={phase} />
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
    title: `How much the ${inSentence(loop?.name) ?? 'chain'} has grown`,
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
  const stretch = said.fits.find(({ causes }) => causes.includes('stretch'))?.sized.stretch
  const late = sheet.shafts
    .filter(({ kind }) => kind === 'pump' || kind === 'magneto')
    .flatMap(({ id, name }) => {
      const deg = Object.entries(effectsOn(sheet, id).perStretch ?? {}).reduce(
        (sum, [loopId, per]) => sum + per * (stretch?.[loopId] ?? 0),
        0,
      )
      return deg === 0 ? [] : [`${inSentence(name)} ${fixed(deg, 1)}°`]
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
      return fits.length > 1 ? `Not enough to tell: ${fits.length} causes fit` : 'This would fit, and is not proved'

    case 'none':
      return 'No cause here fits these readings, nor do any two together'
  }
}

/** What the engine's school says of each lateness, with the margin to the next band. */
export function Bands({ phase }: { readonly phase: Phase }) {
  const { sheet, state, schools } = useBench().view
  const whose = bandsWanted(schools)
  if (!whose) return null
  return sheet.shafts.flatMap((shaft) => {
    const timing = state.timing[shaft.id]?.[phase]
    if (!timing) return []
    const plusMinusDeg = 2 * timing.sigmaDeg
    const { band, sure, limitDeg, toNextDeg } = bandOf(timing.latenessDeg, plusMinusDeg, whose)
    return [
      <p key={shaft.id}>
        {shaft.name}, {formatLateness(timing.latenessDeg)} ± {fixed(plusMinusDeg, 1)}°:{' '}
        {sure === 'cannotTell' ? 'cannot be told' : bandSays(band)}
        {sure === 'onLimit' && `, on the limit of ${limitDeg}°: read again`}.{' '}
        <span className="soft">
          {sure === 'cannotTell' && `The ± reaches over the limit of ${limitDeg}°: read it more closely. `}
          {sure === 'in' && toNextDeg !== undefined && `${fixed(toNextDeg, 1)}° short of the next band. `}
          {bandsSource(schools)}
          {band.ours ? '; this band fills what it leaves open' : ''}.
        </span>
      </p>,
    ]
  })
}
