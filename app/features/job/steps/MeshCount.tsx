import { Button, SegmentedControl } from '@mantine/core'
import { useState } from 'react'
import { gearsOf, readMeshCount } from '@link-count/core/drive'
import { lastOf } from '@link-count/core/ledger'
import { entryLimits, type Coupling, type Phase } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { parseWhole, useField, wholeWords, WordsInput } from '../../../ui/fields'
import { inSentence, meshReadWords } from '../../../ui/wording'
import { useBench } from '../JobContext'

type Last = 'driven' | 'driver'

/** Teeth between the marks of two gears in mesh, counted along both, and what they tell. */
export function MeshCount({
  coupling,
  step,
  phase,
}: {
  readonly coupling: Coupling
  readonly step: Step
  readonly phase: Phase
}) {
  const { view, say } = useBench()
  const { sheet, state, job } = view
  const most = entryLimits('meshCount', 'teeth').most
  const field = useField(`${job.id}:${step.id}:mesh:${coupling.id}`, parseWhole({ least: 1, most }))
  const [last, setLast] = useState<Last>('driven')
  const gears = gearsOf(sheet, coupling)
  if (!gears) return null
  const [driver, driven] = [inSentence(gears.driver.name), inSentence(gears.driven.name)]
  const written = lastOf(state, 'meshCount', `${phase} ${coupling.id}`)
  const read = written && readMeshCount(sheet, coupling, written.teeth)
  const write = (teeth: number, text: string) =>
    say(
      { kind: 'meshCount', couplingId: coupling.id, phase, teeth, typed: [{ field: 'teeth', text }], stepId: step.id },
      [field],
    )
  return (
    <div className="stack">
      <p>
        Look at the marks of the {driver} and the {driven}. Count teeth from one mark to where the gears meet, and on to
        the other mark.
      </p>
      <Button variant={written ? 'quiet' : 'filled'} onClick={() => void write(0, 'face each other')}>
        The marks face each other
      </Button>
      <WordsInput
        label={`Teeth between the mark of the ${driver} and that of the ${driven}`}
        inputMode="numeric"
        of={field}
        onBlur={field.leave}
        error={field.error && wholeWords(field.error)}
      />
      <SegmentedControl
        aria-label="Whose mark comes to the mesh last, as it runs"
        value={last}
        onChange={(value) => setLast(value as Last)}
        data={[
          { value: 'driven', label: `${gears.driven.name} comes last` },
          { value: 'driver', label: `${gears.driver.name} comes last` },
        ]}
      />
      <Button
        variant="default"
        onClick={() => {
          field.ask()
          if (field.value !== undefined) void write(last === 'driven' ? field.value : -field.value, field.text)
        }}
      >
        Write it down
      </Button>
      {written && <p className="result">{meshReadWords(read, gears)}</p>}
    </div>
  )
}
