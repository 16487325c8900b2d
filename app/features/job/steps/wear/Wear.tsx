import { loopKinds } from '@link-count/core/drive'
import type { Measured } from '@link-count/core/diagnose'
import { allOf } from '@link-count/core/ledger'
import { bandsWanted, type Step } from '@link-count/core/runSheet'
import type { BuildSheet } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { playFromOver, runsOfLoop } from '@link-count/core/tension'
import { judgeWear, latenessParts, type WearJudged } from '@link-count/core/wear'
import { bandSays, grownSays, inSentence, nounsOf } from '../../../../ui/wording'
import { fixed, formatLateness, formatMm } from '@link-count/core/units'
import { Fold } from '../../../../ui/Fold'
import { useBench } from '../../JobContext'
import { ChainMeasure } from '../cam/Measure'
import { Bands } from '../cam/WhatIsWrong'
import { FindingFields } from '../findings/FindingFields'

/** How far each chain has grown, what the lateness found says, and what of it is what: judged together, the worse of the two counts. */
export function Wear({ step }: { readonly step: Step }) {
  const { sheet, state, schools } = useBench().view
  const judged = judgeWear(sheet, state, 'found', bandsWanted(schools))
  const parts = partsOf(sheet)
  return (
    <div className="stack">
      {sheet.loops.some(({ kind }) => loopKinds[kind].grows) && <ChainMeasure step={step} open />}
      {judged.grown.map(({ loopId, percent, grown }) => (
        <p className={grown.code === 'goesOn' ? 'result' : 'warn'} key={loopId}>
          {parts.loop(loopId)?.name}: {fixed(percent.value, 2)}% longer than new ± {fixed(2 * percent.sigma, 2)}%:{' '}
          {grownSays(grown)}.{playOfGrown(sheet, loopId, percent.value)}
        </p>
      ))}
      <Bands phase="found" />
      <Worst judged={judged} />
      <PartsOfLateness />
      <Together />
      {sheet.loops.map((loop) => (
        <FindingFields
          key={loop.id}
          step={step}
          part="loop"
          id={loop.id}
          name={loop.name}
          look={
            loopKinds[loop.kind].grows
              ? 'Plates cracked, pins turned, rollers loose, stiff joints; laid on its side, how far it bends.'
              : `A ${nounsOf(loop).loop} does not grow: its age, its hours, its edges and its teeth tell.`
          }
          {...(loopKinds[loop.kind].grows
            ? { measured: 'Its sideways bend over a foot, or what lifts off a sprocket.' }
            : {})}
        />
      ))}
      <Sprockets step={step} />
    </div>
  )
}

/** What a chain that has grown so far would play, were nothing to take it up. */
function playOfGrown(sheet: BuildSheet, loopId: string, percent: number): string {
  const loop = partsOf(sheet).loop(loopId)
  const spanMm = loop && runsOfLoop(sheet, loop)[0]?.spanMm
  if (!loop?.pitches || !loop.pitchMm || spanMm === undefined || percent <= 0) return ''
  const overMm = (loop.pitches.value * loop.pitchMm.value * percent) / 100
  return ` All of it is ${formatMm(overMm, 1)} longer: with nothing to take it up the longest run would move ${formatMm(2 * playFromOver(spanMm, overMm), 0)} to and fro.`
}

/** Lateness and growth are both judged; the worse one counts. */
function Worst({ judged: { worst, lateness, grown } }: { readonly judged: WearJudged }) {
  const { sheet } = useBench().view
  if (!worst || lateness.length === 0 || grown.length === 0) return null
  const name = worst.by === 'grown' ? partsOf(sheet).loop(worst.id)?.name : partsOf(sheet).shaft(worst.id)?.name
  const banded = lateness.find(({ shaftId }) => shaftId === worst.id)?.banded
  const own = grown.find(({ loopId }) => loopId === worst.id)?.grown
  return (
    <p className="result">
      Both are judged, and the worse counts: <strong>{name}</strong>,{' '}
      {worst.sure === 'cannotTell' ? 'cannot be told' : own ? grownSays(own) : banded ? bandSays(banded.band) : ''}
    </p>
  )
}

