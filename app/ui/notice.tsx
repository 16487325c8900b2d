import { Button } from '@mantine/core'
import './notice.css'

/** Where notices are shown; loaded when the first is. */
export const notices = () => import('@mantine/notifications').then(({ notifications }) => notifications)

/** A short notice: of something that was taken away, with the way to have it back, or that it is back. */
export async function showNotice({
  words,
  undo,
  lasting = false,
}: {
  readonly words: string
  readonly undo?: () => Promise<void> | void
  /** It stays until it is closed. */
  readonly lasting?: boolean
}): Promise<void> {
  const all = await notices()
  const id = all.show({
    autoClose: lasting ? false : 10_000,
    withBorder: true,
    closeButtonProps: { 'aria-label': 'Close the notice' },
    message: (
      <span className="notice">
        <span>{words}</span>
        {undo && (
          <Button
            variant="default"
            onClick={() => {
              all.hide(id)
              void undo()
            }}
          >
            Undo
          </Button>
        )}
      </span>
    ),
  })
}
