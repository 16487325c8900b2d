import { Button, SegmentedControl } from '@mantine/core'
import { useState } from 'react'
import { locksIn } from '@link-count/core/fasteners'
import type { BoltGroup } from '@link-count/core/model'
import { itemSentence, locksBeforeWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { OpenValves } from './OpenValves'
import type { InWork } from './useTightening'

/** What is asked before bolts are tightened: new or used, and the locks. */
export function BeforeTightening({ group, work }: { readonly group: BoltGroup; readonly work: InWork }) {
  const [boltsAre, setBoltsAre] = useState('')
  const asksBolts = Boolean(group.stretch || group.newEachTime)
  const held = asksBolts && boltsAre === ''
  const begin = (counterHeld: boolean) =>
    work.begin({
      ...(boltsAre === 'new' || boltsAre === 'used' ? { boltsAre } : {}),
      ...(counterHeld ? { counterHeld } : {}),
    })
  return (
    <>
      {group.on === 'cap' && <OpenValves group={group} />}
      {asksBolts && (
        <SegmentedControl
          fullWidth
          aria-label="The bolts are"
          value={boltsAre}
          onChange={setBoltsAre}
          data={[
            { value: 'new', label: 'New bolts' },
            { value: 'used', label: 'Used bolts' },
          ]}
        />
      )}
      {held && <p className="soft">New or used is said first: these are to be new each time.</p>}
      <Locks group={group} work={work} onHeld={held ? undefined : () => void begin(true)} />
      {work.locks === undefined && (
        <Button variant="filled" fullWidth disabled={held} onClick={() => void begin(false)}>
          Begin tightening
        </Button>
      )}
    </>
  )
}

/** Timing locks that are in: which comes first, and that no torque goes through them. */
export function Locks({
  group,
  work: { locks },
  onHeld,
}: {
  readonly group: BoltGroup
  readonly work: InWork
  /** The counter-hold said; undefined while something else has to be said first. */
  readonly onHeld: (() => void) | undefined
}) {
  const { view, changeSheet } = useBench()
  if (!locks) return null
  const choose = (way: 'stayIn' | 'outFirst') =>
    void changeSheet((sheet) => ({
      ...sheet,
      boltGroups: (sheet.boltGroups ?? []).map((one) => (one.id === group.id ? { ...one, locks: way } : one)),
    }))
  return (
    <div className="warn" role="alert">
      <p>{locksBeforeWords[locks]}</p>
      <ul>
        {locksIn(view.state).map((item) => (
          <li key={item.itemId}>{itemSentence(item, view.sheet)}</li>
        ))}
      </ul>
      {locks === 'notSaid' && (
        <div className="row">
          <Button variant="default" onClick={() => choose('stayIn')}>
            They stay in until it is tight
          </Button>
          <Button variant="default" onClick={() => choose('outFirst')}>
            They come out first
          </Button>
        </div>
      )}
      {locks === 'counterHold' && (
        <Button variant="filled" disabled={!onHeld} onClick={onHeld}>
          A counter-hold takes the torque
        </Button>
      )}
    </div>
  )
}
