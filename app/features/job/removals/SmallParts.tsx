import { Button } from '@mantine/core'
import { entryLimits } from '@link-count/core/model'
import { talliesOf } from '@link-count/core/removals'
import type { Step } from '@link-count/core/runSheet'
import { Fold } from '../../../ui/Fold'
import { parseWhole, useDraft, useField, wholeWords, WordsInput } from '../../../ui/fields'
import { useBench } from '../JobContext'

/** Small parts counted: so many of each in each place, as they came out and as they were fitted. */
export function SmallParts({ step }: { readonly step: Step }) {
  const { view, say } = useBench()
  const key = (name: string) => `${view.job.id}:small:${name}`
  const what = useDraft(key('what'))
  const where = useDraft(key('where'))
  const n = useField(key('n'), parseWhole(entryLimits('smallParts', 'n')))
  const tallies = talliesOf(view.state)
  const write = (change: 'out' | 'fitted') => {
    n.ask()
    if (n.value === undefined || what.text.trim() === '') return
    void say(
      { kind: 'smallParts', what: what.text.trim(), where: where.text.trim(), change, n: n.value, stepId: step.id },
      [n],
    )
  }
  return (
    <Fold
      title="Small parts, counted"
      note={tallies.length === 0 ? 'none' : tallies.length === 1 ? '1 kind' : `${tallies.length} kinds`}
    >
      {tallies.map((one) => (
        <p key={one.what + one.where}>
          {one.what}
          {one.where ? `, ${one.where}` : ''}: {one.out} out, {one.fitted} fitted
        </p>
      ))}
      <WordsInput label="What they are" placeholder="copper washers" maxLength={120} of={what} />
      <div className="row">
        <WordsInput label="Of which place" placeholder="injector 1" maxLength={120} of={where} />
        <WordsInput
          label="How many of them"
          inputMode="numeric"
          maxLength={4}
          of={n}
          error={n.error && wholeWords(n.error)}
        />
      </div>
      <div className="row">
        <Button variant="default" onClick={() => write('out')}>
          Came out
        </Button>
        <Button variant="default" onClick={() => write('fitted')}>
          Fitted
        </Button>
      </div>
    </Fold>
  )
}
