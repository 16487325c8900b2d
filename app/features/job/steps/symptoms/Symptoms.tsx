import { Button, Checkbox } from '@mantine/core'
import { nextSuspect, suspectsOf, type Suspected, type Symptom } from '@link-count/core/diagnose'
import { allOf } from '@link-count/core/ledger'
import type { NewEntry } from '@link-count/core/model'
import { idOfNext, targetsOf, type Step } from '@link-count/core/runSheet'
import { causeWordsOf, kindTitle, nounsOfAll, settlingWords, symptomWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import './Symptoms.css'

/** What it does that it should not, and the cheapest reading that tells what is behind it; each cause found, ruled out or open. */
export function Symptoms({ step }: { readonly step: Step }) {
  const { view, say } = useBench()
  const { sheet, state } = view
  const there = new Set(allOf(state, 'symptom').flatMap(({ symptom, is }) => (is === 'there' ? [symptom] : [])))
  const suspects = suspectsOf(sheet, state)
  const next = nextSuspect(suspects)
  return (
    <div className="stack">
      <fieldset className="symptoms">
        <legend className="field-label">What does it do?</legend>
        {(Object.entries(symptomWords) as [Symptom, string][]).map(([symptom, words]) => (
          <Checkbox
            key={symptom}
            label={words}
            checked={there.has(symptom)}
            onChange={(event) =>
              void say({ kind: 'symptom', symptom, is: event.currentTarget.checked ? 'there' : 'not', stepId: step.id })
            }
          />
        ))}
      </fieldset>
      {next && <Next suspect={next} step={step} />}
      {suspects.length > 0 && !next && (
        <p className="result">
          {suspects.some(({ is }) => is === 'found')
            ? 'Every cause here is found or ruled out.'
            : 'None of the causes known here is behind it: look further with the maker’s manual.'}
        </p>
      )}
      {suspects.length > 0 && (
        <ul className="plain suspects" aria-label="What can be behind it">
          {suspects.map((suspect) => (
            <Suspect key={suspect.id} suspect={suspect} step={step} />
          ))}
        </ul>
      )}
    </div>
  )
}

/** The cheapest reading that still tells something, and the way to it. */
function Next({ suspect, step }: { readonly suspect: Suspected; readonly step: Step }) {
  const { view, say, showStep } = useBench()
  const { sheet, steps, leftOut } = view
  const { name, shows } = causeWordsOf(suspect.id)
  const kind = suspect.step
  const has = kind && steps.find((one) => one.step.kind === kind)
  const goThere = async () => {
    if (!kind) return
    if (has) {
      showStep(has.step.id)
      return
    }
    const ever = [...steps, ...leftOut].map((one) => one.step)
    const added: Extract<NewEntry, { kind: 'plan' }>[] = []
    for (const targetIds of targetsOf(sheet, kind)) {
      const target = idOfNext(ever, kind)
      ever.push({ id: target, kind, targetIds })
      added.push({
        kind: 'plan',
        does: 'add',
        target,
        stepKind: kind,
        targetIds: [...targetIds],
        before: 'card',
        reason: '',
        stepId: step.id,
      })
    }
    if (added[0] && (await say(added))) showStep(added[0].target)
  }
  return (
    <div className="move">
      <p>
        <strong>Next: is it this? {name}.</strong> {shows}
      </p>
      {kind ? (
        <Button variant="filled" onClick={() => void goThere()}>
          To the step: {kindTitle(kind, nounsOfAll(sheet.loops)).toLowerCase()}
        </Button>
      ) : (
        <p className="soft">Read it as the maker’s manual says, and say below what came of it.</p>
      )}
    </div>
  )
}

/** One cause, how it stands, and the word of whoever looked. */
function Suspect({ suspect, step }: { readonly suspect: Suspected; readonly step: Step }) {
  const { say } = useBench()
  const { name } = causeWordsOf(suspect.id)
  const settle = (is: 'found' | 'ruledOut' | 'open') =>
    void say({ kind: 'causeSettled', cause: suspect.id, is, by: '', stepId: step.id })
  return (
    <li className={`suspect ${suspect.is}`}>
      <span>
        <strong>{name}</strong>{' '}
        <span className="soft">
          {settlingWords[suspect.is]}
          {suspect.by === 'reading' ? ', by what was read' : suspect.by === 'word' ? ', by word' : ''}
        </span>
      </span>
      {suspect.is === 'open' ? (
        <span className="row">
          <Button variant="quiet" aria-label={`It is this: ${name}`} onClick={() => settle('found')}>
            It is this
          </Button>
          <Button variant="quiet" aria-label={`Not this: ${name}`} onClick={() => settle('ruledOut')}>
            Not this
          </Button>
        </span>
      ) : (
        suspect.by === 'word' && (
          <Button variant="quiet" aria-label={`Open again: ${name}`} onClick={() => settle('open')}>
            Open again
          </Button>
        )
      )}
    </li>
  )
}
