import { useState } from 'react'
import type { PictureMark } from '@link-count/core/model'
import { PictureMarks } from './PictureMarks'
import { usePicture } from './usePicture'
import './LedgerPicture.css'

/** A picture of the ledger with what is drawn on it, or a recording; read from the database when it is shown. */
export function LedgerPicture({
  pictureId,
  caption,
  marks = [],
  isSound = false,
  asData = false,
}: {
  readonly pictureId: string
  readonly caption: string
  readonly marks?: readonly PictureMark[]
  readonly isSound?: boolean
  readonly asData?: boolean
}) {
  const url = usePicture(pictureId, asData)
  const [shape, setShape] = useState<number>()
  if (url && isSound) return <audio src={url} controls aria-label={caption || 'Recording of the job'} />
  if (!url) return <span className="soft"> {isSound ? 'recording' : 'picture'} not in this browser</span>
  const words = marks.flatMap((mark) => (mark.shape === 'word' ? [mark.text] : []))
  return (
    <span className="ledger-picture">
      <img
        src={url}
        alt={[caption || 'Picture of the job', ...words].join(', ')}
        onLoad={({ currentTarget: { naturalHeight, naturalWidth } }) => setShape(naturalHeight / naturalWidth)}
      />
      {shape !== undefined && marks.length > 0 && <PictureMarks marks={marks} shape={shape} />}
    </span>
  )
}
