import { SegmentedControl } from '@mantine/core'
import { cylindersRead, followerOfJob, whichTurn } from '@link-count/core/followers'
import { partsOf } from '@link-count/core/sheet'
import type { Follower, Phase } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { useDraft } from '../../../../ui/fields'
import { Fold } from '../../../../ui/Fold'
import { whichTurnWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { Aim } from './Aim'
import { HowToRead } from './HowToRead'
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
  const cylinderId = own ?? follower.wanted?.cylinderId ?? sheet.zeroCylinderId
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
      <HowToRead follower={follower} aim={of.aim} cylinderId={cylinderId} />
      <ReadIt key={cylinderId} step={step} phase={phase} follower={follower} aim={of.aim} cylinderId={cylinderId} />
      <Leads step={step} phase={phase} follower={follower} />
      {of.now && <Reading of={of} reading={of.now} />}
      {of.now && <RunningSpark follower={follower} reading={of.now} />}
      {!of.now && of.readings.length > 0 && (
        <p className="warn">
          {of.readings.at(-1)?.stale === 'drive'
            ? 'Its drive was moved since it was read: read it again.'
            : of.readings.at(-1)?.stale === 'follower'
              ? 'It was moved since it was read: read it again.'
              : 'What was read is not held against what is wanted yet.'}
        </p>
      )}
      {of.readings.at(-1)?.value === undefined && of.readings.length > 0 && <NotTold of={of} />}
      <Shared follower={follower} />
      {follower.kind === 'singlePumps' && <Trims follower={follower} />}
      {phase !== 'found' && (
        <>
          <NextMove of={of} />
          <MoveIt step={step} of={of} cylinderId={own} />
        </>
      )}
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

/** Why the last reading is not held against what is wanted. */
function NotTold({ of }: { readonly of: ReturnType<typeof followerOfJob> }) {
  const last = of.readings.at(-1)
  return last?.not ? <Reading of={of} reading={last} /> : null
}
