import { Button } from '@mantine/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { sheetLimits, type RimMark, type Trust } from '@link-count/core/model'
import { fixed } from '@link-count/core/units'
import { RimMarkForm } from '../../../ui/marks/RimMarkForm'
import { useWorkshop } from '../../../ui/WorkshopContext'
import { claimWords, cutForWords } from '../../../ui/wording'
import { patchRimMark, withValue } from '../sheetChanges'
import { useSheetEditor } from '../SheetEditor'
import { MmField, TrustChoice } from '../TrustedField'
import { Section } from './Section'
import { Word } from '../../../ui/Word'
import './RimSection.css'

/** The rim of the crank, the marks that were found on it and what became of their claims. */
export function RimSection() {
  const { sheet, apply, engineId } = useSheetEditor()
  const { kind } = useWorkshop()
  const [adding, setAdding] = useState(false)
  return (
    <Section
      title="Rim and its marks"
      lead="Every mark is a claim until it is read against a proven zero. Decoys are listed too, so that nobody sets by them."
    >
      <MmField
        example="612 mm"
        limits={sheetLimits('rimMm')}
        id="rim"
        label="Once round the rim"
        help="With a tape. It turns degrees into millimetres of rim."
        value={sheet.rimMm}
        change={(value) => (s) => withValue(s, 'rimMm', value)}
        check={(mm) => (mm < 50 || mm > 20_000 ? 'From 50 mm to 20 m round.' : undefined)}
      />
      <div className="paper-link">
        <Link className="button-link" to={`/${kind}/engine/${engineId}/paper`}>
          Rim marks and degree wheels on paper
        </Link>
      </div>
      <ul className="plain rim-marks wide-field">
        {sheet.rimMarks.map((mark) => (
          <MarkLine key={mark.id} mark={mark} />
        ))}
      </ul>
      <div className="wide-field">
        {adding ? (
          <RimMarkForm
            sheet={sheet}
            keyPrefix={`sheet:${engineId}:new-mark`}
            onSave={(mark, typed) =>
              void apply((s) => ({ ...s, rimMarks: [...s.rimMarks, mark] }), typed).then((kept) => {
                if (kept) setAdding(false)
              })
            }
            onLeave={() => setAdding(false)}
          />
        ) : (
          <Button variant="default" onClick={() => setAdding(true)}>
            A mark on the rim
          </Button>
        )}
      </div>
    </Section>
  )
}

function MarkLine({ mark }: { mark: RimMark }) {
  const { sheet, apply } = useSheetEditor()
  const { errorDeg, claimDeg } = mark
  const decoy = mark.cutFor === 'casting' || mark.cutFor === 'assembly'
  const error =
    errorDeg &&
    `found ${fixed(Math.abs(errorDeg.value), 1)}° ${errorDeg.value >= 0 ? 'after' : 'before'} its claim (${errorDeg.typed})`
  const setTrust = (trust: Trust) =>
    claimDeg && apply(patchRimMark(mark.id, (one) => ({ ...one, claimDeg: { ...claimDeg, trust } })))
  return (
    <li>
      <div>
        <strong>{mark.name}</strong>
        {mark.where && `, ${mark.where}`}, seen from the {sheet.sides[mark.seenFrom]}
        <p className={decoy ? 'brass' : 'soft'}>
          {decoy ? (
            <>
              <Word of="decoy" as="Decoy" />: cut for{' '}
            </>
          ) : (
            'Cut for '
          )}
          {cutForWords[mark.cutFor]}
          {claimDeg && `, ${claimWords(mark, sheet)}`}
          {error && `; ${error}`}. On the crank: at its pointer once every turn.
        </p>
      </div>
      {claimDeg && <TrustChoice label={mark.name} trustNow={claimDeg.trust} setTrust={setTrust} />}
      <Button
        variant="quiet"
        aria-label={`Off the sheet: ${mark.name}`}
        onClick={() => apply((s) => ({ ...s, rimMarks: s.rimMarks.filter(({ id }) => id !== mark.id) }))}
      >
        Off the sheet
      </Button>
    </li>
  )
}
