import { identifyChain, loopKinds } from '@link-count/core/drive'
import { fixed, formatInches, formatMm } from '@link-count/core/units'
import { typedLimits } from '@link-count/core/model'
import { LengthInput, parseWhole, useField, useLengthField, wholeWords, WordsInput } from '../../ui/fields'
import { useSheetEditor } from './SheetEditor'
import { Fold } from '../../ui/Fold'

/** Which standard roller chain it is, from the calliper, and how worn. */
export function ChainIdentity() {
  const { sheet, engineId } = useSheetEditor()
  const key = (name: string) => `sheet:${engineId}:chain-${name}`
  const over = useField(key('over'), parseWhole(typedLimits.pitchesMeasured), '10')
  const span = useLengthField(key('span'), typedLimits.acrossMm)
  const roller = useLengthField(key('roller'), typedLimits.chainPartMm)
  const width = useLengthField(key('width'), typedLimits.chainPartMm)
  if (!sheet.loops.some(({ kind }) => loopKinds[kind].made === 'pinned')) return null
  const matches =
    span.value && over.value
      ? identifyChain({
          spanMm: span.value.value,
          pitches: over.value,
          rollerMm: roller.value?.value,
          widthMm: width.value?.value,
        })
      : undefined
  return (
    <Fold title="Which chain is it, and how worn">
      <div className="two-fields">
        <LengthInput example="305 mm, 12 in" field={span} label="Measured, pulled lightly" />
        <WordsInput
          label="Over so many pitches"
          of={over}
          onBlur={over.leave}
          error={over.error && wholeWords(over.error)}
          maxLength={4}
        />
        <LengthInput example="6.35 mm, 1/4 in" field={roller} label="Roller, across" />
        <LengthInput example="5.7 mm" field={width} label="Between inner plates" />
      </div>
      {matches?.length === 0 && (
        <p>No standard roller chain has that pitch. Inverted-tooth chains commonly have 6.35, 7.774, 8 or 9.525 mm.</p>
      )}
      <dl className="figures">
        {matches?.slice(0, 4).map(({ size, elongation, fits }) => (
          <div key={size.name}>
            <dt>
              {size.name}, {formatMm(size.pitchMm, 3)} ({formatInches(size.pitchMm)})
              {!fits && <span className="soft"> roller or width does not fit</span>}
            </dt>
            <dd className="reading">
              {fixed(Math.abs(elongation) * 100, 2)}% {elongation >= 0 ? 'long' : 'short'}
            </dd>
          </div>
        ))}
      </dl>
      <p className="soft">
        Sizes by ISO 606, from memory. Take the worst of several places. 1% is a limit on large marine engines, 2% a
        usual end of life elsewhere; the maker’s figure comes first.
      </p>
    </Fold>
  )
}