const deg = (one: Measured | undefined) => (one ? `${formatLateness(one.value)} ± ${fixed(2 * one.sigma, 1)}°` : '–')

/** What of each lateness is stretch, what a skimmed head, what is left over; pumps and magnetos on the same loop beside them. */
function PartsOfLateness() {
  const { sheet, state } = useBench().view
  const all = latenessParts(sheet, state, 'found').filter(({ stretch, skim, play }) => stretch ?? skim ?? play)
  if (all.length === 0) return null
  return (
    <Fold title="What of the lateness is what" note="by the drive’s own sums" open>
      <table className="slack-table">
        <thead>
          <tr>
            <th scope="col">At the crank</th>
            <th scope="col">Read</th>
            <th scope="col">Stretch</th>
            <th scope="col">Skim</th>
            <th scope="col">Left over</th>
          </tr>
        </thead>
        <tbody>
          {all.map(({ shaftId, read, stretch, skim, rest }) => (
            <tr key={shaftId}>
              <th scope="row">{partsOf(sheet).shaft(shaftId)?.name}</th>
              <td>{read ? deg(read) : 'not read'}</td>
              <td>{deg(stretch)}</td>
              <td>{deg(skim)}</td>
              <td>{deg(rest)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {all.map(({ shaftId, play }) =>
        play ? (
          <p key={shaftId} className="soft">
            The play found would make the {inSentence(partsOf(sheet).shaft(shaftId)?.name ?? '')} {deg(play)} if it lay
            on the pulled run; running, it lies on the slack one.
          </p>
        ) : null,
      )}
      <p className="soft">
        An offset key, a hub or a tooth sets the cam right again for now; the chain goes on growing, and only a new one
        ends that. A pump or magneto on the same chain is late with it.
      </p>
    </Fold>
  )
}

/** A worn chain on new sprockets, or the other way round, wears both. */
function Together() {
  const { sheet, state } = useBench().view
  const found = allOf(state, 'finding')
  const renews = (id: string) =>
    found.some(({ partId, verdict }) => partId === id && (verdict === 'renewNow' || verdict === 'renewAsSet'))
  const goesOn = (id: string) => found.some(({ partId, verdict }) => partId === id && verdict === 'goesOn')
  return sheet.loops.flatMap((loop) => {
    const wheels = loop.path.map(({ memberId }) => memberId)
    const newWheels = wheels.some(renews)
    const oldHooked = found.some(({ partId, saw }) => wheels.includes(partId) && /hook/i.test(saw) && goesOn(partId))
    if (newWheels && goesOn(loop.id))
      return [
        <p key={loop.id} className="warn">
          A worn {nounsOf(loop).loop} soon wears new sprockets: renew the {inSentence(loop.name)} with them.
        </p>,
      ]
    return renews(loop.id) && oldHooked
      ? [
          <p key={loop.id} className="warn">
            Hooked sprockets soon wear a new {nounsOf(loop).loop}: renew them together.
          </p>,
        ]
      : []
  })
}

/** Teeth of the sprockets that the chains run on. */
function Sprockets({ step }: { readonly step: Step }) {
  const { sheet } = useBench().view
  const wheels = sheet.loops.flatMap(({ path }) =>
    path.flatMap(({ memberId }) => {
      const member = partsOf(sheet).member(memberId)
      return member?.kind === 'sprocket' ? [member] : []
    }),
  )
  if (wheels.length === 0) return null
  return (
    <Fold title="Teeth of the sprockets" note={`${wheels.length} of them`}>
      {wheels.map(({ id, name }) => (
        <FindingFields
          key={id}
          step={step}
          part="sprocket"
          id={id}
          name={name}
          look="Teeth hooked, flanks stepped, a bright wall on one side."
          measured="What a link lifts off it at the top."
        />
      ))}
    </Fold>
  )
}
