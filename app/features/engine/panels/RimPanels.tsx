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
import { MmField } from '../TrustedField'
import { TrustLetter } from '../TrustLetter'
import { PartLink } from './PartLink'
import { Fields, NameField } from './fields'
import { Word } from '../../../ui/Word'

/** Once round the rim of the crank, and what is printed for it. */
export function RimPanel() {
  const { sheet, apply, engineId } = useSheetEditor()
  const { kind } = useWorkshop()
  const [adding, setAdding] = useState(false)
  return (
    <Fields lead="Every mark is a claim until it is read against a proven zero. Decoys are listed too, so that nobody sets by them.">
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
      <Link className="button-link" to={`/${kind}/engine/${engineId}/paper`}>
        Rim marks and degree wheels on paper
      </Link>
      <div className="row">
        {sheet.rimMarks.map(({ id, name }) => (
          <PartLink key={id} kind="rimMark" id={id} words={name} />
        ))}
      </div>
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
    </Fields>
  )
}

/** A mark that was found on the rim, and what became of its claim. */
export function RimMarkPanel({ mark }: { readonly mark: RimMark }) {
  const { sheet, apply } = useSheetEditor()
  const { errorDeg, claimDeg } = mark
  const decoy = mark.cutFor === 'casting' || mark.cutFor === 'assembly'
  const error =
    errorDeg &&
    `found ${fixed(Math.abs(errorDeg.value), 1)}° ${errorDeg.value >= 0 ? 'after' : 'before'} its claim (${errorDeg.typed})`
  const setTrust = (trust: Trust) =>
    claimDeg && apply(patchRimMark(mark.id, (one) => ({ ...one, claimDeg: { ...claimDeg, trust } })))
  return (
    <Fields>
      <NameField
        id={mark.id}
        what="mark on the rim"
        value={mark.name}
        change={(name) => patchRimMark(mark.id, (one) => ({ ...one, name }))}
      />
      <p className={decoy ? 'brass' : 'soft'}>
        Seen from the {sheet.sides[mark.seenFrom]}.{' '}
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
      {claimDeg && (
        <TrustLetter label={mark.name} trust={claimDeg.trust} source={claimDeg.source} setTrust={setTrust} />
      )}
      <Button
        variant="quiet"
        aria-label={`Off the sheet: ${mark.name}`}
        onClick={() => void apply((s) => ({ ...s, rimMarks: s.rimMarks.filter(({ id }) => id !== mark.id) }))}
      >
        Off the sheet
      </Button>
    </Fields>
  )
}
