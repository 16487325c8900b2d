import { Button, Checkbox, SegmentedControl } from '@mantine/core'
import { useState } from 'react'
import type { PictureMark } from '@link-count/core/model'
import { useDraft, WordsInput } from '../../../ui/fields'
import { Dialog } from '../../../ui/Dialog'
import type { PictureEntry } from '../../../ui/pictures/pictureMarks'
import { usePicture } from '../../../ui/pictures/usePicture'
import { pictureMarkWords } from '../../../ui/wording'
import { DrawOnPicture, type Tool } from './DrawOnPicture'
import { markOf, sizedMark } from './markEdits'
import { usePictureMarks } from './usePictureMarks'

const MIDDLE = { x: 0.5, y: 0.5 }

/** A picture from near: arrows, circles and words drawn over it, and whether it is on the card. The picture stays as it was taken. */
export default function PictureDialog({
  entry,
  onClose,
}: {
  readonly entry: PictureEntry
  readonly onClose: () => void
}) {
  const url = usePicture(entry.pictureId)
  const { marks, onCard, change, keep } = usePictureMarks(entry)
  const [tool, setTool] = useState<Tool>('arrow')
  const word = useDraft(`picture:${entry.pictureId}:word`)
  const [chosen, setChosen] = useState<number>()
  const close = async () => {
    if (!(await keep())) return
    // A word that stands on the picture is used up; one that does not is there the next time.
    if (marks.some((mark) => mark.shape === 'word' && mark.text === word.text.trim())) word.drop()
    onClose()
  }
  return (
    <Dialog title={entry.caption || 'Picture'} size="xl" onClose={() => void close()}>
      <div className="stack">
        <SegmentedControl
          fullWidth
          aria-label="What you draw"
          value={tool}
          onChange={(to) => setTool(to as Tool)}
          data={[
            { value: 'arrow', label: 'Arrow' },
            { value: 'circle', label: 'Circle' },
            { value: 'word', label: 'Word' },
            { value: 'move', label: 'Move' },
          ]}
        />
        {tool === 'word' && (
          <WordsInput label="The word" description="Then touch where it stands." maxLength={40} of={word} />
        )}
        {url ? (
          <DrawOnPicture
            url={url}
            label={`Picture: ${entry.caption || 'of the job'}. ${marks.length === 0 ? 'Nothing is drawn on it.' : `Drawn on it: ${marks.map(pictureMarkWords).join(', ')}.`} Keys: arrows move the chosen one, plus and minus size it, Delete takes it off.`}
            tool={tool}
            word={word.text.trim()}
            marks={marks}
            chosen={chosen}
            onMarks={(to, i) => {
              if (to !== marks) change({ marks: to })
              setChosen(i)
            }}
          />
        ) : (
          <p className="soft">This picture is not in this browser.</p>
        )}
        <MarkButtons
          tool={tool}
          word={word.text.trim()}
          marks={marks}
          chosen={chosen}
          onMarks={(to, i) => {
            change({ marks: to })
            setChosen(i)
          }}
        />
        <Checkbox
          label="Show it on the card"
          checked={onCard}
          onChange={(event) => change({ onCard: event.currentTarget.checked })}
        />
        <Button variant="filled" fullWidth onClick={() => void close()}>
          Done
        </Button>
      </div>
    </Dialog>
  )
}

/** What the finger does, by buttons: one put in the middle, and the chosen one made larger, smaller or taken off. */
function MarkButtons({
  tool,
  word,
  marks,
  chosen,
  onMarks,
}: {
  readonly tool: Tool
  readonly word: string
  readonly marks: readonly PictureMark[]
  readonly chosen: number | undefined
  readonly onMarks: (marks: readonly PictureMark[], chosen: number | undefined) => void
}) {
  const mark = chosen === undefined ? undefined : marks[chosen]
  const sized = (times: number) =>
    chosen !== undefined && mark && onMarks(marks.with(chosen, sizedMark(mark, times)), chosen)
  return (
    <div className="row">
      {tool !== 'move' && (
        <Button
          variant="quiet"
          disabled={tool === 'word' && word === ''}
          onClick={() => onMarks([...marks, markOf(tool, MIDDLE, MIDDLE, { shape: 1, word })], marks.length)}
        >
          Put one in the middle
        </Button>
      )}
      {mark && mark.shape !== 'word' && (
        <>
          <Button variant="quiet" onClick={() => sized(1.2)}>
            Larger
          </Button>
          <Button variant="quiet" onClick={() => sized(1 / 1.2)}>
            Smaller
          </Button>
        </>
      )}
      {mark && chosen !== undefined && (
        <Button variant="quiet" onClick={() => onMarks(marks.toSpliced(chosen, 1), undefined)}>
          Take off {pictureMarkWords(mark)}
        </Button>
      )}
    </div>
  )
}
