import { lastOf } from '@link-count/core/ledger'
import type { PictureMark } from '@link-count/core/model'
import { useDraft } from '../../../ui/fields'
import type { PictureEntry } from '../../../ui/pictures/pictureMarks'
import { useBench } from '../JobContext'

interface Layer {
  readonly marks: readonly PictureMark[]
  readonly onCard: boolean
}

/** What is drawn on a picture: as it was written, and as it is being drawn, which is kept when the page is closed. */
export function usePictureMarks({ pictureId, stepId }: PictureEntry) {
  const { view, say } = useBench()
  const written = lastOf(view.state, 'pictureMarks', pictureId)
  const draft = useDraft(`${view.job.id}:picture:${pictureId}`)
  const layer: Layer = layerOf(draft.text) ?? { marks: written?.marks ?? [], onCard: written?.onCard ?? false }
  const change = (to: Partial<Layer>) => draft.setText(JSON.stringify({ ...layer, ...to }))
  const keep = () =>
    draft.touched
      ? say({ kind: 'pictureMarks', pictureId, marks: [...layer.marks], onCard: layer.onCard, stepId }, [draft])
      : Promise.resolve(true)
  return { ...layer, change, keep }
}

function layerOf(text: string): Layer | undefined {
  try {
    return text === '' ? undefined : (JSON.parse(text) as Layer)
  } catch {
    return undefined
  }
}
