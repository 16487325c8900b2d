import { Textarea } from '@mantine/core'
import { linkMap, paintedPlaces, type Section } from '@link-count/core/drive'
import type { Loop } from '@link-count/core/model'
import { fixed } from '@link-count/core/units'
import { useDraft } from '../../../ui/fields'
import { inSentence, nounsOf } from '../../../ui/wording'
import { patchLoop, withValue } from '../sheetChanges'
import { useFigureKey } from '../ChosenPart'
import { useSheetEditor } from '../SheetEditor'

type Painted = NonNullable<Loop['painted']>[number]

/** "gold, pair: 0" on a line of its own: a name, how it is painted, how many pitches on from the one before. */
function readLine(line: string, i: number): Painted | undefined {
  const [, name = '', style = 'single', on = ''] =
    /^([^,:]+?)\s*(?:,\s*(single|double|pair))?\s*:\s*(\d+(?:[.,]5)?)$/i.exec(line.trim()) ?? []
  const pitchesOn = Number(on.replace(',', '.'))
  if (name === '' || on === '' || pitchesOn > 2000) return undefined
  return { id: `paint-${i}`, name: name.slice(0, 60), style: style.toLowerCase() as 'single', pitchesOn }
}

const writeLine = ({ name, style, pitchesOn }: Painted) => `${name}, ${style}: ${pitchesOn}`

/** Painted links of a chain or printed lines of a belt, and which marks they meet in the pose. */
export function PaintedLinks({
  loop,
  sections,
  pitches,
}: {
  readonly loop: Loop
  readonly sections: readonly Section[]
  readonly pitches: number | undefined
}) {
  const { apply } = useSheetEditor()
  const written = (loop.painted ?? []).map(writeLine).join('\n')
  const draft = useDraft(useFigureKey('painted'), written)
  const lines = draft.text.split('\n').filter((line) => line.trim() !== '')
  const read = lines.map(readLine)
  const bad = lines.find((_line, i) => !read[i])
  const leave = () => {
    if (bad !== undefined || draft.text === written) return
    const painted = read.flatMap((one) => one ?? []).slice(0, 40)
    const value = painted.length > 0 ? painted : undefined
    void apply(
      patchLoop(loop.id, (one) => withValue(one, 'painted', value)),
      [draft],
    )
  }
  const places = pitches ? paintedPlaces(loop, pitches, linkMap(sections)) : []
  return (
    <div className="wide-field">
      <Textarea
        label={nounsOf(loop).painted}
        description="One a line, in the order they pass: a name, single, double or pair, and the pitches on from the one before."
        placeholder={'gold, pair: 0\nblue, single: 42'}
        value={draft.text}
        onChange={(event) => draft.setText(event.currentTarget.value)}
        onBlur={leave}
        error={bad === undefined ? undefined : `Not read: “${bad.slice(0, 40)}”. Write it like: blue, single: 42`}
        autosize
        minRows={2}
        maxLength={1500}
      />
      {places.length > 0 && (
        <p className="result">
          {places
            .map(({ name, mark }) =>
              !mark
                ? name
                : Math.abs(mark.pastPitches) < 0.3
                  ? `${name} on the ${inSentence(mark.name)}`
                  : `${name} ${fixed(Math.abs(mark.pastPitches), 1)} ${mark.pastPitches > 0 ? 'past' : 'short of'} the ${inSentence(mark.name)}`,
            )
            .join('; ')}
          .
        </p>
      )}
    </div>
  )
}
