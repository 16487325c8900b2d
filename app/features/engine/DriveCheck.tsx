import { readDrive, sumOfSections } from '@link-count/core/drive'
import { readLoop } from '@link-count/core/ledger'
import type { BuildSheet, Loop } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { fixed } from '@link-count/core/units'
import { inSentence, loopWords } from '../../ui/wording'
import { Fold } from '../../ui/Fold'
import { ChainIdentity } from './ChainIdentity'
import { LengthsForSale } from './LengthsForSale'
import { RepeatTable } from './RepeatTable'
import { RunTable } from './RunTable'
import { useSheetEditor } from './SheetEditor'
import { TeethByCalliper } from './TeethByCalliper'

/** Whether ratios and lengths close, what contradicts, what each gap costs; and sums at the bench. */
export function DriveCheck() {
  const { sheet } = useSheetEditor()
  if (sheet.loops.length === 0 && sheet.couplings.length === 0) return null
  return (
    <section>
      <RatioWords sheet={sheet} />
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

/** Ratios by the teeth, against what the engine wants; what nothing drives; ways round that disagree. */
function RatioWords({ sheet }: { sheet: BuildSheet }) {
  const { wrong, conflicts, undriven } = readDrive(sheet)
  const nameOf = (id: string) => partsOf(sheet).shaft(id)?.name ?? id
  const waiting = sheet.members.some(
    ({ teeth, shaftId, kind }) => shaftId && (kind === 'sprocket' || kind === 'pulley' || kind === 'gear') && !teeth,
  )
  return (
    <>
      {wrong.map(({ shaftId, ratio, wanted, recounts }) => (
        <p className="warn" role="alert" key={shaftId}>
          {nameOf(shaftId)} turns {Math.abs(ratio.num)}/{ratio.den} of the crank, and should turn {Math.abs(wanted.num)}
          /{wanted.den}. Count again:{' '}
          {recounts.length === 0
            ? 'no single tooth count would mend it.'
            : `is it ${recounts.map(({ name, counted, shouldBe }) => `${shouldBe} on the ${inSentence(name)} and not ${counted}`).join(', or ')}?`}
        </p>
      ))}
      {conflicts.map(({ shaftId, ratio, other }) => (
        <p className="warn" role="alert" key={`${shaftId} conflict`}>
          {nameOf(shaftId)} is driven two ways that do not agree: {ratio.num}/{ratio.den} and {other.num}/{other.den} of
          the crank. It could not turn.
        </p>
      ))}
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
  return (
    <>
      {!solved.ok && (
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
  const { sections } = readLoop(sheet, loop, [])
  const sum = sumOfSections(sections, loop)
  const wrongTeeth = loop.path.flatMap(({ memberId }) => {
    const member = partsOf(sheet).member(memberId)
    return member?.toothShape && loop.toothShape && member.toothShape !== loop.toothShape
      ? [inSentence(member.name)]
      : []
  })
  return (
    <>
      {sections.map(
        ({ id, expected }) =>
          expected?.contradicts && (
            <p className="warn" role="alert" key={id}>
              The written count of {fixed(expected.contradicts.book, 1)} and the{' '}
              {fixed(expected.contradicts.geometry, 1)} from the distances disagree: another version’s mark, another
              rule of counting, or a figure to measure again.
            </p>
          ),
      )}
      {sum && !sum.addsUp && (
        <p className="warn" role="alert">
          The written counts come to {fixed(sum.sum, 1)}, the {inSentence(loop.name)} has {sum.whole} in all: one of
          them is wrong, or printed by another rule of counting.
        </p>
      )}
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
