import { useState } from 'react'
import type { EntryOf } from '@link-count/core/model'
import { addPicture } from '../../../domain/writes'
import { useAppDispatch } from '../../../store'
import { takenOf, type Taken } from '../../../ui/fields'
import { useAttempt } from '../../../ui/useAttempt'
import { useBench } from '../JobContext'

/** What a picture shows, and in which step it was taken. */
export interface PictureSaid {
  readonly caption: string
  readonly stepId: string
  readonly of?: EntryOf<'picture'>['of']
}

/** Takes what a file field was given as a picture of the job, made small; or says why not. */
export function useTakePicture() {
  const { job } = useBench().view
  const dispatch = useAppDispatch()
  const attempt = useAttempt()
  const [refused, setRefused] = useState('')
  const take = async (field: HTMLInputElement, said: PictureSaid, fields: readonly Taken[] = []) => {
    const picked = field.files?.[0]
    if (!picked) return
    const { takePicture } = await import('../../../ui/takePicture')
    const picture = await takePicture(picked)
    field.value = ''
    if ('refused' in picture) return setRefused(picture.refused)
    setRefused('')
    await attempt('The picture', () => dispatch(addPicture(job.id, picture.blob, said, takenOf(fields))))
  }
  return { refused, take }
}
