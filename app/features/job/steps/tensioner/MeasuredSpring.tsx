import { Button, NativeSelect } from '@mantine/core'
import { lastOf } from '@link-count/core/ledger'
import { entryLimits, type EntryOf } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { MOST_LOST, springSet, type SpringSet } from '@link-count/core/tension'
import { fixed, formatMm } from '@link-count/core/units'
import { Figure } from '../../../../ui/Figure'
import { LengthInput, useDraft, useLengthField } from '../../../../ui/fields'
import { springLooks } from '../../../../ui/wording'
import { askTurn } from '../../askTurn'
import { useBench } from '../../JobContext'
import { replacing } from '../lash/Lash'

type What = EntryOf<'spring'>['what']
/** A rule on a spring, two sigma. Ours. */
const RULE_MM = 0.3
/** What the length may have moved when the upper nut was tightened before it is asked about, mm. Ours. */
const SQUEEZED_MM = 0.5

/** What an aged spring is set to, and its length again after the upper nut. */
export function MeasuredSpring({ step, memberId }: { readonly step: Step; readonly memberId: string }) {
  const { state, sheet } = useBench().view
  const tightener = partsOf(sheet).member(memberId)?.tightener
  const { freeNewMm, setNewMm, lockDeg } = tightener ?? {}
  const at = state.tensioners[memberId]
  const free = lastOf(state, 'spring', `${memberId} free`)
  const after = lastOf(state, 'spring', `${memberId} afterNut`)
  const set =
    free && freeNewMm && setNewMm
      ? springSet({ freeNewMm: freeNewMm.value, setNewMm: setNewMm.value, freeNowMm: free.mm })
      : undefined
  const squeezedMm = set && after ? set.setNowMm - after.mm : undefined
  return (
    <div className="stack">
      {(!freeNewMm || !setNewMm) && (
        <p className="warn">
          Its lengths as new, free and set, stand on its plate or in the book: write them on the build sheet.
        </p>
      )}
      <Length step={step} memberId={memberId} what="free" label="The spring now, free" example="212.4 mm" looks />
      {set && free && freeNewMm && setNewMm && (
        <SetTo
          set={set}
          freeMm={free.mm}
          plusMinusMm={free.plusMinusMm}
          freeNewMm={freeNewMm.value}
          setNewMm={setNewMm.value}
        />
      )}
      {free?.look && free.look !== 'sound' && (
        <p className="warn">A spring that is {springLooks[free.look]} is renewed: its rate holds no more.</p>
      )}
      {(at === 'loose' || at === 'springOnly') && (
        <>
          <NutsInOrder setNowMm={set?.setNowMm} lockDeg={lockDeg?.value} />
          <Length
            step={step}
            memberId={memberId}
            what="afterNut"
            label="The spring after the upper nut"
            example="189.4 mm"
          />
        </>
      )}
      {(at === 'locked' || at === 'proven') && (
        <p className="soft">
          Next: every 4000 hours is common practice. Keep it in the log of this engine, under Due next.
        </p>
      )}
      {squeezedMm !== undefined && at !== 'locked' && at !== 'proven' && (
        <p className={Math.abs(squeezedMm) > SQUEEZED_MM ? 'warn' : 'result'}>
          {Math.abs(squeezedMm) <= SQUEEZED_MM
            ? `Within ${formatMm(Math.abs(squeezedMm), 1)} of what it is set to.`
            : `${formatMm(Math.abs(squeezedMm), 1)} ${squeezedMm > 0 ? 'shorter' : 'longer'} than it is set to: ${squeezedMm > 0 ? 'the upper nut squeezed it, ease it' : 'run the lower nuts down further'}.`}
        </p>
      )}
    </div>
  )
}

