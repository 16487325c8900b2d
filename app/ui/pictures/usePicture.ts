import { useEffect, useState } from 'react'
import { readPicture } from '../../domain/notes'
import { useAppDispatch } from '../../store'

/** The address of a picture of the database while it is shown; undefined until it is read, or where this browser does not have it. `asData`: it holds the picture
 *  itself, to be drawn on a card that is saved. */
export function usePicture(pictureId: string, asData = false): string | undefined {
  const dispatch = useAppDispatch()
  const [url, setUrl] = useState<string>()
  useEffect(() => {
    let made: string | undefined
    let gone = false
    void dispatch(readPicture(pictureId)).then(async (blob) => {
      if (!blob || gone) return
      const fresh = asData ? await dataOf(blob) : (made = URL.createObjectURL(blob))
      if (!gone) setUrl(fresh)
    })
    return () => {
      gone = true
      if (made) URL.revokeObjectURL(made)
    }
  }, [dispatch, pictureId, asData])
  return url
}

const dataOf = (blob: Blob): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader()
    reader.onload = () => resolve(String(reader.result))
    reader.onerror = () => reject(reader.error ?? new Error('the picture cannot be read'))
    reader.readAsDataURL(blob)
  })
