import { NativeSelect } from '@mantine/core'
import { TIGHTENER_KINDS, type TightenerKind } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { fullySlack, tighteners, type TensionerState } from '@link-count/core/tension'
import { fixed, formatMm, otherHand } from '@link-count/core/units'
import {
  nounsOfAll,
  schoolAnswer,
  sideName,
  tensionerStateWords,
  tightenerWords,
  tightenerWordsOf,
} from '../../../../ui/wording'
import { Figure } from '../../../../ui/Figure'
import { useBench } from '../../JobContext'
import { GrubScrews } from './GrubScrews'
import { MeasuredSpring } from './MeasuredSpring'
import { Moves } from './Moves'
import { ofLoop } from './ofLoop'
import './TensionerStep.css'

/** A tensioner by its own kind: what is done next with it, what holds that, and what it would do to the cams. */
export function TensionerStep({ step }: { readonly step: Step }) {
  const { view } = useBench()
  const memberId = step.targetIds[0] ?? ''
  const member = partsOf(view.sheet).member(memberId)
  const tightener = member?.tightener
  const words = tightenerWordsOf(tightener?.kind)
  const noun = nounsOfAll(view.sheet.loops).loop
  const at = view.state.tensioners[memberId] ?? 'out'
  return (
    <div className="stack">
      <p className="soft">
        Judged here by {schoolAnswer('tensionBy', view.schools.tensionBy)?.name}:{' '}
        {lowerFirst(schoolAnswer('tensionBy', view.schools.tensionBy)?.why ?? '')}
      </p>
      {tightener ? (
        <p>{ofLoop(words.how, noun)}</p>
      ) : (
        <WhatKind memberId={memberId} name={member?.name ?? 'tensioner'} />
      )}
      <WhichWay memberId={memberId} />
      <p className="caution">{ofLoop(words.danger, noun)}</p>
      <WrongWay memberId={memberId} />
      {(tightener?.plates ?? []).length > 0 && (
        <ul className="plain-list">
          {tightener?.plates?.map(({ name, place, thickMm }) => (
            <li key={name}>
              {name}: {thickMm ? `${formatMm(thickMm.value, 1)}, ` : ''}
              {place}
            </li>
          ))}
        </ul>
      )}
      {at !== 'asArrived' && at in tensionerStateWords && (
        <p className="result">
          It stands: {tensionerStateWords[at as TensionerState]}
          {at === 'proven' && <span className="proved">, proved by feel</span>}
        </p>
      )}
      {tightener?.kind === 'measuredSpring' && <MeasuredSpring step={step} memberId={memberId} />}
      <GrubScrews step={step} memberId={memberId} />
      <Moves step={step} memberId={memberId} />
      {tightener?.renewWith && <p className="soft">Renewed with it: {tightener.renewWith}</p>}
    </div>
  )
}

const lowerFirst = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)

/** Asked once, and kept on the build sheet. */
function WhatKind({ memberId, name }: { readonly memberId: string; readonly name: string }) {
  const { changeSheet } = useBench()
  const choose = (kind: TightenerKind) =>
    void changeSheet((sheet) => ({
      ...sheet,
      members: sheet.members.map((one) =>
        one.id === memberId ? { ...one, tightener: { ...one.tightener, kind } } : one,
      ),
    }))
  return (
    <NativeSelect
      label={`What sort of tensioner is the ${lowerFirst(name)}?`}
      description="Its own steps and dangers are shown then. It stays on the build sheet."
      value=""
      onChange={(event) => event.currentTarget.value !== '' && choose(event.currentTarget.value as TightenerKind)}
      data={[
        { value: '', label: 'Not said: as one that is held back by a pin' },
        ...TIGHTENER_KINDS.map((kind) => ({ value: kind, label: tightenerWords[kind].name })),
      ]}
    />
  )
}

/** Which turn tightens, for where one stands, and how much force it takes. */
function WhichWay({ memberId }: { readonly memberId: string }) {
  const { view, side } = useBench()
  const tightener = partsOf(view.sheet).member(memberId)?.tightener
  if (!tightener) return null
  const { tightens, seenFrom = 'timing', mostN, oilFilled } = tightener
  const words = tightenerWordsOf(tightener.kind)
  const hand = tightens && (seenFrom === side ? tightens : otherHand(tightens))
  return (
    <>
      {hand ? (
        <p>
          <strong>
            {upperFirst(hand)} {words.turned.tight}
          </strong>
          , {otherHand(hand)} {words.turned.slack}, seen from the {sideName(view.sheet, side)}.
          {seenFrom !== side && (
            <span className="soft">
              {' '}
              It is worked from the {sideName(view.sheet, seenFrom)}: from there it is {tightens}.
            </span>
          )}
        </p>
      ) : (
        tighteners[tightener.kind].worked === 'locked' && (
          <p className="soft">Which turn tightens it is not on the build sheet: move it a little and watch the run.</p>
        )
      )}
      {mostN && (
        <p>
          No more than <span className="reading">{fixed(mostN.value, 0)} N</span> (
          {fixed(mostN.value / NEWTONS_PER_POUND, 1)} lb) on it.
        </p>
      )}
      {oilFilled !== undefined && (
        <p>{oilFilled ? 'Fill it with oil before it is fitted.' : 'It is fitted dry: oil comes by itself.'}</p>
      )}
    </>
  )
}

const NEWTONS_PER_POUND = 4.4482216
const upperFirst = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

/** What turning it fully the slack way would do to the camshafts. */
function WrongWay({ memberId }: { readonly memberId: string }) {
  const { sheet } = useBench().view
  const slack = fullySlack(sheet, memberId)
  const [first] = slack?.late ?? []
  if (!slack || slack.overMm < 0.05) return null
  const name = (id: string) => partsOf(sheet).shaft(id)?.name ?? id
  return (
    <p className="soft">
      Fully slack it lets go of{' '}
      <Figure
        opened={{
          title: 'Fully slack',
          value: formatMm(slack.overMm, 1),
          readings: slack.late.map(({ shaftId, lateDeg }) => ({
            label: `${name(shaftId)}, with all of it on the pulled run`,
            value: `${fixed(lateDeg, 1)}° late at the crank`,
          })),
          formula:
            slack.by === 'throw'
              ? 'The way of the loop solved again with the eccentric right round, twice its throw away.'
              : 'All of the loop that is over, by its count and the places of its wheels.',
          source: 'the build sheet',
        }}
      >
        {formatMm(slack.overMm, 1)}
      </Figure>
      {first &&
        `: on the pulled run that makes the ${lowerFirst(name(first.shaftId))} ${fixed(first.lateDeg, 1)}° late`}
      .
    </p>
  )
}