function Length({
  step,
  memberId,
  what,
  label,
  example,
  looks = false,
}: {
  readonly step: Step
  readonly memberId: string
  readonly what: What
  readonly label: string
  readonly example: string
  readonly looks?: boolean
}) {
  const { view, say } = useBench()
  const field = useLengthField(`${view.job.id}:${step.id}:${memberId}:${what}`, entryLimits('spring', 'mm'))
  const look = useDraft(`${view.job.id}:${step.id}:${memberId}:look`, 'sound')
  const written = lastOf(view.state, 'spring', `${memberId} ${what}`)
  const write = () => {
    field.ask()
    if (!field.value) return
    void say(
      [
        ...replacing(written?.id),
        {
          kind: 'spring',
          memberId,
          what,
          mm: field.value.value,
          plusMinusMm: RULE_MM,
          ...(looks ? { look: look.text as NonNullable<EntryOf<'spring'>['look']> } : {}),
          typed: [{ field: 'spring', text: field.said }],
          stepId: step.id,
        },
      ],
      [field],
    )
  }
  return (
    <>
      {looks && (
        <NativeSelect
          label="The spring looks"
          value={look.text}
          onChange={(event) => look.setText(event.currentTarget.value)}
          data={Object.entries(springLooks).map(([value, name]) => ({ value, label: name }))}
        />
      )}
      <LengthInput
        field={field}
        label={label}
        example={example}
        description={written && `Written: ${formatMm(written.mm, 1)}`}
        onEnter={write}
      />
      <Button variant="default" onClick={write} disabled={field.text.trim() === ''}>
        {written ? 'Replace' : 'Write it down'}: {what === 'free' ? 'free length' : 'length after the nut'}
      </Button>
    </>
  )
}

/** What it is set to now; or why it is not trusted. */
const SetTo = ({
  set,
  freeMm,
  plusMinusMm,
  freeNewMm,
  setNewMm,
}: {
  readonly set: SpringSet
  readonly freeMm: number
  readonly plusMinusMm: number
  readonly freeNewMm: number
  readonly setNewMm: number
}) => (
  <p className={set.verdict === 'sound' ? 'result' : 'warn'}>
    {set.verdict === 'tooShort' || set.verdict === 'noTravel' || set.verdict === 'longerThanNew' ? null : 'Set it to '}
    {set.verdict === 'sound' && (
      <Figure
        opened={{
          title: 'The spring is set to',
          value: formatMm(set.setNowMm, 1),
          plusMinus: formatMm(plusMinusMm, 1),
          readings: [
            { label: 'Free now', value: formatMm(freeMm, 1) },
            { label: 'Free as new', value: formatMm(freeNewMm, 1) },
            { label: 'Set as new', value: formatMm(setNewMm, 1) },
            {
              label: 'Set to its length as new instead, it would push with',
              value: `${fixed(100 * set.forceIfSetAsNew, 1)}% of its force`,
            },
          ],
          formula: 'Free now − (free as new − set as new): its work is kept, not its length.',
          source: 'common practice; it holds while the spring’s rate does',
        }}
      >
        {formatMm(set.setNowMm, 1)}
      </Figure>
    )}
    {set.verdict === 'sound' &&
      `, not to ${formatMm(setNewMm, 1)}: that would cost ${fixed(100 * (1 - set.forceIfSetAsNew), 1)}% of its force.`}
    {set.verdict === 'tooShort' &&
      `It has lost ${fixed(100 * set.lostShare, 0)}% of its travel, more than ${100 * MOST_LOST}% (ours): renew it.`}
    {set.verdict === 'longerThanNew' && 'It measures longer than new: one of the two figures is wrong.'}
    {set.verdict === 'noTravel' && 'Free as new must be longer than set as new: look at the build sheet.'}
  </p>
)

/** The nuts in their order, the engine kept turning meanwhile where the guard lets it. */
function NutsInOrder({
  setNowMm,
  lockDeg,
}: {
  readonly setNowMm: number | undefined
  readonly lockDeg: number | undefined
}) {
  const { view, side } = useBench()
  const turning = askTurn({ keepTurning: true }, view, side)
  return (
    <ol className="plain-list">
      <li>Both pairs of nuts slack; the spring alone takes the chain.</li>
      <li className={turning.may ? undefined : 'warn'}>{turning.words}</li>
      <li>
        Lower nuts run down to {setNowMm === undefined ? 'the length' : formatMm(setNowMm, 1)}, and locked against each
        other.
      </li>
      <li>
        Upper nut down until it touches
        {lockDeg ? `, then ${fixed(lockDeg, 0)}° more` : ', then tight'}; its lock nut against it.
      </li>
      <li>Measure the spring again: the upper nut must not have squeezed it.</li>
    </ol>
  )
}
