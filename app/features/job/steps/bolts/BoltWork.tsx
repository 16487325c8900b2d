import { Button, Checkbox } from '@mantine/core'
import { useState } from 'react'
import { looseningOrder, torqueSuits, toldOf } from '@link-count/core/fasteners'
import type { Bolt, BoltGroup } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { BoltPattern } from '../../../../ui/bolts/BoltPattern'
import { Fold } from '../../../../ui/Fold'
import {
  boltName,
  boltOrderWords,
  boltsToldWords,
  inSentence,
  lockedByWords,
  suitsWords,
  threadWithWords,
} from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { Pictures } from '../../pictures/Pictures'
import { CoverTheHole } from '../../removals/CoverTheHole'
import { tabsBent } from './boltEntries'
import { BoltInHand } from './BoltInHand'
import { BeforeTightening } from './BeforeTightening'
import { useTightening, type InWork } from './useTightening'
import { useWrench } from './useWrench'
import { Wrench } from './Wrench'

/** Bolts loosened and tightened on their drawing, one after the other. */
export function BoltWork({ step, group }: { readonly step: Step; readonly group: BoltGroup }) {
  const { view } = useBench()
  const work = useTightening(step, group)
  const wrench = useWrench(view.job.id)
  const { tightening, stage, drawn } = work
  const [again, setAgain] = useState<Bolt>()
  const [aboveHole, setAboveHole] = useState(false)
  const touch = (bolt: Bolt) => {
    const { next, through, passes } = tightening
    if (!work.mayGoOn || !next) return
    if (bolt.id === next.bolt.id) return work.goOn()
    const done = through.get(bolt.id)
    if (done?.has(next.pass) ?? false) return setAgain(bolt)
    void work.write(
      bolt.id,
      passes.findIndex((_, pass) => !done?.has(pass)),
      'tightened',
    )
  }
  const told = toldOf(group, tightening)
  const inWork = stage === 'inWork' && tightening.begun !== undefined
  const pattern = (
    <BoltPattern
      group={group}
      drawn={drawn}
      label={`${group.name}, ${boltOrderWords[group.order]}`}
      onTouch={work.mayGoOn ? touch : undefined}
    />
  )
  return (
    <div className="stack" role="group" aria-label={group.name}>
      {!inWork && <Facts group={group} />}
      {told.map((one) => (
        <p key={one} className="warn">
          {boltsToldWords[one]}
        </p>
      ))}
      {inWork ? (
        <BoltInHand group={group} work={work} wrench={wrench}>
          {pattern}
        </BoltInHand>
      ) : (
        <>
          <Suits group={group} />
          {stage === 'done' ? <Done group={group} step={step} /> : <BeforeTightening group={group} work={work} />}
          {pattern}
        </>
      )}
      {again && <TouchedAgain group={group} bolt={again} work={work} onDone={() => setAgain(undefined)} />}
      {inWork && <Facts group={group} />}
      <Pictures of={{ what: 'bolts', id: group.id }} name={inSentence(group.name)} stepId={step.id} />
      {stage !== 'done' && <Wrench wrench={wrench} />}
      <Fold title="Loosen" note="the other way round">
        <p>
          {looseningOrder(group)
            .map(({ id }) => boltName(group, id))
            .join(', ')}
          {group.stages.length > 0 ? ', each a little at a time.' : '.'}
        </p>
        <Checkbox
          label="Under them is an open hole"
          checked={aboveHole}
          onChange={(event) => setAboveHole(event.currentTarget.checked)}
        />
        {aboveHole && <CoverTheHole step={step} />}
        <Button variant="default" onClick={() => void work.loosen()}>
          They are loosened
        </Button>
      </Fold>
    </div>
  )
}

/** What the bolts are, on one line; a left-hand thread stands out. */
function Facts({ group }: { readonly group: BoltGroup }) {
  const { bolts, thread, lengths, leftHand, threadWith, lockerGrade, lockedBy, newEachTime, stretch } = group
  const facts = [
    `${bolts.length} ${boltOrderWords[group.order]}`,
    thread,
    lengths,
    threadWith &&
      (threadWith.length === 0
        ? 'dry'
        : threadWith
            .map((one) => threadWithWords[one] + (one === 'locker' && lockerGrade ? ` ${lockerGrade}` : ''))
            .join(' and ')),
    lockedBy && lockedByWords[lockedBy],
    stretch ? 'stretch bolts, new each time' : newEachTime && 'new each time',
  ].filter(Boolean)
  return (
    <>
      <p>{facts.join(', ')}.</p>
      {leftHand && <p className="warn">Left-hand thread: it is tightened anticlockwise.</p>}
    </>
  )
}

function Suits({ group }: { readonly group: BoltGroup }) {
  const suits = torqueSuits(group)
  if (suits.is === 'cannotJudge' && (suits.why === 'noTorque' || suits.why === 'stretch')) return null
  return <p className={suits.is === 'muchMore' || suits.is === 'muchLess' ? 'warn' : 'soft'}>{suitsWords(suits)}</p>
}

/** All through: what comes after them. */
function Done({ group, step }: { readonly group: BoltGroup; readonly step: Step }) {
  const { view, say } = useBench()
  const tabs = tabsBent(group, view.state)
  const locks = view.state.register.filter(({ item }) => item === 'lock' || item === 'lockingPin')
  return (
    <>
      <p className="result">
        All {group.bolts.length} {inSentence(group.name)} are through every stage.
      </p>
      {locks.length > 0 && group.locks === 'stayIn' && <p className="warn">Now the locks come out.</p>}
      {tabs && (
        <Button variant="filled" onClick={() => void say({ ...tabs, stepId: step.id })}>
          Tabs are bent
        </Button>
      )}
    </>
  )
}

/** One that is through was touched: turned again, held to the wrench, or slackened. */
function TouchedAgain({
  group,
  bolt,
  work,
  onDone,
}: {
  readonly group: BoltGroup
  readonly bolt: Bolt
  readonly work: InWork
  readonly onDone: () => void
}) {
  const pass = work.tightening.next?.pass ?? 0
  const say = (did: 'tightened' | 'checked' | 'slackened') => {
    void work.write(bolt.id, pass, did)
    onDone()
  }
  return (
    <div className="warn" role="alert">
      <p>{boltName(group, bolt.id)} is through this stage already.</p>
      <div className="row">
        <Button variant="default" onClick={onDone}>
          Touched by mistake
        </Button>
        <Button variant="default" onClick={() => say('tightened')}>
          It was turned again
        </Button>
        <Button variant="default" onClick={() => say('slackened')}>
          Slackened, afresh
        </Button>
      </div>
    </div>
  )
}
