import { compareBefore, EVEN_SHARE, spreadOf, suspectsOf, WEAK_SHARE } from '@link-count/core/diagnose'
import { kitOf, kitOwed } from '@link-count/core/kit'
import { allOf } from '@link-count/core/ledger'
import type { Entry } from '@link-count/core/model'
import { judgeWalk } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { fixed, formatMm } from '@link-count/core/units'
import type { JobView } from '../../domain/views'
import {
  causeWordsOf,
  findingVerdicts,
  kitWords,
  partNameOf,
  changeWords,
  pressureFigure,
  pressureWords,
  symptomWords,
  tellLines,
  turnLookWords,
  turnName,
  walkMeaningWords,
  walkSpacingWords,
} from '../../ui/wording'

/** By what firing and overlap were told apart. */
export function WitnessRow({ view: { sheet, state, entries } }: { readonly view: JobView }) {
  const witnesses = state.live.filter(({ kind }) => kind === 'witness')
  if (witnesses.length === 0) return null
  const told = tellLines(sheet, entries)
  return (
    <tr>
      <th scope="row">Which TDC, by</th>
      <td colSpan={2}>{witnesses.map((entry: Entry) => told(entry)).join('; ')}</td>
    </tr>
  )
}

/** What was seen on each part, and what is done with it. */
export function FindingRows({ view: { sheet, state } }: { readonly view: JobView }) {
  return allOf(state, 'finding').map(({ id, partId, name, saw, mm, verdict, with: others, reason }) => (
    <tr key={id}>
      <th scope="row">{partNameOf(sheet, partId) ?? name ?? partId}, looked at</th>
      <td colSpan={2}>
        {[saw, mm === undefined ? '' : formatMm(mm, 2)].filter(Boolean).join(', ')}
        {saw || mm !== undefined ? ': ' : ''}
        {findingVerdicts[verdict]}
        {others?.length ? `, with ${others.join(', ')}` : ''}
        {reason ? `: ${reason}` : ''}
      </td>
    </tr>
  ))
}

/** What was still to be got. */
export function KitRow({ view: { sheet, state, steps } }: { readonly view: JobView }) {
  const lines = kitOf(
    sheet,
    steps.map(({ step }) => step),
    state,
  )
  const owed = kitOwed(lines, state)
  if (owed.length === 0) return null
  return (
    <tr>
      <th scope="row">To be got</th>
      <td colSpan={2}>{owed.map((line) => kitWords(line, (id) => partNameOf(sheet, id))).join('; ')}</td>
    </tr>
  )
}

/** What it did, and what was behind it. */
export function SymptomRows({ view: { sheet, state } }: { readonly view: JobView }) {
  const there = allOf(state, 'symptom').filter(({ is }) => is === 'there')
  if (there.length === 0) return null
  const suspects = suspectsOf(sheet, state)
  const of = (is: 'found' | 'ruledOut' | 'open') =>
    suspects.filter((one) => one.is === is).map(({ id }) => causeWordsOf(id).name)
  return (
    <tr>
      <th scope="row">{there.map(({ symptom }) => symptomWords[symptom]).join('; ')}</th>
      <td colSpan={2}>
        {of('found').length > 0 && <strong>{of('found').join('; ')}. </strong>}
        {of('ruledOut').length > 0 && <>Not: {of('ruledOut').join('; ')}. </>}
        {of('open').length > 0 && <span className="soft">Not looked into: {of('open').join('; ')}.</span>}
      </td>
    </tr>
  )
}

/** What each cylinder held, and how they compare. */
export function PressureRows({ view: { sheet, state } }: { readonly view: JobView }) {
  const read = allOf(state, 'pressure')
  const kinds = [...new Set(read.map(({ what }) => what))]
  const nameOf = (id: string) => partsOf(sheet).cylinder(id)?.name ?? id
  return kinds.map((what) => {
    const phases = (['found', 'left'] as const).map((phase) =>
      read.filter((one) => one.what === what && one.phase === phase),
    )
    const [found = [], left = []] = phases
    const spread = spreadOf(left.length > 0 ? left : found, what)
    const compared = left.length > 0 && found.length > 0 ? compareBefore(read, what) : []
    return (
      <tr key={what}>
        <th scope="row">{pressureWords[what]}</th>
        {(left.length > 0 ? phases : [found]).map((own, i, shown) => (
          <td key={i} colSpan={3 - shown.length}>
            <span className="reading">
              {own.map((one) => `${nameOf(one.cylinderId)}: ${pressureFigure(one)}`).join(', ')}
            </span>
            {i === 1 &&
              compared.map((one) => (
                <div key={one.cylinderId}>
                  Cylinder {nameOf(one.cylinderId)}
                  {changeWords(one)}
                </div>
              ))}
            {own.length > 0 &&
              own === (left.length > 0 ? left : found) &&
              spread &&
              spread.verdict !== 'single' &&
              what !== 'leakDown' && (
                <>
                  . Lowest {fixed(100 * spread.share, 0)}% of the best; weak under {100 * WEAK_SHARE}%, even from{' '}
                  {100 * EVEN_SHARE}%: {spread.verdict === 'even' ? 'even' : spread.verdict}.{' '}
                  <span className="soft">Common practice, no source.</span>
                </>
              )}
          </td>
        ))}
      </tr>
    )
  })
}

/** The turns that prove, what was seen at each, and what the walk round the cycle came to. */
export function TurnRows({ view: { sheet, state, schools } }: { readonly view: JobView }) {
  const looks = allOf(state, 'turnLook')
  const walks = allOf(state, 'walk')
  const walk = judgeWalk(sheet, walks, walks[0]?.crankDeg)
  const turned = Math.floor(state.turnedTightDeg / 360)
  return (
    <>
      {(turned > 0 || looks.length > 0) && (
        <tr>
          <th scope="row">Turned with everything tight</th>
          <td colSpan={2}>
            {turned} of {schools.turns} full turns
            {looks.length > 0 &&
              `: ${looks.map(({ turn, saw }) => `${turnName(turn)}, ${turnLookWords(saw, sheet)}`).join('; ')}`}
            .
          </td>
        </tr>
      )}
      {walk.meaning !== 'nothingYet' && (
        <tr>
          <th scope="row">Walk round the cycle</th>
          <td colSpan={2}>
            {walk.looked} of {walk.of} looked at. {walkMeaningWords(walk, sheet)}{' '}
            {walk.impossible.map((one) => walkSpacingWords(one, sheet)).join(' ')}
          </td>
        </tr>
      )}
    </>
  )
}
