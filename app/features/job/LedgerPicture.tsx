import { useEffect, useState } from 'react'
import { readPicture } from '../../domain/notes'
import { useAppDispatch } from '../../store'

/** A picture of the ledger, read from the database when it is shown. */
export function LedgerPicture({ pictureId, caption }: { readonly pictureId: string; readonly caption: string }) {
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
  return url ? (
    <img src={url} alt={caption || 'Picture of the job'} className="ledger-picture" />
  ) : (
    <span className="soft"> picture not in this browser</span>
  )
}
