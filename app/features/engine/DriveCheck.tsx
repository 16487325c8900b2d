import { toothWorth, readDrive, loopKinds, sumOfSections, type Section } from '@link-count/core/drive'
import { readLoop } from '@link-count/core/ledger'
import type { BuildSheet, Loop } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { fixed } from '@link-count/core/units'
import { inSentence, gapWords, loopWords, nounsOf, sectionEndWords, upperFirst } from '../../ui/wording'
import { ChainIdentity } from './ChainIdentity'
import { DriveBoard } from './DriveBoard'
import { LengthsForSale } from './LengthsForSale'
import { RepeatTable } from './RepeatTable'
import { RunTable } from './RunTable'
import { useSheetEditor } from './SheetEditor'
import { TeethByCalliper } from './TeethByCalliper'
import './DriveCheck.css'

/** What the figures so far make: the drive drawn, whether ratios and lengths close, what each gap costs. */
export function DriveCheck() {
  const { sheet } = useSheetEditor()
  if (sheet.loops.length === 0 && sheet.couplings.length === 0) return null
  return (
    <section>
      <h2>The drive</h2>
      <DriveBoard sheet={sheet} />
      <RatioWords sheet={sheet} />
      {sheet.loops.map((loop) => (
        <LoopCheck key={loop.id} sheet={sheet} loop={loop} />
      ))}
      <RunTable sheet={sheet} />
      <RepeatTable sheet={sheet} />
      <LengthsForSale sheet={sheet} />
      <ChainIdentity />
      <TeethByCalliper />
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

/** A loop as it comes out: figures to check by eye, and what is odd about it. */
function LoopCheck({ sheet, loop }: LoopProps) {
  const solved = readDrive(sheet).solved(loop)
  return (
    <>
      {sheet.loops.length > 1 && <h3>{loop.name}</h3>}
      {!solved.ok && (
        <p className="warn" role="alert">
          {loopWords(solved.error, loop, sheet)}
        </p>
      )}
      <LoopFigures sheet={sheet} loop={loop} />
      <LoopWarnings sheet={sheet} loop={loop} />
    </>
  )
}

interface LoopProps {
  readonly sheet: BuildSheet
  readonly loop: Loop
}

/** What one tooth of each camshaft's wheel on a loop is worth. */
const camTeethOf = (sheet: BuildSheet, loop: Loop) =>
  loop.path.flatMap(({ memberId }) => {
    const member = partsOf(sheet).member(memberId)
    const shaft = partsOf(sheet).shaft(member?.shaftId)
    return member?.teeth && shaft?.kind === 'cam'
      ? [{ name: member.name, ...toothWorth(member.teeth.value, readDrive(sheet).ratioOf(shaft)) }]
      : []
  })

function LoopFigures({ sheet, loop }: LoopProps) {
  const lies = readDrive(sheet).lies(loop)
  const { sections } = readLoop(sheet, loop, [])
  const wheels = camTeethOf(sheet, loop)
  const nouns = nounsOf(loop)
  return (
    <dl className="figures">
      {wheels.map(({ name, crankDeg }) => (
        <div key={name}>
          <dt>{wheels.length > 1 ? `One tooth, ${inSentence(name)}` : 'One cam tooth is'}</dt>
          <dd className="reading">{fixed(crankDeg, 2)}° crank</dd>
        </div>
      ))}
      {lies && (
        <>
          <div>
            <dt>Whole {nouns.loop}</dt>
            <dd className="reading">
              {lies.pitches} {nouns.pitches}
              {loopKinds[loop.kind].crankedWhenOdd && lies.pitches % 2 === 1 ? ', odd: a cranked link?' : ''}
            </dd>
          </div>
          {lies.drawn === 'toScale' && (
            <div>
              <dt>Slack to take up</dt>
              <dd className="reading">
                {fixed(lies.slackPitches, 2)} {nouns.pitches}
              </dd>
            </div>
          )}
          {lies.tensionerTravelMm !== undefined && (
            <div>
              <dt>Tensioner stands in</dt>
              <dd className="reading">{fixed(lies.tensionerTravelMm, 1)} mm</dd>
            </div>
          )}
        </>
      )}
      {sections
        .filter(({ run }) => run === 'tight')
        .map((section) => (
          <div key={section.id}>
            <dt>{sections.length > 2 || isNamed(section) ? sectionWords(sheet, loop, section) : 'Expected count'}</dt>
            <dd className="reading">
              {section.expected
                ? `${fixed(section.expected.pitches, 1)} ${nouns.pitches}${section.expected.from === 'derived' ? ', from the others' : ''}`
                : section.cannotTell
                  ? 'cannot tell'
                  : 'not known yet'}
            </dd>
          </div>
        ))}
    </dl>
  )
}

const isNamed = ({ expected }: Section) =>
  expected !== undefined && (expected.fromTeeth !== 0 || expected.toTeeth !== 0)

const sectionWords = (sheet: BuildSheet, loop: Loop, section: Section) =>
  upperFirst(
    `${sectionEndWords(sheet, loop, section, 'from', 'timing').replace(/^the /, '')} to ${sectionEndWords(sheet, loop, section, 'to', 'timing').replace(/^the /, '')}`,
  )

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
      {sections.some(({ run, expected }) => run === 'tight' && !expected) && (
        <p className="soft">
          For an expected count: the distances and where both marks point in the timing position, or a count from the
          book.
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
      {lies && lies.gaps.length > 0 && (
        <ul className="soft gap-list">
          {lies.gaps.map((gap) => (
            <li key={gap}>{gapWords(gap, loop)}</li>
          ))}
        </ul>
      )}
    </>
  )
}
