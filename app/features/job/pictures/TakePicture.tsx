import { Button } from '@mantine/core'
import { IconCamera, IconPhoto } from '@tabler/icons-react'
import { useRef } from 'react'
import type { Taken } from '../../../ui/fields'
import { useTakePicture, type PictureSaid } from './useTakePicture'

const KINDS = 'image/jpeg,image/png,image/webp'

/** A picture by the camera of a phone or tablet, or from a file. `name`: what it is taken of, in a sentence. */
export function TakePicture({
  name,
  said,
  fields = [],
  inList = false,
}: {
  readonly name: string
  readonly said: PictureSaid
  /** What is typed and goes with it. */
  readonly fields?: readonly Taken[]
  /** Two small buttons behind a line that names the thing. */
  readonly inList?: boolean
}) {
  const { refused, take } = useTakePicture()
  const camera = useRef<HTMLInputElement>(null)
  const file = useRef<HTMLInputElement>(null)
  return (
    <>
      <Button
        variant={inList ? 'quiet' : 'default'}
        aria-label={`Picture of ${name}`}
        leftSection={inList ? undefined : <IconCamera size={20} aria-hidden />}
        onClick={() => camera.current?.click()}
      >
        {inList ? <IconCamera size={20} aria-hidden /> : `Picture of ${name}`}
      </Button>
      <Button variant="quiet" aria-label={`From a file: picture of ${name}`} onClick={() => file.current?.click()}>
        {inList ? <IconPhoto size={20} aria-hidden /> : 'From a file'}
      </Button>
      <input
        ref={camera}
        type="file"
        accept={KINDS}
        capture="environment"
        className="unseen"
        tabIndex={-1}
        aria-label={`Camera, for ${name}`}
        onChange={(event) => void take(event.currentTarget, said, fields)}
      />
      <input
        ref={file}
        type="file"
        accept={KINDS}
        className="unseen"
        tabIndex={-1}
        aria-label={`File of a picture of ${name}`}
        onChange={(event) => void take(event.currentTarget, said, fields)}
      />
      {refused && (
        <p className="field-error" role="alert">
          {refused}
        </p>
      )}
    </>
  )
}
