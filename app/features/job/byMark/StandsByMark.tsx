import { Button } from '@mantine/core'
import { useState } from 'react'
import { crankMarkOf } from '@link-count/core/byMark'
import type { NewEntry, RimMark } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { fixed } from '@link-count/core/units'
import type { Taken } from '../../../ui/fields'
import { RimMarkForm } from '../../../ui/marks/RimMarkForm'
import { atCrankMarkWords } from '../../../ui/wording'
import { useBench } from '../JobContext'
import { useCrankMark } from './useCrankMark'

/** Where the crank stands by a mark alone: no wheel, no tape. It is usable and labelled, with the ± that the mark has, and never proved. */
export function StandsByMark({ step }: { readonly step: Step }) {
  const { view, say, changeSheet } = useBench()
  const { sheet, job } = view
  const [adding, setAdding] = useState(false)
  const seen = useCrankMark(`${job.id}:${step.id}:stands`, sheet.referencePose.crankDeg.value)
  const add = async (mark: RimMark, typed: readonly Taken[]) => {
    if (await changeSheet((old) => ({ ...old, rimMarks: [...old.rimMarks, mark] }), typed)) setAdding(false)
  }
  const write = () => {
    for (const field of Object.values(seen?.fields ?? {})) field.ask()
    if (seen?.crank?.by !== 'mark') return
    const { markId, offDeg } = seen.crank
    const typed = Object.entries(seen.fields).map(([field, { text }]) => ({ field, text }))
    const newEntry: NewEntry = {
      kind: 'stands',
      place: 'mark',
      cylinderId: sheet.zeroCylinderId,
      markId,
      offDeg,
      typed,
      stepId: step.id,
    }
    void say(newEntry, [...Object.values(seen.fields), ...seen.besides])
  }
  if (adding)
    return (
      <RimMarkForm
        sheet={sheet}
        keyPrefix={`${job.id}:new-crank-mark`}
        onSave={(mark, typed) => void add(mark, typed)}
        onLeave={() => setAdding(false)}
      />
    )
  return (
    <div className="stack">
      {!seen && <p>No mark of the crank is on the build sheet yet.</p>}
      {seen?.panel}
      <div className="row">
        {seen && (
          <Button variant="filled" onClick={write} disabled={seen.crank?.by !== 'mark'}>
            It stands there, by the mark
          </Button>
        )}
        <Button variant="quiet" onClick={() => setAdding(true)}>
          {seen ? 'Another mark of the crank' : 'Add the line that is there'}
        </Button>
      </div>
      <StoodByMark />
    </div>
  )
}

/** What is known of the crank by the mark it was last seen by. */
export function StoodByMark() {
  const { sheet, state } = useBench().view
  const { byMark, sinceReferenceDeg } = state.crank
  const mark = crankMarkOf(sheet, byMark?.markId)
  const said = state.live.findLast((entry) => entry.kind === 'stands')
  if (!byMark || !mark || said?.kind !== 'stands') return null
  return (
    <p className="result">
      By the mark: {atCrankMarkWords(mark, said.offDeg ?? 0)},{' '}
      <span className="reading">± {fixed(2 * byMark.sigmaDeg, 1)}°</span>
      {sinceReferenceDeg !== 0 && `, turned ${fixed(sinceReferenceDeg, 0)}° since`}.{' '}
      <span className="soft">Usable, not proved: a wheel or a stop would prove it, and then takes over.</span>
    </p>
  )
}
