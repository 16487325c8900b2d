import { SegmentedControl, TextInput } from '@mantine/core'
import type { BuildSheet } from '@link-count/core/model'
import { asDrawable } from '@link-count/core/scene'
import { camshaftWords, type Pulled } from '@link-count/core/starters'
import { FaceStill } from '../../ui/face'
import { driveWords, type DriveShape } from './shapeWords'
import './ShapeChoice.css'

/** The shape that a drive begins with, chosen by eye: thin drawings without a figure. */
export function ShapeChoice({
  shapes,
  chosen,
  sheetOf,
  onChoose,
}: {
  readonly shapes: readonly DriveShape[]
  readonly chosen: DriveShape
  /** The sheet that a shape would begin. */
  readonly sheetOf: (shape: DriveShape) => BuildSheet
  readonly onChoose: (shape: DriveShape) => void
}) {
  return (
    <div role="radiogroup" aria-label="Camshafts are driven by">
      <p className="field-label">Camshafts are driven by</p>
      <div className="shape-grid">
        {shapes.map((shape) => (
          <label key={shape} className={shape === chosen ? 'shape chosen' : 'shape'}>
            <input
              type="radio"
              name="drive-shape"
              value={shape}
              checked={shape === chosen}
              onChange={() => onChoose(shape)}
            />
            <span aria-hidden="true">
              {shape !== 'none' && <FaceStill sheet={asDrawable(sheetOf(shape)).sheet} width={88} height={84} />}
            </span>
            <span>{driveWords[shape]}</span>
          </label>
        ))}
      </div>
    </div>
  )
}

/** Of two camshafts on one loop: which of them the pulled run comes from. No shape decides it. */
export function PulledChoice({
  sheet,
  pulled,
  missing,
  onChoose,
}: {
  readonly sheet: BuildSheet
  readonly pulled: Pulled | undefined
  readonly missing: boolean
  readonly onChoose: (pulled: Pulled) => void
}) {
  const nameOf = (id: string) => sheet.shafts.find((one) => one.id === id)?.name ?? ''
  return (
    <div>
      <p className="field-label">The pulled run goes to the crank from the</p>
      <SegmentedControl
        fullWidth
        aria-label="The pulled run goes to the crank from the"
        value={pulled ?? ''}
        onChange={(next) => onChoose(next as Pulled)}
        data={[
          { value: 'exhaust', label: nameOf('exhaust-cam').toLowerCase() },
          { value: 'inlet', label: nameOf('inlet-cam').toLowerCase() },
        ]}
      />
      {missing && (
        <p className="field-error" role="alert">
          Say which camshaft the pulled run comes from.
        </p>
      )}
    </div>
  )
}

/** What camshafts or banks are called: the words of the shape, or those that are said instead. */
export function CamshaftNames({
  sheet,
  words,
  onCall,
}: {
  /** As the shape has it by itself. */
  readonly sheet: BuildSheet
  readonly words: Readonly<Record<string, string>>
  readonly onCall: (word: string, instead: string) => void
}) {
  const own = camshaftWords(sheet)
  if (own.length === 0) return null
  const shafts = sheet.shafts.flatMap(({ kind, name }) => (kind === 'cam' ? [name.toLowerCase()] : []))
  return (
    <div role="group" aria-labelledby="camshafts-called">
      <p className="field-label" id="camshafts-called">
        Its camshafts: {shafts.join(', ')}
      </p>
      <div className="two-fields">
        {own.map((word, i) => (
          <TextInput
            key={word}
            label={`Instead of “${word.toLowerCase()}” you say`}
            placeholder={['left, front, A', 'right, rear, B'][i]}
            value={words[word] ?? ''}
            onChange={(event) => onCall(word, event.currentTarget.value)}
            maxLength={24}
          />
        ))}
      </div>
    </div>
  )
}
