import { lazy, Suspense, useState } from 'react'
import { lastOf } from '@link-count/core/ledger'
import type { EntryOf } from '@link-count/core/model'
import { LedgerPicture } from '../../../ui/pictures/LedgerPicture'
import { picturesOf, type PictureEntry } from '../../../ui/pictures/pictureMarks'
import { useBench } from '../JobContext'
import { TakePicture } from './TakePicture'
import './Pictures.css'

const PictureDialog = lazy(() => import('./PictureDialog'))

type Of = NonNullable<EntryOf<'picture'>['of']>

/** The pictures of one thing of a job, and another taken of it. `name`: the thing, in a sentence. */
export function Pictures({
  of,
  name,
  stepId,
  inList = false,
}: {
  readonly of: Of
  readonly name: string
  readonly stepId: string
  readonly inList?: boolean
}) {
  const { live } = useBench().view.state
  const own = picturesOf(live).filter((one) => one.of?.what === of.what && one.of.id === of.id)
  return (
    <div className="pictures">
      <PictureList pictures={own} />
      <TakePicture name={`the ${name}`} said={{ caption: name, stepId, of }} inList={inList} />
    </div>
  )
}

/** Pictures, each to be touched for a closer look and to be drawn on. */
export function PictureList({ pictures }: { readonly pictures: readonly PictureEntry[] }) {
  const { state } = useBench().view
  const [open, setOpen] = useState<PictureEntry>()
  return (
    <>
      {pictures.map((entry) => (
        <button key={entry.id} type="button" className="picture-look" onClick={() => setOpen(entry)}>
          <LedgerPicture
            pictureId={entry.pictureId}
            caption={entry.caption}
            marks={lastOf(state, 'pictureMarks', entry.pictureId)?.marks ?? []}
          />
          <span className="unseen">: look closer, or draw on it</span>
        </button>
      ))}
      {open && (
        <Suspense>
          <PictureDialog entry={open} onClose={() => setOpen(undefined)} />
        </Suspense>
      )}
    </>
  )
}
