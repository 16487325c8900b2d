import { lastOf } from '@link-count/core/ledger'
import type { JobView } from '../../domain/views'
import { LedgerPicture } from '../../ui/pictures/LedgerPicture'
import { picturesOf } from '../../ui/pictures/pictureMarks'
import { upperFirst } from '../../ui/wording'

/** The pictures that were chosen for the card, with what is drawn on them. */
export function PicturesOnCard({ view: { state } }: { readonly view: JobView }) {
  const chosen = picturesOf(state.live).flatMap((entry) => {
    const layer = lastOf(state, 'pictureMarks', entry.pictureId)
    return layer?.onCard ? [{ entry, marks: layer.marks }] : []
  })
  if (chosen.length === 0) return null
  return (
    <section className="card-pictures" aria-label="Pictures">
      {chosen.map(({ entry: { id, pictureId, caption }, marks }) => (
        <figure key={id}>
          <LedgerPicture pictureId={pictureId} caption={caption} marks={marks} asData />
          <figcaption>{upperFirst(caption)}</figcaption>
        </figure>
      ))}
    </section>
  )
}
