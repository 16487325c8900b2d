import { FASTENED, type BoltGroup, type BuildSheet } from '@link-count/core/model'
import { Fold } from '../../../../ui/Fold'
import { fastenedWords, inSentence } from '../../../../ui/wording'
import { patchBolts, removeBolts, withValue } from '../../sheetChanges'
import { useSheetEditor } from '../../SheetEditor'
import { Choice, Fields, NameField } from '../fields'
import { PartLink } from '../PartLink'
import { Laid } from './Laid'
import { Stages } from './Stages'
import { Threads } from './Threads'

/** A group of bolts: what they hold, how they lie and in which order, what each is tightened to, and their threads. */
export function BoltGroupPanel({ group }: { readonly group: BoltGroup }) {
  const { sheet, apply } = useSheetEditor()
  const { id, on, ofId, locks } = group
  const patch = (change: (one: BoltGroup) => BoltGroup) => patchBolts(id, change)
  return (
    <Fields>
      <NameField
        id={`bolts-${id}`}
        what={inSentence(group.name)}
        value={group.name}
        change={(text) => patch((one) => ({ ...one, name: text }))}
      />
      <Fold title="What they hold" note={fastenedWords[on]}>
        <Choice
          label="They hold"
          value={on}
          options={FASTENED.map((value) => ({ value, label: fastenedWords[value] }))}
          onChoose={(value) => apply(patch((one) => ({ ...one, on: value })))}
        />
        <Choice
          label="They belong to"
          help="Its step in a job then has them."
          value={ofId ?? ''}
          options={[{ value: '', label: 'nothing on the sheet' }, ...partsToHold(sheet, ofId)]}
          onChoose={(part) => apply(patch((one) => withValue(one, 'ofId', part === '' ? undefined : part)))}
        />
      </Fold>
      <Laid group={group} />
      <Stages group={group} />
      <Threads group={group} />
      {(on === 'sprocket' || on === 'flywheel' || on === 'pump') && (
        <Choice
          label="Timing locks, while they are tightened"
          help="Torque never goes through a lock."
          value={locks ?? ''}
          options={[
            { value: '', label: 'not said: asked in the job' },
            { value: 'stayIn', label: 'stay in until tight, a counter-hold takes the torque' },
            { value: 'outFirst', label: 'come out first, then the torque' },
          ]}
          onChoose={(way) => apply(patch((one) => withValue(one, 'locks', way === '' ? undefined : way)))}
        />
      )}
      <div className="row">
        <PartLink kind="bolts" id="" words="All bolts and nuts" />
        <button type="button" className="link" onClick={() => void apply(removeBolts(id))}>
          Take the {inSentence(group.name)} off the sheet
        </button>
      </div>
    </Fields>
  )
}

function partsToHold({ shafts, members, followers }: BuildSheet, ofId: string | undefined) {
  const parts = [...shafts, ...members, ...(followers ?? [])].map(({ id, name }) => ({ value: id, label: name }))
  const gone = ofId !== undefined && !parts.some(({ value }) => value === ofId)
  return gone ? [{ value: ofId, label: 'a part that is gone' }, ...parts] : parts
}
