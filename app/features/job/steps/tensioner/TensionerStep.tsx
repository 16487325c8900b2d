import { Button, NativeSelect, TextInput } from '@mantine/core'
import { TIGHTENER_KINDS, type NewEntry, type TightenerKind } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import {
  fullySlack,
  tensionerMoves,
  tighteners,
  type TensionerMove,
  type TensionerState,
} from '@link-count/core/tension'
import { fixed, formatMm, otherHand, parseDegrees } from '@link-count/core/units'
import {
  numberWords,
  nounsOfAll,
  schoolAnswer,
  sideName,
  tensionerHeldWords,
  tensionerStateWords,
  tightenerWords,
  tightenerWordsOf,
} from '../../../../ui/wording'
import { Figure } from '../../../../ui/Figure'
import { useDraft, useField } from '../../../../ui/fields'
import { askTurn } from '../../askTurn'
import { useBench } from '../../JobContext'
import { GrubScrews, useGrubScrews } from './GrubScrews'
import { MeasuredSpring } from './MeasuredSpring'
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

/** Chain or belt, as it is here. */
const ofLoop = (words: string, noun: string) => words.replaceAll('the loop', `the ${noun}`)

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

/** What may be done next with it; what may not says why. */
function Moves({ step, memberId }: { readonly step: Step; readonly memberId: string }) {
  const { view, say, side } = useBench()
  const { sheet, state } = view
  const kind = partsOf(sheet).member(memberId)?.tightener?.kind
  const words = tightenerWordsOf(kind)
  const at = state.tensioners[memberId] ?? 'out'
  const saidDeg = state.stand.tensioners.get(memberId)?.saidDeg
  const turnedDeg = saidDeg === undefined ? 0 : state.stand.rotation.totalDeg - saidDeg
  const screws = useGrubScrews(memberId)
  const moves = tensionerMoves(kind, at, turnedDeg, {
    grubScrewsTight: screws.wheels.length > 0 && screws.slack.length === 0,
  })
  const pin = state.register.find(({ item, itemId }) => item === 'tensionerPin' && itemId === `pin-${memberId}`)
  const entriesOf = (to: TensionerState, by?: NewEntryBy): NewEntry[] => [
    ...(to === 'heldBack' && words.latch && !pin ? [pinEntry(memberId, 'in', step.id)] : []),
    ...((to === 'released' || to === 'extended') && pin ? [pinEntry(memberId, 'out', step.id)] : []),
    { kind: 'tensioner', memberId, state: to, ...(by ? { by } : {}), stepId: step.id },
  ]
  const waits = moves.find(({ held }) => held?.code === 'turnFirst')
  const turn = waits && askTurn({ onBy: 360 }, view, side)
  return (
    <div className="stack">
      {turn && (
        <>
          <p className={turn.may ? undefined : 'warn'}>{turn.words}</p>
          <Button
            variant="filled"
            disabled={!turn.may}
            onClick={() => void say({ kind: 'turned', deg: 360, ended: 'onMark', stepId: step.id })}
          >
            One full turn done
          </Button>
        </>
      )}
      {moves.map((move, i) =>
        move.to === 'set' && kind && tighteners[kind].movedBy ? (
          <MoveBy
            key={move.to}
            step={step}
            memberId={memberId}
            unit={tighteners[kind].movedBy}
            label={words.says.set ?? 'Set'}
            first={i === 0}
            write={(by, field) => void say(entriesOf('set', by), [field])}
          />
        ) : (
          <MoveButton
            key={move.to}
            move={move}
            label={
              move.to === 'released' && pin && kind === undefined
                ? 'Pin is out: heard or felt it go'
                : ofLoop(words.says[move.to] ?? tensionerStateWords[move.to], nounsOfAll(sheet.loops).loop)
            }
            filled={i === 0 && !turn && !(at === 'released' || at === 'locked' || at === 'proven')}
            act={() => void say(entriesOf(move.to))}
          />
        ),
      )}
    </div>
  )
}

type NewEntryBy = NonNullable<Extract<NewEntry, { kind: 'tensioner' }>['by']>

const pinEntry = (memberId: string, change: 'in' | 'out', stepId: string): NewEntry => ({
  kind: 'item',
  itemId: `pin-${memberId}`,
  item: 'tensionerPin',
  where: '',
  change,
  stepId,
})

const MoveButton = ({
  move: { held },
  label,
  filled,
  act,
}: {
  readonly move: TensionerMove
  readonly label: string
  readonly filled: boolean
  readonly act: () => void
}) => (
  <div>
    <Button variant={filled ? 'filled' : 'default'} fullWidth disabled={held !== undefined} onClick={act}>
      {label}
    </Button>
    {held && <p className="soft">{tensionerHeldWords(held)}</p>}
  </div>
)

const UNITS = {
  deg: { label: 'Moved by, degrees', unit: 'deg' },
  notches: { label: 'Moved by, notches', unit: 'notches' },
  flats: { label: 'Moved by, flats', unit: 'flats' },
  mm: { label: 'Moved by, mm', unit: 'mm' },
} as const

/** How far it was moved, and which way; how far may be left empty. */
function MoveBy({
  step,
  memberId,
  unit = 'mm',
  label,
  first,
  write,
}: {
  readonly step: Step
  readonly memberId: string
  readonly unit: keyof typeof UNITS | undefined
  readonly label: string
  readonly first: boolean
  readonly write: (by: NewEntryBy | undefined, field: ReturnType<typeof useField<number, { code: string }>>) => void
}) {
  const { job } = useBench().view
  const towards = useDraft(`${job.id}:${step.id}:${memberId}:towards`, 'tight')
  const field = useField(`${job.id}:${step.id}:${memberId}:by`, (text) => parseDegrees(text, { least: 0, most: 1000 }))
  const empty = field.text.trim() === ''
  const act = () => {
    field.ask()
    if (!empty && field.value === undefined) return
    const by: NewEntryBy | undefined = empty
      ? undefined
      : { amount: field.value ?? 0, unit: UNITS[unit].unit, towards: towards.text === 'slack' ? 'slack' : 'tight' }
    write(by, field as never)
  }
  return (
    <div className="move-by">
      <TextInput
        label={UNITS[unit].label}
        placeholder="3"
        inputMode="decimal"
        maxLength={12}
        value={field.text}
        onChange={(event) => field.setText(event.currentTarget.value)}
        onBlur={field.leave}
        error={!empty && field.error && numberWords(field.error)}
      />
      <NativeSelect
        label="Which way"
        value={towards.text}
        onChange={(event) => towards.setText(event.currentTarget.value)}
        data={[
          { value: 'tight', label: 'tighter' },
          { value: 'slack', label: 'slacker' },
        ]}
      />
      <Button variant={first ? 'filled' : 'default'} fullWidth onClick={act}>
        {label}
      </Button>
    </div>
  )
}
