import type { BuildSheet, Engine, Purpose, Template } from '@link-count/core/model'
import { makeRunSheet, purposesOf, type Schools, type Step } from '@link-count/core/runSheet'
import { Pin } from '../../ui/ChainProgress'
import { formatDate, purposeWords } from '../../ui/wording'
import './PurposeChoice.css'

/** What a job is to be here for: a purpose, or a run sheet that somebody kept. */
export interface Chosen {
  readonly purpose: Purpose
  readonly kept?: Template | undefined
}

/** A run sheet that was kept, and the engine that it was kept on. */
export interface Kept {
  readonly template: Template
  readonly engine: Engine
}

/** What a job is here for, each as long as its chain of steps; then the run sheets that were kept. */
export const PurposeChoice = ({
  sheet,
  schools,
  kept,
  chosen,
  onChoose,
}: {
  readonly sheet: BuildSheet
  readonly schools: Schools
  readonly kept: readonly Kept[]
  readonly chosen: Chosen
  readonly onChoose: (chosen: Chosen) => void
}) => (
  <div className="purposes" role="radiogroup" aria-labelledby="purpose-label">
    <h1 id="purpose-label">What is it here for?</h1>
    {purposesOf(sheet).map((purpose) => (
      <Choice
        key={purpose}
        name={purposeWords[purpose].name}
        help={purposeWords[purpose].help}
        steps={makeRunSheet(sheet, { purpose, schools })}
        checked={!chosen.kept && chosen.purpose === purpose}
        onChoose={() => onChoose({ purpose })}
      />
    ))}
    {(sheet.followers ?? []).length === 0 && (
      <p className="soft purposes-more">
        For the pump or the spark alone: put the pump, magneto or distributor on its drive on the build sheet first.
      </p>
    )}
    {kept.map(({ template, engine }) => (
      <Choice
        key={template.id}
        name={`As we do it: ${template.name}`}
        help={`Kept on ${engine.name}, ${formatDate(template.at)}.`}
        steps={makeRunSheet(sheet, { schools, kinds: template.kinds })}
        checked={chosen.kept?.id === template.id}
        onChoose={() => onChoose({ purpose: template.purpose, kept: template })}
      />
    ))}
  </div>
)

function Choice({
  name,
  help,
  steps,
  checked,
  onChoose,
}: {
  readonly name: string
  readonly help: string
  readonly steps: readonly Step[]
  readonly checked: boolean
  readonly onChoose: () => void
}) {
  return (
    <label className={checked ? 'purpose chosen' : 'purpose'}>
      <input type="radio" name="purpose" checked={checked} onChange={onChoose} />
      <span className="purpose-name">
        <strong>{name}</strong>
        <span className="soft purpose-help">{help}</span>
      </span>
      <span className="purpose-chain" aria-hidden="true">
        {steps.slice(0, MOST_PINS).map(({ id }, i) => (
          <Pin key={id} state={i === 0 ? 'done' : 'open'} size={16} />
        ))}
        {steps.length > MOST_PINS && '…'}
      </span>
      <span className="purpose-count reading">{steps.length} steps</span>
    </label>
  )
}

/** A twelve-cylinder engine has more steps than there is room for. */
const MOST_PINS = 14
