import { NativeSelect } from '@mantine/core'
import { useState } from 'react'
import type { BuildSheet, EntryOf } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { Fold } from '../../../ui/Fold'
import { picturesOf } from '../../../ui/pictures/pictureMarks'
import { inSentence, stepTitle } from '../../../ui/wording'
import { useBench } from '../JobContext'
import { PictureList } from './Pictures'
import { TakePicture } from './TakePicture'

type Of = NonNullable<EntryOf<'picture'>['of']>

/** What a picture in a step may be of, beside the step itself; findings, what came off and bolts have theirs where they are worked on. */
const subjectsOf = (sheet: BuildSheet): { title: string; what: Of['what']; list: readonly Named[] }[] => [
  { title: 'Marks', what: 'mark', list: sheet.marks },
  { title: 'Parts', what: 'part', list: [...sheet.shafts, ...sheet.members, ...sheet.loops, ...sheet.cams] },
]

const isShownThere = (what: Of['what'] | undefined) => what === 'removal' || what === 'finding' || what === 'bolts'

type Named = { readonly id: string; readonly name: string }

/** The pictures taken in a step: of the step, of a mark or of a part. */
export function StepPictures({ step }: { readonly step: Step }) {
  const { state, sheet } = useBench().view
  const own = picturesOf(state.live).filter(({ stepId, of }) => stepId === step.id && !isShownThere(of?.what))
  const [chosen, setChosen] = useState('')
  const subjects = subjectsOf(sheet).filter(({ list }) => list.length > 0)
  const of = subjects
    .flatMap(({ what, list }) => list.map(({ id, name }) => ({ what, id, name })))
    .find(({ what, id }) => `${what} ${id}` === chosen)
  const name = of ? `the ${inSentence(of.name)}` : 'this step'
  return (
    <Fold title="Pictures" note={own.length === 0 ? 'none in this step' : own.length}>
      <div className="pictures">
        <PictureList pictures={own} />
      </div>
      <NativeSelect label="What it is of" value={chosen} onChange={(event) => setChosen(event.currentTarget.value)}>
        <option value="">this step</option>
        {subjects.map(({ title, what, list }) => (
          <optgroup key={what} label={title}>
            {list.map((one) => (
              <option key={one.id} value={`${what} ${one.id}`}>
                {one.name}
              </option>
            ))}
          </optgroup>
        ))}
      </NativeSelect>
      <div className="pictures">
        <TakePicture
          name={name}
          said={{
            caption: of?.name ?? stepTitle(step, sheet),
            stepId: step.id,
            ...(of ? { of: { what: of.what, id: of.id } } : {}),
          }}
        />
      </div>
    </Fold>
  )
}
