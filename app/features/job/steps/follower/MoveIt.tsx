import { Button, NativeSelect } from '@mantine/core'
import type { FollowerOfJob } from '@link-count/core/followers'
import { entryLimits, type EntryOf, type FollowerSetBy } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { fixed, parseDegrees } from '@link-count/core/units'
import { useDraft, useField, WordsInput } from '../../../../ui/fields'
import { numberWords, setByWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'

type Unit = EntryOf<'followerMoved'>['unit']

const UNITS: Readonly<Record<FollowerSetBy, { readonly unit: Unit; readonly asks: string }>> = {
  swing: { unit: 'mm', asks: 'Moved at the slots, mm' },
  places: { unit: 'places', asks: 'Moved by, places' },
  vernier: { unit: 'deg', asks: 'Moved by, degrees of its own' },
  tooth: { unit: 'teeth', asks: 'Moved by, teeth' },
  shims: { unit: 'mm', asks: 'Shims changed by, mm' },
  spline: { unit: 'places', asks: 'Moved by, splines' },
  pointsGap: { unit: 'mm', asks: 'Gap changed by, mm' },
}

/** What was moved, how far and which way: what was read before it says nothing any more. */
export function MoveIt({
  step,
  of: { follower, move },
  cylinderId,
}: {
  readonly step: Step
  readonly of: FollowerOfJob
  readonly cylinderId: string | undefined
}) {
  const { view, say } = useBench()
  const key = `${view.job.id}:${follower.id}:${cylinderId ?? ''}:moved`
  const ways: readonly FollowerSetBy[] = follower.setBy.length > 0 ? follower.setBy : ['swing']
  const how = useDraft(`${key}:how`, ways[0])
  const towards = useDraft(`${key}:towards`, move?.towards ?? 'advance')
  const way = ways.find((one) => one === how.text) ?? ways[0] ?? 'swing'
  const { unit, asks } = UNITS[way]
  const field = useField(`${key}:${unit}`, (text) => parseDegrees(text, entryLimits('followerMoved', 'amount')))
  const wantedMm = way === 'swing' && move?.slotMm !== undefined ? Math.abs(move.slotMm) : undefined
  const write = () => {
    field.ask()
    if (field.value === undefined) return
    void say(
      {
        kind: 'followerMoved',
        followerId: follower.id,
        ...(cylinderId ? { cylinderId } : {}),
        how: way,
        amount: field.value,
        unit,
        towards: towards.text === 'retard' ? 'retard' : 'advance',
        typed: [{ field: 'amount', text: field.said }],
        stepId: step.id,
      },
      [field, towards],
    )
  }
  return (
    <div className="move-by">
      {ways.length > 1 && (
        <NativeSelect
          label="What was moved"
          value={way}
          onChange={(event) => how.setText(event.currentTarget.value)}
          data={ways.map((value) => ({ value, label: setByWords[value] }))}
        />
      )}
      <WordsInput
        label={asks}
        placeholder={wantedMm !== undefined && wantedMm >= 0.01 ? fixed(wantedMm, 2) : '1'}
        inputMode="decimal"
        maxLength={12}
        of={field}
        onBlur={field.leave}
        onEnter={() => write()}
        error={field.error && numberWords(field.error)}
      />
      <NativeSelect
        label="Which way"
        value={towards.text}
        onChange={(event) => towards.setText(event.currentTarget.value)}
        data={[
          { value: 'advance', label: 'earlier' },
          { value: 'retard', label: 'later' },
        ]}
      />
      <Button variant="default" fullWidth onClick={write}>
        It was moved
      </Button>
    </div>
  )
}
