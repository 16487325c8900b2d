import { NativeSelect, SegmentedControl } from '@mantine/core'
import { cylindersRead, followerOfJob, tradeOf, whichTurn, type FollowerOfJob } from '@link-count/core/followers'
import { partsOf } from '@link-count/core/sheet'
import type { Follower, Phase } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { useDraft } from '../../../../ui/fields'
import { Fold } from '../../../../ui/Fold'
import { whichTurnWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { Aim } from './Aim'
import { Beside } from './Beside'
import { HowToRead } from './HowToRead'
import { LiveThings } from './LiveThings'
import { Leads } from './Leads'
import { MoveIt } from './MoveIt'
import { NextMove } from './NextMove'
import { ReadIt } from './ReadIt'
import { Reading } from './Reading'
import { RunningSpark } from './RunningSpark'
import { Shared } from './Shared'
import { Trims } from './Trims'

/** A pump, magneto or distributor read, moved for what is wanted, and read again. */
export function FollowerStep({ step, phase }: { readonly step: Step; readonly phase: Phase }) {
  const { sheet } = useBench().view
  const follower = sheet.followers?.find(({ id }) => id === step.targetIds[0])
  if (!follower) return <p className="soft">It is on the build sheet no more.</p>
  return <OfFollower key={follower.id} step={step} phase={phase} follower={follower} />
}

function OfFollower({
  step,
  phase,
  follower,
}: {
  readonly step: Step
  readonly phase: Phase
  readonly follower: Follower
}) {
  const { view } = useBench()
  const { sheet, state, job } = view
  const each = cylindersRead(follower)
  const chosen = useDraft(`${job.id}:${follower.id}:cylinder`, each[0] ?? '')
  const own = each.includes(chosen.text) ? chosen.text : each[0]
  const lobe = follower.outlets.find(({ cylinderId }) => cylinderId === chosen.text)?.cylinderId
  const cylinderId = own ?? lobe ?? follower.wanted?.cylinderId ?? sheet.zeroCylinderId
  const of = followerOfJob(sheet, state, follower, own)
  const turn = whichTurn(sheet, state, follower)
  return (
    <div className="stack">
      {each.length > 1 && (
        <SegmentedControl
          aria-label="Which of the pumps"
          value={cylinderId}
          onChange={chosen.setText}
          data={each.flatMap((id) => (id ? [{ value: id, label: partsOf(sheet).cylinder(id)?.name ?? id }] : []))}
        />
      )}
      <p className={turn === 'proved' || turn === 'cannotMatter' ? 'soft' : 'warn'}>{whichTurnWords[turn]}</p>
      <Aim follower={follower} aim={of.aim} step={step} mayChoose={phase !== 'left'} />
      {of.now ? (
        <>
          <Reading of={of} reading={of.now} />
          <Beside of={of} />
          <RunningSpark follower={follower} reading={of.now} />
          {phase !== 'found' && (
            <>
              <NextMove of={of} />
              <MoveIt step={step} of={of} cylinderId={own} />
            </>
          )}
        </>
      ) : (
        <NothingHolds of={of} />
      )}
      <LiveThings follower={follower} aim={of.aim} />
      <Fold key={String(of.now === undefined)} title="How it is read" open={of.now === undefined}>
        <HowToRead follower={follower} aim={of.aim} cylinderId={cylinderId} />
      </Fold>
      {own === undefined && tradeOf(follower) === 'spark' && follower.outlets.length > 1 && (
        <NativeSelect
          label="Read at cylinder"
          description="At several, its lobes are held against each other."
          value={cylinderId}
          onChange={(event) => chosen.setText(event.currentTarget.value)}
          data={[...new Set(follower.outlets.map((outlet) => outlet.cylinderId))].map((id) => ({
            value: id,
            label: partsOf(sheet).cylinder(id)?.name ?? id,
          }))}
        />
      )}
      <ReadIt key={cylinderId} step={step} phase={phase} follower={follower} aim={of.aim} cylinderId={cylinderId} />
      {tradeOf(follower) === 'spark' && <Leads step={step} phase={phase} follower={follower} />}
      <Shared follower={follower} />
      {follower.kind === 'singlePumps' && <Trims follower={follower} />}
      {phase !== 'found' && !of.now && <MoveIt step={step} of={of} cylinderId={own} />}
      {of.readings.length > 1 && (
        <Fold title="Every reading" note={`${of.readings.length}`}>
          <ol className="plain-list">
            {of.readings.map((one) => (
              <li key={one.entry.id}>
                <Reading of={of} reading={one} short />
              </li>
            ))}
          </ol>
        </Fold>
      )}
    </div>
  )
}

/** Nothing that was read holds any more, or can be held against what is wanted: why, and that it is read again. */
function NothingHolds({ of }: { readonly of: FollowerOfJob }) {
  const last = of.readings.at(-1)
  if (!last) return null
  if (last.not) return <Reading of={of} reading={last} />
  return (
    <p className="warn">
      {last.stale === 'drive'
        ? 'Its drive was moved since it was read: read it again.'
        : 'It was moved since it was read: read it again.'}
    </p>
  )
}
