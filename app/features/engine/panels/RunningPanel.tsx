import { Button, Checkbox } from '@mantine/core'
import type { Hand } from '@link-count/core/units'
import { sheetLimits, type BuildSheet } from '@link-count/core/model'
import { nounsOfAll, schoolAnswer, SCHOOL_QUESTIONS, schoolQuestions } from '../../../ui/wording'
import { withValue } from '../sheetChanges'
import { useSource } from '../source'
import { useSheetEditor } from '../SheetEditor'
import { DegField } from '../TrustedField'
import { Choice, Fields, WordsField } from './fields'

const hands = [
  { value: 'unknown', label: 'not known yet' },
  { value: 'clockwise', label: 'clockwise' },
  { value: 'anticlockwise', label: 'anticlockwise' },
] as const

/** How the engine runs. */
export function RunningPanel() {
  const { sheet, apply, engineId } = useSheetEditor()
  const { source } = useSource(engineId)
  return (
    <Fields>
      <Choice
        label="The crank runs, seen from the timing side"
        value={sheet.running?.value ?? 'unknown'}
        options={hands}
        onChoose={(value) =>
          apply((s) =>
            withValue(
              s,
              'running',
              value === 'unknown' ? undefined : { value: value as Hand, typed: value, trust: source.trust },
            ),
          )
        }
      />
      <Choice
        label="It runs"
        help="With a reversing gear, marks and figures here are those of ahead; each reading then names how the gear stood."
        value={sheet.reversible ? 'both' : 'one'}
        options={[
          { value: 'one', label: 'one way' },
          { value: 'both', label: 'either way, by a reversing gear' },
        ]}
        onChoose={(ways) => apply((s) => withValue(s, 'reversible', ways === 'both' ? true : undefined))}
      />
      <Choice
        label="Can valves and pistons meet?"
        help="Not known is treated as yes."
        value={sheet.interference.value}
        options={[
          { value: 'unknown', label: 'not known' },
          { value: 'yes', label: 'yes, interference' },
          { value: 'no', label: 'no, free-running' },
        ]}
        onChoose={(value) =>
          apply((s) => ({
            ...s,
            interference: { value, typed: value, trust: value === 'unknown' ? 'unknown' : source.trust },
          }))
        }
      />
      <FuelAndStart />
      <TurnsWith />
    </Fields>
  )
}

function FuelAndStart() {
  const { sheet, apply } = useSheetEditor()
  return (
    <>
      <Choice
        label="Burns"
        value={sheet.fuel}
        options={[
          { value: 'petrol', label: 'petrol' },
          { value: 'paraffin', label: 'paraffin' },
          { value: 'diesel', label: 'diesel' },
          { value: 'gas', label: 'gas' },
        ]}
        onChoose={(fuel) => apply((s) => ({ ...s, fuel }))}
      />
      <Choice
        label="Started by"
        value={sheet.starting}
        options={[
          { value: 'battery', label: 'a starter' },
          { value: 'hand', label: 'hand' },
          { value: 'air', label: 'air' },
        ]}
        onChoose={(starting) => apply((s) => ({ ...s, starting }))}
      />
      <Choice
        label="Valves are shut by"
        value={sheet.valvesShutBy ?? 'springs'}
        options={[
          { value: 'springs', label: 'springs' },
          { value: 'desmodromic', label: 'a cam, without springs' },
          { value: 'opposedPistons', label: 'no valves: opposed pistons' },
        ]}
        onChoose={(by) => apply((s) => withValue(s, 'valvesShutBy', by === 'springs' ? undefined : by))}
      />
      <Choice
        label="Liners"
        value={sheet.wetLiners ? 'wet' : 'fixed'}
        options={[
          { value: 'fixed', label: 'cast in or pressed' },
          { value: 'wet', label: 'wet: clamped while the head is off' },
        ]}
        onChoose={(liners) => apply((s) => withValue(s, 'wetLiners', liners === 'wet' ? true : undefined))}
      />
    </>
  )
}

const TURNS_WITH = [
  ['vehicle', 'wheels, through its gear'],
  ['propeller', 'a propeller'],
  ['takeOff', 'what a take-off drives'],
] as const

