import { Checkbox } from '@mantine/core'
import { notePut } from '../../domain/notes'
import { useAppDispatch, useAppSelector } from '../../store'
import { Dialog } from '../../ui/Dialog'
import { useAttempt } from '../../ui/useAttempt'

const keys: readonly [string, string][] = [
  ['Space', 'counts a pin'],
  ['Backspace', 'takes one back'],
  ['← →', 'turn the drawn crank by 1° (with Shift 10°, with Ctrl 0.1°)'],
  ['Home', 'brings the drawing to where the engine stands'],
  ['F', 'looks from the other side'],
  ['W', 'drive or degree wheel'],
  ['B', 'bench mode: one number or instruction, full screen'],
  ['L', 'the ledger'],
  ['G', 'the next action of the step'],
  ['U', 'strikes the last line of the ledger'],
  ['?', 'this list'],
]

/** Where the workshop keeps that letters do nothing. */
const LETTERS = 'letterKeys'
export const useLetterKeys = () => useAppSelector((state) => state.meta[LETTERS] !== 'off')

export function HelpDialog({ onClose }: { readonly onClose: () => void }) {
  const dispatch = useAppDispatch()
  const attempt = useAttempt()
  const letters = useLetterKeys()
  return (
    <Dialog title="Keys" size="lg" onClose={onClose}>
      <dl className="keys">
        {keys.map(([key, does]) => (
          <div key={key}>
            <dt>
              <kbd>{key}</kbd>
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
      <Checkbox
        label="Single letters do this"
        description="Off, only space, backspace, the arrows and Home act; everything else is pressed."
        checked={letters}
        onChange={(event) => {
          const value = event.currentTarget.checked ? 'on' : 'off'
          void attempt('This setting', () => dispatch(notePut([{ id: LETTERS, value }])))
        }}
      />
      <p className="soft">
        Dragging or keys move the drawing. The engine moves in the ledger only when you say “I have turned it”.
      </p>
    </Dialog>
  )
}
