import { Button } from '@mantine/core'
import type { CountRule } from '@link-count/core/model'

/** Asked once a job: does the pin under a mark count? */
export function CountRuleChoice({
  fromSeat,
  toSeat,
  unit,
  onChoose,
}: {
  readonly fromSeat: 'gap' | 'tip'
  readonly toSeat: 'gap' | 'tip'
  readonly unit: string
  readonly onChoose: (rule: CountRule) => void
}) {
  const choices: { rule: CountRule; words: string }[] = [
    { rule: 'lastOnly', words: 'First no, last yes' },
    { rule: 'firstOnly', words: 'First yes, last no' },
    { rule: 'both', words: 'Both count' },
    { rule: 'neither', words: 'Neither counts' },
  ]
  const tips = fromSeat === 'tip' && toSeat === 'tip'
  return (
    <div className="stack">
      <p>
        <strong>How do you count?</strong>{' '}
        {tips
          ? `Both marks stand on tooth tips, so no ${unit} lies under them and every rule gives the same.`
          : `A mark at a tooth gap has a ${unit} under it. Does the ${unit} under the first mark count, and the one under the last?`}
      </p>
      {choices.map(({ rule, words }) => (
        <Button key={rule} variant="default" onClick={() => onChoose(rule)}>
          {words}
        </Button>
      ))}
    </div>
  )
}
