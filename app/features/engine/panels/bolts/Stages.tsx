import { Button } from '@mantine/core'
import { ROUNDS, TORQUE_NM, TURN_DEG, type BoltGroup, type BoltStage } from '@link-count/core/model'
import { torqueSuits } from '@link-count/core/fasteners'
import { Fold } from '../../../../ui/Fold'
import { suitsWords } from '../../../../ui/wording'
import { patchBolts, withValue } from '../../sheetChanges'
import { useSheetEditor } from '../../SheetEditor'
import { DegField, TorqueField, WholeField } from '../../TrustedField'

/** What each bolt is tightened to, stage after stage; by hand on purpose where nothing is written. */
export function Stages({ group }: { readonly group: BoltGroup }) {
  const { apply } = useSheetEditor()
  const { id, stages } = group
  const patch = (change: (one: BoltGroup) => BoltGroup) => patchBolts(id, change)
  const put = (n: number, stage: BoltStage) =>
    patch((one) => ({ ...one, stages: one.stages.map((other, i) => (i === n ? stage : other)) }))
  const take = (n: number) => patch((one) => ({ ...one, stages: one.stages.filter((_, i) => i !== n) }))
  const suits = torqueSuits(group)
  return (
    <fieldset className="wide-field stages">
      <legend>Tightened to, one stage after the other</legend>
      {stages.map((stage, n) => (
        <div key={n} className="row">
          {stage.by === 'torque' ? (
            <TorqueField
              id={`bolts-${id}-${n}-nm`}
              label={`Stage ${n + 1}, torque`}
              limits={TORQUE_NM}
              value={stage.nm}
              change={(nm) => (nm ? put(n, { by: 'torque', nm }) : take(n))}
            />
          ) : stage.by === 'angle' ? (
            <DegField
              id={`bolts-${id}-${n}-deg`}
              label={`Stage ${n + 1}, degrees further`}
              example="90°"
              limits={TURN_DEG}
              value={stage.deg}
              change={(deg) => (deg ? put(n, { by: 'angle', deg }) : take(n))}
            />
          ) : (
            <p>
              Stage {n + 1}:{' '}
              {stage.by === 'hand' ? 'tight by hand, on purpose' : `half a turn each, ${stage.rounds} times round`}
            </p>
          )}
          <Button variant="quiet" onClick={() => void apply(take(n))}>
            Take stage {n + 1} away
          </Button>
        </div>
      ))}
      {stages.length === 0 ? (
        <AddStage group={group} />
      ) : (
        <Fold title="One stage more">
          <AddStage group={group} />
        </Fold>
      )}
      {stages.some(({ by }) => by === 'torque') && (
        <>
          <p className={suits.is === 'muchLess' || suits.is === 'muchMore' ? 'warn' : 'soft'}>{suitsWords(suits)}</p>
          <Fold title="Another source says otherwise" note={group.alsoNm?.typed}>
            <TorqueField
              id={`bolts-${id}-also`}
              label="Another source says"
              help="Where two figures are about."
              limits={TORQUE_NM}
              value={group.alsoNm}
              change={(nm) => patch((one) => withValue(one, 'alsoNm', nm))}
            />
          </Fold>
        </>
      )}
    </fieldset>
  )
}

/** One stage more, of each kind. */
function AddStage({ group: { id, stages } }: { readonly group: BoltGroup }) {
  const { apply } = useSheetEditor()
  const at = stages.length
  const add = (stage: BoltStage | undefined) =>
    patchBolts(id, (one) => (stage ? { ...one, stages: [...one.stages, stage] } : one))
  return (
    <>
      <TorqueField
        key={`torque-${at}`}
        id={`bolts-${id}-${at}-nm-new`}
        label={at === 0 ? 'To this torque' : 'Then to this torque'}
        limits={TORQUE_NM}
        value={undefined}
        change={(nm) => add(nm && { by: 'torque', nm })}
      />
      <DegField
        key={`angle-${at}`}
        id={`bolts-${id}-${at}-deg-new`}
        label="Then so many degrees further"
        example="90°"
        limits={TURN_DEG}
        value={undefined}
        change={(deg) => add(deg && { by: 'angle', deg })}
      />
      <WholeField
        key={`half-${at}`}
        id={`bolts-${id}-${at}-half-new`}
        label="Half a turn each, so many times round"
        example="3"
        limits={ROUNDS}
        value={undefined}
        change={(rounds) => add(rounds && { by: 'halfTurns', rounds: rounds.value })}
      />
      <Button variant="default" onClick={() => void apply(add({ by: 'hand' }))}>
        By hand, on purpose
      </Button>
    </>
  )
}
