import { Button, NativeSelect } from '@mantine/core'
import type { NewEntry } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { tensionerMoves, tighteners, type TensionerMove, type TensionerState } from '@link-count/core/tension'
import { parseDegrees } from '@link-count/core/units'
import { useDraft, useField, WordsInput } from '../../../../ui/fields'
import {
  nounsOfAll,
  numberWords,
  tensionerHeldWords,
  tensionerStateWords,
  tightenerWordsOf,
} from '../../../../ui/wording'
import { askTurn } from '../../askTurn'
import { useBench } from '../../JobContext'
import { useGrubScrews } from './GrubScrews'
import { ofLoop } from './ofLoop'

/** What may be done next with it; what may not says why. */
export function Moves({ step, memberId }: { readonly step: Step; readonly memberId: string }) {
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
      <WordsInput
        label={UNITS[unit].label}
        placeholder="3"
        inputMode="decimal"
        maxLength={12}
        of={field}
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
