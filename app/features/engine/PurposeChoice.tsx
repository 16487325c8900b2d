import type { BuildSheet, Purpose } from '@link-count/core/model'
import { makeRunSheet, purposesOf, stepsOf } from '@link-count/core/runSheet'
import { Pin } from '../../ui/ChainProgress'
import { purposeWords } from '../../ui/wording'
import './PurposeChoice.css'

/** What a job is here for, each as long as its chain of steps. */
export const PurposeChoice = ({
  sheet,
  chosen,
  onChoose,
}: {
  readonly sheet: BuildSheet
  readonly chosen: Purpose
  readonly onChoose: (purpose: Purpose) => void
}) => (
  <fieldset className="purposes">
    <legend className="field-label">What is it here for?</legend>
    {purposesOf(sheet).map((purpose) => {
      const { name, help } = purposeWords[purpose]
      const steps = stepsOf(makeRunSheet(sheet, purpose))
      return (
        <label key={purpose} className={purpose === chosen ? 'purpose chosen' : 'purpose'}>
          <input
            type="radio"
            name="purpose"
            value={purpose}
            checked={purpose === chosen}
            onChange={() => onChoose(purpose)}
          />
          <span className="purpose-name">{name}</span>
          <span className="purpose-chain">
            <span aria-hidden="true">
              {steps.slice(0, MOST_PINS).map(({ id }) => (
                <Pin key={id} state="open" size={10} />
              ))}
            </span>{' '}
            {steps.length} steps
          </span>
          <span className="soft purpose-help">{help}</span>
        </label>
      )
    })}
  </fieldset>
)

/** A twelve-cylinder engine has more steps than there is room for. */
const MOST_PINS = 14
