import { judgeLengths } from '@link-count/core/drive'
import type { BuildSheet } from '@link-count/core/model'
import { fixed } from '@link-count/core/units'
import { useDraft, WordsInput } from '../../ui/fields'
import { loopWords } from '../../ui/wording'
import { useSheetEditor } from './SheetEditor'
import { Fold } from '../../ui/Fold'

/** The lengths that can be had, and which of them closes the loop. */
export function LengthsForSale({ sheet }: { readonly sheet: BuildSheet }) {
  const { engineId } = useSheetEditor()
  const offered = useDraft(`sheet:${engineId}:lengths`)
  const numbers = [
    ...new Set(
      offered.text
        .split(/[^\d]+/)
        .filter(Boolean)
        .map(Number),
    ),
  ]
    .filter((n) => n >= 6 && n <= 2000)
    .slice(0, 12)
  const refused = offered.text.trim() !== '' && numbers.length === 0
  if (sheet.loops.length === 0) return null
  return (
    <Fold title="Lengths you can buy">
      <WordsInput
        label="Pitches or teeth, as offered"
        placeholder="108 109 110"
        of={offered}
        error={refused ? 'Whole numbers from 6 to 2000.' : undefined}
        maxLength={80}
      />
      {numbers.length > 0 &&
        sheet.loops.map((loop) => (
          <div key={loop.id}>
            {sheet.loops.length > 1 && <h3>{loop.name}</h3>}
            <dl className="figures">
              {judgeLengths(sheet, loop, numbers).map(
                ({ pitches, closes, leftPitches, crankedLink, error, tensionerTravelMm }) => (
                  <div key={pitches}>
                    <dt>
                      {pitches}
                      {crankedLink && ', with a cranked link'}
                    </dt>
                    <dd>
                      {closes ? (
                        <span className="reading">
                          closes, {fixed(leftPitches ?? 0, 2)} over
                          {tensionerTravelMm === undefined ? '' : `, tensioner ${fixed(tensionerTravelMm, 1)} mm in`}
                        </span>
                      ) : leftPitches === undefined ? (
                        error && loopWords(error, loop, sheet)
                      ) : (
                        <span className="reading">
                          {fixed(Math.abs(leftPitches), 2)}{' '}
                          {leftPitches < 0 ? 'too short' : 'more than can be taken up'}
                        </span>
                      )}
                    </dd>
                  </div>
                ),
              )}
            </dl>
          </div>
        ))}
    </Fold>
  )
}
