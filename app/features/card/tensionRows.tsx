import { allOf, lastOf } from '@link-count/core/ledger'
import type { Phase, TensionerState } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { lastRound, slackOfRound, springSet, type RoundOf } from '@link-count/core/tension'
import { fixed, formatMm } from '@link-count/core/units'
import type { JobView } from '../../domain/views'
import {
  feltWords,
  inSentence,
  movedUnitWords,
  runWords,
  slackJudgedWords,
  slackValueWords,
  springLooks,
  tensionerStateWords,
  tightenerWordsOf,
  turnsOn,
} from '../../ui/wording'

/** How slack each chain or belt was, as found and as left, at its tightest place, with what was wanted and what was missing. */
export function SlackRows({ view }: { readonly view: JobView }) {
  const { sheet, state } = view
  const entries = allOf(state, 'slack')
  return sheet.loops.flatMap(({ id, name }) => {
    const found = lastRound(entries, id, 'found')
    const left = lastRound(entries, id, 'left') ?? lastRound(entries, id, 'set')
    const of = left ?? found
    if (!of) return []
    return [
      <tr key={id}>
        <th scope="row">
          {name}, slack, {runWords(of, (memberId) => partsOf(sheet).member(memberId)?.name ?? memberId)}
        </th>
        {[found, left].map((round, i) => (
          <td key={i}>{round ? <SlackCell view={view} of={round} /> : 'not read'}</td>
        ))}
      </tr>,
    ]
  })
}

const WHEN: Readonly<Record<Phase, string>> = { found: '', set: ' before the turns', left: ' after the turns' }

function SlackCell({ view: { sheet, state }, of }: { readonly view: JobView; readonly of: RoundOf }) {
  const { round, judged, band, entries, supportMissing, readings } = slackOfRound(sheet, allOf(state, 'slack'), of)
  const felt = entries.at(-1)?.felt
  if (!round) return <>{felt ? feltWords[felt] : 'not read'}</>
  const { tightest } = round
  const places = new Set(readings.map(({ turnDeg }) => turnDeg)).size
  const heard = tightest.entry.plucks?.filter(({ used }) => used).length
  return (
    <>
      <span className="reading">
        {slackValueWords(of.by, tightest.value)} ± {fixed(tightest.plusMinus, 1)}
      </span>
      {places > 1 ? `, the tightest of ${places} places, ${turnsOn(tightest.turnDeg)}` : ''}
      {heard ? `, by ${heard} ${heard === 1 ? 'pluck' : 'plucks'}` : ''}
      {WHEN[of.phase]}
      {judged && band && `: ${slackJudgedWords(judged)}`}
      {supportMissing && '; something that belongs on was not fitted'}
    </>
  )
}

/** Each tensioner as it was left, how far it was moved, and its spring. */
export function TensionerRows({ view: { sheet, state } }: { readonly view: JobView }) {
  const touched = new Set(state.live.flatMap((entry) => (entry.kind === 'tensioner' ? [entry.memberId] : [])))
  return partsOf(sheet)
    .tensioners.filter(({ id }) => touched.has(id))
    .map(({ id, name, tightener }) => {
      const at = state.tensioners[id] ?? 'out'
      const moved = allOf(state, 'tensioner').filter((entry) => entry.memberId === id && entry.by)
      const free = lastOf(state, 'spring', `${id} free`)
      const after = lastOf(state, 'spring', `${id} afterNut`)
      const set =
        free && tightener?.freeNewMm && tightener.setNewMm
          ? springSet({ freeNewMm: tightener.freeNewMm.value, setNewMm: tightener.setNewMm.value, freeNowMm: free.mm })
          : undefined
      return (
        <tr key={id}>
          <th scope="row">
            {name}
            {tightener && <span className="soft">, {tightenerWordsOf(tightener.kind).name}</span>}
          </th>
          <td>
            {moved
              .flatMap(({ by }) =>
                by
                  ? [
                      `${fixed(by.amount, by.amount % 1 === 0 ? 0 : 1)}${movedUnitWords[by.unit]} ${by.towards === 'tight' ? 'tighter' : 'slacker'}`,
                    ]
                  : [],
              )
              .join(', ')}
            {free &&
              `spring ${formatMm(free.mm, 1)} free${free.look && free.look !== 'sound' ? `, ${springLooks[free.look]}` : ''}`}
            {set && `, to be set to ${formatMm(set.setNowMm, 1)}`}
          </td>
          <td>
            {at in tensionerStateWords ? tensionerStateWords[at as TensionerState] : inSentence(at)}
            {after && `, spring ${formatMm(after.mm, 1)} after the upper nut`}
          </td>
        </tr>
      )
    })
}
