import { disagreementsOf } from '@link-count/core/answers'
import { readDrive } from '@link-count/core/drive'
import type { BuildSheet, Loop } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { inSentence, loopWords } from '../../ui/wording'
import { Fold } from '../../ui/Fold'
import { ChainIdentity } from './ChainIdentity'
import { LengthsForSale } from './LengthsForSale'
import { RepeatTable } from './RepeatTable'
import { RunTable } from './RunTable'
import { useSheetEditor } from './SheetEditor'
import { TeethByCalliper } from './TeethByCalliper'

/** What is odd about the drive; and sums at the bench. */
export function DriveCheck() {
  const { sheet } = useSheetEditor()
  if (sheet.loops.length === 0 && sheet.couplings.length === 0) return null
  return (
    <section>
      <Undriven sheet={sheet} />
      {sheet.loops.map((loop) => (
        <LoopCheck key={loop.id} sheet={sheet} loop={loop} />
      ))}
      <Fold title="Sums at the bench" note="runs, repeats, lengths, calliper">
        <RunTable sheet={sheet} />
        <RepeatTable sheet={sheet} />
        <LengthsForSale sheet={sheet} />
        <ChainIdentity />
        <TeethByCalliper />
      </Fold>
    </section>
  )
}

/** What nothing drives. */
function Undriven({ sheet }: { sheet: BuildSheet }) {
  const { undriven } = readDrive(sheet)
  const nameOf = (id: string) => partsOf(sheet).shaft(id)?.name ?? id
  const waiting = sheet.members.some(
    ({ teeth, shaftId, kind }) => shaftId && (kind === 'sprocket' || kind === 'pulley' || kind === 'gear') && !teeth,
  )
  return (
    <>
      {!waiting && undriven.length > 0 && (
        <p className="warn" role="alert">
          Nothing drives {undriven.map((id) => inSentence(nameOf(id))).join(', ')}.
        </p>
      )}
    </>
  )
}

/** A loop as it comes out: why it does not, and what is odd about it. */
function LoopCheck({ sheet, loop }: LoopProps) {
  const solved = readDrive(sheet).solved(loop)
  // Figures that disagree are told by themselves.
  const disagrees = disagreementsOf(sheet).some(({ id }) => id === `length ${loop.id}`)
  return (
    <>
      {!solved.ok && !disagrees && (
        <p className="warn" role="alert">
          {loopWords(solved.error, loop, sheet)}
        </p>
      )}
      <LoopWarnings sheet={sheet} loop={loop} />
    </>
  )
}

interface LoopProps {
  readonly sheet: BuildSheet
  readonly loop: Loop
}

function LoopWarnings({ sheet, loop }: LoopProps) {
  const lies = readDrive(sheet).lies(loop)
  const wrongTeeth = loop.path.flatMap(({ memberId }) => {
    const member = partsOf(sheet).member(memberId)
    return member?.toothShape && loop.toothShape && member.toothShape !== loop.toothShape
      ? [inSentence(member.name)]
      : []
  })
  return (
    <>
      {wrongTeeth.length > 0 && (
        <p className="warn" role="alert">
          The belt’s teeth are {loop.toothShape} and those of the {wrongTeeth.join(', the ')} are not: it would climb
          and strip.
        </p>
      )}
      {lies && lies.tensionersOnTightRun.length > 0 && (
        <p className="warn">
          A tensioner stands on a run that is pulled straight, running this way: it can take up nothing there. Is the
          running direction right, or the order on its way?
        </p>
      )}
    </>
  )
}
