import { Button } from '@mantine/core'
import { useRef, useState } from 'react'
import type { EntryOf } from '@link-count/core/model'
import { addPicture } from '../../../domain/writes'
import { useAppDispatch } from '../../../store'
import { useAttempt } from '../../../ui/useAttempt'
import { LedgerPicture } from '../LedgerPicture'
import { useBench } from '../JobContext'
import './Pictures.css'

type Of = NonNullable<EntryOf<'picture'>['of']>

/** The pictures of one thing of a job, and another taken of it: by the camera of a phone, or from a file. */
export function Pictures({ of, name, stepId }: { readonly of: Of; readonly name: string; readonly stepId: string }) {
  const { job, state } = useBench().view
  const dispatch = useAppDispatch()
  const attempt = useAttempt()
  const file = useRef<HTMLInputElement>(null)
  const [refused, setRefused] = useState('')
  const own = state.live.filter(
    (one): one is EntryOf<'picture'> =>
      one.kind === 'picture' && one.of?.what === of.what && one.of.id === of.id && one.mediaType !== 'audio/wav',
  )
  const take = async (picked: File | undefined) => {
    if (!picked) return
    const { takePicture } = await import('../../../ui/takePicture')
    const picture = await takePicture(picked)
    if (file.current) file.current.value = ''
    if ('refused' in picture) return setRefused(picture.refused)
    setRefused('')
    await attempt('The picture', () => dispatch(addPicture(job.id, picture.blob, { caption: name, stepId, of })))
  }
  return (
    <div className="pictures">
      {own.map(({ id, pictureId, caption }) => (
        <LedgerPicture key={id} pictureId={pictureId} caption={caption} />
      ))}
      <Button variant="quiet" onClick={() => file.current?.click()}>
        Picture of the {name}
      </Button>
      <input
        ref={file}
        type="file"
        accept="image/jpeg,image/png,image/webp"
        capture="environment"
        className="unseen"
        tabIndex={-1}
        aria-label={`File of a picture of the ${name}`}
        onChange={(event) => void take(event.currentTarget.files?.[0])}
      />
      {refused && (
        <p className="field-error" role="alert">
          {refused}
        </p>
      )}
    </div>
  )
}
