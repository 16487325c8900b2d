import { Button } from '@mantine/core'
import { hangingOrder, type HangingStep, type Section, readDrive } from '@link-count/core/drive'
import { readLoop } from '@link-count/core/ledger'
import type { BuildSheet, Loop } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { lateFromOver } from '@link-count/core/tension'
import { fixed, ratioValue, type Side } from '@link-count/core/units'
import { useDraft } from '../../../../ui/fields'
import { inSentence, handWords, nounsOf, sectionEndWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { Fold } from '../../../../ui/Fold'
import './HangingOrder.css'

/** Hanging a loop wheel by wheel: what is held, what comes next, which run is kept straight, and where the slack has to end. */
export function HangingOrder({ loop, step }: { readonly loop: Loop; readonly step: Step }) {
  const { view, side, say } = useBench()
  const { sheet, state, job, schools } = view
  const done = useDraft(`${job.id}:${step.id}:hung`, '0')
  const order = hangingOrder(sheet, loop, readLoop(sheet, loop, state.counts, undefined, state.seats).sections)
  const at = Math.min(Number(done.text) || 0, order.length)
  const nouns = nounsOf(loop)
  const nameOf = (id: string) => inSentence(partsOf(sheet).member(id)?.name) ?? ''
  const driver = order[0]
  const driverShaft = partsOf(sheet).shaftOfMember(driver?.memberId)
  const runs = driverShaft && ratioValue(readDrive(sheet).ratioOf(driverShaft)) < 0 ? -1 : 1
  // What held it, or where it lay, is over once it is on.
  const over = state.register.filter(
    ({ item, of }) => (item === 'heldTaut' || item === 'loopAway') && of?.what === 'loop' && of.id === loop.id,
  )
  const on = () => {
    void say(
      [
        { kind: 'loop', loopId: loop.id, change: 'on', stepId: step.id },
        ...over.map(
          ({ itemId, item, where, of }) =>
            ({ kind: 'item', itemId, item, where, change: 'out', stepId: step.id, ...(of ? { of } : {}) }) as const,
        ),
      ],
      [done],
    )
  }
  return (
    <div className="stack">
      <p>
        The crank and the cams that are set stay where they are: the {nouns.loop} moves, or the hub. Hang it from the{' '}
        {driver ? nameOf(driver.memberId) : 'driver'} back along the runs that are pulled; all the slack ends on the run
        that leaves it, {handWords(runs, sheet, side)}.
      </p>
      {schools.dryRun === 'yes' && state.counts.every((one) => one.loopId !== loop.id || one.phase !== 'set') && (
        <p className="warn">
          Dry run first: hang it, count it with the {nouns.loop} held taut, and look where every mark lies. Then take it
          off and hang it for good.
        </p>
      )}
      {schools.loopGoesOn === 'opened' && loop.kind !== 'toothedBelt' && (
        <p className="caution">
          It is joined at a link here: its clip shuts with the closed end leading, and every joint bends freely.
        </p>
      )}
      <ol className="hanging" aria-label={`Order of hanging the ${inSentence(loop.name)}`}>
        {order.map((part, i) => (
          <li key={part.memberId} aria-current={i === at ? 'step' : undefined} className={i < at ? 'hung' : ''}>
            {partWords(part, order[i - 1], nameOf, (section) => stretchWords(sheet, loop, section, side))}
          </li>
        ))}
      </ol>
      <CheckPush loop={loop} />
      {at < order.length - 1 ? (
        <div className="row">
          <Button variant="filled" onClick={() => done.setText(String(at + 1))}>
            {order[at]?.passed === 'outside' ? 'Past' : 'On'} the {nameOf(order[at]?.memberId ?? '')}
          </Button>
          <Button variant="quiet" onClick={on}>
            {loop.name} is on
          </Button>
        </div>
      ) : (
        <Button variant="filled" onClick={on}>
          {loop.name} is on
        </Button>
      )}
      <Holds loop={loop} step={step} />
      {at > 0 && (
        <button type="button" className="link" onClick={() => done.setText('0')}>
          It came off again: from the start
        </button>
      )}
    </div>
  )
}

function partWords(
  { memberId, passed, how, toBefore }: HangingStep,
  before: HangingStep | undefined,
  nameOf: (id: string) => string,
  stretch: (section: Section) => string,
) {
  const name = nameOf(memberId)
  if (how === 'first') return `Over the ${name} first, at its mark.`
  const way = passed === 'outside' ? `Past the ${name}, on its outer side` : `Over the ${name}`
  if (how === 'slack') return `${way}: whatever is over lies here.`
  return `${way}, the run back to the ${nameOf(before?.memberId ?? '')} kept straight${
    toBefore?.expected ? `: ${stretch(toBefore)}.` : '.'
  }`
}

function stretchWords(sheet: BuildSheet, loop: Loop, section: Section, side: Side): string {
  const { pitches = 0, fromTeeth = 0, toTeeth = 0 } = section.expected ?? {}
  const end = (which: 'from' | 'to') => sectionEndWords(sheet, loop, section, which, side)
  const between = fromTeeth === 0 && toTeeth === 0 ? 'from mark to mark' : `from ${end('from')} to ${end('to')}`
  return `${fixed(pitches, 1)} ${nounsOf(loop).pitches} ${between}`
}

/** What is held while the loop goes on: each camshaft with its own lock on the register, so that it comes out again. */
function Holds({ loop, step }: { loop: Loop; step: Step }) {
  const { view, say } = useBench()
  const { sheet, state } = view
  const shafts = camshaftsOn(sheet, loop)
  if (shafts.length === 0) return null
  const locks = new Set(shafts.map(({ id }) => `lock-${id}`))
  const n = state.register.filter(({ itemId }) => locks.has(itemId)).length
  return (
    <Fold title="Locks on the camshafts" note={<>{n === 0 ? 'none in' : `${n} in`}</>}>
      {shafts.map(({ id, name }) => {
        const itemId = `lock-${id}`
        const locked = state.register.some((one) => one.itemId === itemId)
        const item = { kind: 'item', itemId, item: 'lock', where: inSentence(name), stepId: step.id } as const
        return (
          <Button
            key={id}
            variant={locked ? 'default' : 'quiet'}
            aria-pressed={locked}
            onClick={() => void say({ ...item, change: locked ? 'out' : 'in' })}
          >
            {locked ? `Lock off the ${inSentence(name)}` : `Lock on the ${inSentence(name)}`}
          </Button>
        )
      })}
    </Fold>
  )
}

const camshaftsOn = (sheet: BuildSheet, { path }: Loop) =>
  sheet.shafts.filter(
    ({ id, kind }) =>
      kind === 'cam' &&
      sheet.members.some((one) => one.shaftId === id && path.some(({ memberId }) => memberId === one.id)),
  )

/** Before the tensioner is let go: only the slack run may give. And what a millimetre left elsewhere would cost. */
function CheckPush({ loop }: { readonly loop: Loop }) {
  const { sheet } = useBench().view
  const nouns = nounsOf(loop)
  const late = lateFromOver(sheet, loop.id, 1)
  const most = late.toSorted((a, b) => b.lateDeg - a.lateDeg)[0]
  return (
    <p>
      Push every pulled run with a finger before the tensioner is let go: none may give, only the slack one.
      {most &&
        ` A millimetre of ${nouns.loop} left on a pulled run makes the ${inSentence(partsOf(sheet).shaft(most.shaftId)?.name ?? 'camshaft')} ${fixed(most.lateDeg, 1)}° late.`}
    </p>
  )
}
