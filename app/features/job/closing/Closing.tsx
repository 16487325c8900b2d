import { Button } from '@mantine/core'
import { useState } from 'react'
import {
  boltsAfterRun,
  checksOf,
  GUARD_GAP_MM,
  judgeGap,
  saidOf,
  type Check,
  type CheckWhen,
} from '@link-count/core/closing'
import { entryLimits, type EntryOf } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { Fold } from '../../../ui/Fold'
import { LengthInput, useDraft, useLengthField, WordsInput } from '../../../ui/fields'
import { checkIsWords, checkWhenWords, checkWords, guardGapWords } from '../../../ui/wording'
import { useBench } from '../JobContext'
import './Closing.css'

const WHENS: readonly CheckWhen[] = ['beforeCovers', 'closing', 'firstRun', 'afterRun']

/** Closing and the first run: each check a tick or a figure in its place; what is owed is named on the card. */
export function Closing({ step }: { readonly step: Step }) {
  const { sheet, state } = useBench().view
  const checks = checksOf(sheet)
  const done = checks.filter(({ id }) => saidOf(state, id)).length
  return (
    <Fold title="Closing and first run" note={`${done} of ${checks.length}`}>
      {WHENS.map((when) => (
        <div key={when} className="stack">
          <h3>{checkWhenWords[when]}</h3>
          {checks
            .filter((check) => check.when === when)
            .map((check) => (
              <OneCheck key={check.id} step={step} check={check} />
            ))}
        </div>
      ))}
    </Fold>
  )
}

/** Those that are told by a figure or by what was seen; of the others a word is asked for only where somebody has one. */
const IN_WORDS: readonly Check['id'][] = ['oilPressure', 'noise', 'lashAgain', 'tensionAgain']

const ANSWERS: readonly EntryOf<'check'>['is'][] = ['done', 'notHere', 'owed']

function OneCheck({ step, check: { id } }: { readonly step: Step; readonly check: Check }) {
  const { view, say } = useBench()
  const { state, sheet, job } = view
  const words = useDraft(`${job.id}:check:${id}`)
  const limits = entryLimits('check', 'goMm')
  const go = useLengthField(`${job.id}:check:${id}:go`, limits)
  const noGo = useLengthField(`${job.id}:check:${id}:noGo`, limits)
  const isGap = id === 'guardGap'
  const [asked, setAsked] = useState(IN_WORDS.includes(id))
  const inWords = asked || words.touched
  const said = saidOf(state, id)
  const bolts = boltsAfterRun(sheet, state)
  const named = id === 'boltsAgain' ? bolts.again : id === 'paintLines' ? bolts.paintLines : []
  const write = (is: EntryOf<'check'>['is']) => {
    const measured = isGap && is === 'done'
    if (measured) {
      go.ask()
      noGo.ask()
      if (!go.value || !noGo.value) return
    }
    void say(
      {
        kind: 'check',
        checkId: id,
        is,
        words: words.text.trim(),
        ...(measured && go.value && noGo.value ? { goMm: go.value.value, noGoMm: noGo.value.value } : {}),
        stepId: step.id,
      },
      isGap ? [words, go, noGo] : [words],
    )
  }
  return (
    <div className="closing-check" role="group" aria-label={checkWords[id]}>
      <p>
        <strong>{checkWords[id]}</strong>
        {said && `: ${[checkIsWords[said.is], said.words].filter(Boolean).join(', ')}`}
      </p>
      {named.length > 0 && <p className="soft">{named.map(({ name }) => name).join(', ')}</p>}
      {said?.goMm !== undefined && said.noGoMm !== undefined && <Gap goMm={said.goMm} noGoMm={said.noGoMm} />}
      {isGap && (
        <>
          <LengthInput field={go} label="The blade that goes" example="0.5 mm" />
          <LengthInput
            field={noGo}
            label="The blade that does not go"
            example="1.5 mm"
            description={`Common practice: ${GUARD_GAP_MM.least} to ${GUARD_GAP_MM.most} mm.`}
          />
        </>
      )}
      {inWords && (
        <WordsInput
          aria-label={`What was read or seen: ${checkWords[id]}`}
          placeholder="what was read or seen"
          maxLength={300}
          of={words}
        />
      )}
      <div className="row">
        {ANSWERS.map((is) => (
          <Button
            key={is}
            variant={said?.is === is ? 'filled' : 'default'}
            aria-pressed={said?.is === is}
            onClick={() => write(is)}
          >
            {is === 'notHere' ? 'Nothing here' : is === 'done' ? 'Done' : 'Owed'}
          </Button>
        ))}
        {!inWords && (
          <Button variant="quiet" aria-label={`With a word: ${checkWords[id]}`} onClick={() => setAsked(true)}>
            With a word
          </Button>
        )}
      </div>
    </div>
  )
}

function Gap({ goMm, noGoMm }: { readonly goMm: number; readonly noGoMm: number }) {
  const is = judgeGap({ goMm, noGoMm })
  return <p className={is === 'right' ? 'result' : 'warn'}>{guardGapWords[is]}</p>
}