/** What turns with its crank and may turn it: each has its own caution before the engine is turned. */
function TurnsWith() {
  const { sheet, apply } = useSheetEditor()
  const said = sheet.turnsWith
  return (
    <div className="stack" role="group" aria-label="What turns with its crank">
      <p className="field-label">What turns with its crank</p>
      {TURNS_WITH.map(([one, words]) => (
        <Checkbox
          key={one}
          size="md"
          label={words}
          checked={said?.includes(one) ?? false}
          onChange={(event) => {
            const { checked } = event.currentTarget
            void apply((s) => {
              const others = (s.turnsWith ?? []).filter((other) => other !== one)
              return { ...s, turnsWith: checked ? [...others, one] : others }
            })
          }}
        />
      ))}
      <Checkbox
        size="md"
        label="nothing"
        checked={said?.length === 0}
        onChange={(event) => {
          const { checked } = event.currentTarget
          void apply((s) => withValue(s, 'turnsWith', checked ? [] : undefined))
        }}
      />
    </div>
  )
}

/** What its sides are called, how far it may be turned, how far a cam may be out, and by whose limits. */
export function AllowedPanel() {
  const { sheet, apply } = useSheetEditor()
  const noun = nounsOfAll(sheet.loops).loop
  return (
    <Fields>
      <WordsField
        id="side-timing"
        label="You call the timing side"
        value={sheet.sides.timing}
        change={(text) => (s) => ({ ...s, sides: { ...s.sides, timing: text } })}
      />
      <WordsField
        id="side-opposite"
        label="And the other side"
        value={sheet.sides.opposite}
        change={(text) => (s) => ({ ...s, sides: { ...s.sides, opposite: text } })}
      />
      <DegField
        example="4°"
        limits={sheetLimits('trimDeg')}
        id="trim"
        label={`Trim allowed with the ${noun} off`}
        help="Degrees either way at the timing position. 4° is usual; common practice, no source."
        value={sheet.trimDeg}
        change={(value) => (s) => withValue(s, 'trimDeg', value)}
      />
      <DegField
        example="18°"
        limits={sheetLimits('safeOutDeg')}
        id="safe-out"
        label="Cam may read out by, and still be turned"
        help="At the crank. A camshaft that reads further out holds the engine to a trim. Usual: one tooth of what drives it, and never more than 20° (ours)."
        value={sheet.safeOutDeg}
        change={(value) => (s) => withValue(s, 'safeOutDeg', value)}
      />
      <DegField
        example="2°"
        limits={sheetLimits('toleranceDeg')}
        id="tolerance"
        label="Cam may be out by, at the crank"
        help="What the book or this workshop allows. Without it a cam is judged to whole teeth only."
        value={sheet.toleranceDeg}
        change={(value) => (s) => withValue(s, 'toleranceDeg', value)}
      />
      <Choice
        label="A late cam is judged by"
        help="Limits of common practice, never mixed; the maker’s manual comes first."
        value={sheet.school ?? ''}
        options={[
          { value: '', label: 'the sheet’s own limit only' },
          { value: 'roadDiesel', label: 'road diesel, single chain' },
          { value: 'marine', label: 'large marine, chain' },
        ]}
        onChoose={(school) => apply((s) => withValue(withoutWearBy(s), 'school', school === '' ? undefined : school))}
      />
      <KeptWay />
    </Fields>
  )
}

/** How it is done on this engine, where good mechanics differ: chosen and kept when a job began. */
function KeptWay() {
  const { sheet, apply } = useSheetEditor()
  const kept = SCHOOL_QUESTIONS.flatMap((question) => {
    const answer = question === 'reversing' ? sheet.reversing : sheet.schools?.[question]
    return answer
      ? [{ asks: schoolQuestions[question].asks, name: schoolAnswer(question, answer)?.name ?? answer }]
      : []
  })
  return (
    <div className="stack">
      <p className="field-label">How it is done on this engine</p>
      <ul className="plain">
        {kept.map(({ asks, name }) => (
          <li key={asks}>
            {asks} <strong>{name}</strong>
          </li>
        ))}
        {sheet.schools?.turns && (
          <li>
            Full turns that prove it <strong>{sheet.schools.turns}</strong>
          </li>
        )}
      </ul>
      <p className="soft">It is chosen, and kept for the next time, where a job begins.</p>
      {sheet.schools && (
        <Button variant="quiet" onClick={() => apply((s) => withValue(s, 'schools', undefined))}>
          Back to what is usual
        </Button>
      )}
    </div>
  )
}

/** Whose bands are chosen here: what a job kept as the engine's way gives way. */
function withoutWearBy(sheet: BuildSheet): BuildSheet {
  if (!sheet.schools?.wearBy) return sheet
  const { wearBy: _was, ...schools } = sheet.schools
  return { ...sheet, schools }
}
