import { useEffect, useState } from 'react'
import { readPicture } from '../../domain/notes'
import { useAppDispatch } from '../../store'

/** A picture or recording of the ledger, read from the database when it is shown. */
export function LedgerPicture({
  pictureId,
  caption,
  isSound = false,
}: {
  readonly pictureId: string
  readonly caption: string
  readonly isSound?: boolean
}) {
  const dispatch = useAppDispatch()
  const [url, setUrl] = useState<string>()
  useEffect(() => {
    let made: string | undefined
    let gone = false
    void dispatch(readPicture(pictureId)).then((blob) => {
      if (!blob || gone) return
      made = URL.createObjectURL(blob)
      setUrl(made)
    })
    return () => {
      gone = true
      if (made) URL.revokeObjectURL(made)
    }
  }, [dispatch, pictureId])
  if (url && isSound) return <audio src={url} controls aria-label={caption || 'Recording of the job'} />
  return url ? (
    <img src={url} alt={caption || 'Picture of the job'} className="ledger-picture" />
  ) : (
    <span className="soft"> {isSound ? 'recording' : 'picture'} not in this browser</span>
  )
}
