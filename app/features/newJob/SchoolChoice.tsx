import { Checkbox, NativeSelect, Textarea } from '@mantine/core'
import { WordsInput } from '../../ui/fields'
import type { BuildSheet, ChosenSchools, StepKind } from '@link-count/core/model'
import type { Schools } from '@link-count/core/runSheet'
import type { Draft } from '../../ui/fields'
import { schoolAnswer, SCHOOL_QUESTIONS, schoolQuestions, type SchoolQuestion } from '../../ui/wording'

/** How it is done here, where good mechanics differ: what bears on the steps that this job has. */
export function SchoolChoice({
  sheet,
  schools,
  kinds,
  bands,
  keep,
  onChoose,
  onKeep,
}: {
  readonly sheet: BuildSheet
  readonly schools: Schools
  readonly kinds: ReadonlySet<StepKind>
  readonly bands: { readonly text: Draft; readonly source: Draft; readonly error: string | undefined }
  readonly keep: boolean
  readonly onChoose: (chosen: ChosenSchools) => void
  readonly onKeep: (keep: boolean) => void
}) {
  const asked = SCHOOL_QUESTIONS.filter(
    (question) =>
      schoolQuestions[question].bearsOn.some((kind) => kinds.has(kind)) &&
      (question !== 'loopGoesOn' || sheet.loops.some(({ kind }) => kind !== 'toothedBelt')),
  )
  return (
    <section aria-labelledby="school-label">
      <h2 id="school-label">How you do it here</h2>
      <div className="schools">
        {asked.map((question) => (
          <School key={question} question={question} schools={schools} onChoose={onChoose} />
        ))}
        {kinds.has('twoTurns') && (
          <div className="school">
            <span>Full turns that prove it</span>
            <NativeSelect
              aria-label="Full turns that prove it"
              value={String(schools.turns)}
              onChange={(event) => onChoose({ turns: Number(event.currentTarget.value) })}
              data={Array.from({ length: 19 }, (_, i) => String(i + 2))}
            />
            <span className="soft">Two at least; more find the tight place.</span>
          </div>
        )}
        {schools.wearBy === 'own' && <OwnBands {...bands} />}
      </div>
      <Checkbox
        label="Keep this as this engine’s way"
        checked={keep}
        onChange={(e) => onKeep(e.currentTarget.checked)}
      />
    </section>
  )
}

function School({
  question,
  schools,
  onChoose,
}: {
  readonly question: SchoolQuestion
  readonly schools: Schools
  readonly onChoose: (chosen: ChosenSchools) => void
}) {
  const { asks, answers, none } = schoolQuestions[question]
  const said = schoolAnswer(question, schools[question])
  return (
    <div className="school">
      <span>{asks}</span>
      <NativeSelect
        aria-label={asks}
        value={schools[question] ?? ''}
        onChange={(event) => onChoose({ [question]: event.currentTarget.value || undefined })}
        data={[
          ...(none ? [{ value: '', label: none.name }] : []),
          ...Object.entries(answers).map(([value, { name }]) => ({ value, label: name })),
        ]}
      />
      <span className="soft">{said?.why}</span>
    </div>
  )
}

const OwnBands = ({
  text,
  source,
  error,
}: {
  readonly text: Draft
  readonly source: Draft
  readonly error: string | undefined
}) => (
  <div className="own-bands stack">
    <Textarea
      label="Your bands: degrees late at the crank, and what is done from there on"
      description="One to a line, the first from 0."
      placeholder={'0 leave it\n4 watch it\n7 renew the chain'}
      autosize
      minRows={3}
      value={text.text}
      onChange={(event) => text.setText(event.currentTarget.value)}
      error={error}
    />
    <WordsInput label="Where they come from" placeholder="our own engines, since 2011" maxLength={80} of={source} />
  </div>
)
