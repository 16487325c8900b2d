import { loopKinds, readDrive, type Section } from '@link-count/core/drive'
import type { Loop } from '@link-count/core/model'
import { fixed } from '@link-count/core/units'
import { removeLoop } from '../bendDrive'
import { LinkMap } from './LinkMap'
import { PaintedLinks } from './PaintedLinks'
import { inSentence, nounsOf, sectionEndWords, upperFirst } from '../../../ui/wording'
import { patchLoop, withValue } from '../sheetChanges'
import { useSheetEditor } from '../SheetEditor'
import { PitchesField, PitchField } from '../figureFields'
import { Choice, Fields, NameField } from './fields'
import { Fold } from '../../../ui/Fold'
import { BookCount } from './BookCount'
import { LoopPath } from './LoopPath'
import { SlackWanted } from './SlackWanted'
import { knownShape, toothShapes } from './toothShapes'

/** A loop: what it is, its pitch and length, its way over the wheels, its paint. */
export function LoopPanel({ loop }: { readonly loop: Loop }) {
  const { sheet, apply } = useSheetEditor()
  const solved = readDrive(sheet).solved(loop)
  // Of a drive that is not to scale the length is not known until it is on the sheet.
  const pitches =
    loop.pitches?.value ?? (solved.ok && solved.value.drawn === 'toScale' ? solved.value.pitches : undefined)
  const sections = readDrive(sheet).sections(loop)
  const nouns = nounsOf(loop)
  return (
    <Fields>
      <NameField
        id={loop.id}
        what={nouns.loop}
        value={loop.name}
        change={(name) => patchLoop(loop.id, (one) => ({ ...one, name }))}
      />
      <Choice
        label={`${loop.name} is a`}
        value={loop.kind}
        options={[
          { value: 'rollerChain', label: 'roller chain' },
          { value: 'invertedToothChain', label: 'inverted-tooth chain' },
          { value: 'toothedBelt', label: 'toothed belt' },
        ]}
        onChoose={(kind) => apply(patchLoop(loop.id, (one) => ({ ...one, kind })))}
      />
      <PitchField loop={loop} />
      <PitchesField loop={loop} />
      {loopKinds[loop.kind].made === 'band' && (
        <Choice
          label={`Teeth of the ${inSentence(loop.name)} are`}
          value={loop.toothShape ?? 'unknown'}
          options={[...toothShapes]}
          onChoose={(shape) => apply(patchLoop(loop.id, (one) => withValue(one, 'toothShape', knownShape(shape))))}
        />
      )}
      <HowItLies loop={loop} />
      <SlackWanted loop={loop} />
      <Fold title="Its way" note={`over ${loop.path.length} parts`}>
        <LoopPath loop={loop} />
      </Fold>
      <PaintedLinks loop={loop} sections={sections} pitches={pitches} />
      <LinkMap loop={loop} sections={sections} pitches={pitches} />
      <button type="button" className="link" onClick={() => apply(removeLoop(loop.id))}>
        Take the {inSentence(loop.name)} off the sheet, with its {nounsOf(loop).wheels}
      </button>
    </Fields>
  )
}

/** Counts from mark to mark as a book or an earlier job has them. */
export function CountsPanel({ loop }: { readonly loop: Loop }) {
  const { sheet } = useSheetEditor()
  const sections = readDrive(sheet).sections(loop)
  return (
    <Fields lead={sections.length === 0 ? `No marks on the ${inSentence(loop.name)} to count between yet.` : undefined}>
      {sections.map((section) => (
        <div key={section.id} className="panel-group">
          <BookCount
            stretch={{ ...section, loop }}
            label={`From ${inSentence(section.from.name)} to ${inSentence(section.to.name)}${section.run === 'slack' ? ', slack' : ''}`}
          />
          <Expected loop={loop} section={section} />
        </div>
      ))}
    </Fields>
  )
}

/** How a loop lies by what is measured: what has to be taken up, and how far the tensioner then stands in. */
function HowItLies({ loop }: { readonly loop: Loop }) {
  const { sheet } = useSheetEditor()
  const lies = readDrive(sheet).lies(loop)
  if (lies?.drawn !== 'toScale') return null
  const odd = loopKinds[loop.kind].crankedWhenOdd && lies.pitches % 2 === 1
  return (
    <dl className="figures">
      <div>
        <dt>Slack to take up</dt>
        <dd className="reading">
          {fixed(lies.slackPitches, 2)} {nounsOf(loop).pitches}
        </dd>
      </div>
      {lies.tensionerTravelMm !== undefined && (
        <div>
          <dt>Tensioner stands in</dt>
          <dd className="reading">{fixed(lies.tensionerTravelMm, 1)} mm</dd>
        </div>
      )}
      {odd && (
        <div>
          <dt>An odd number of pitches</dt>
          <dd>a cranked link?</dd>
        </div>
      )}
    </dl>
  )
}

/** What is expected of a stretch, and from which tooth to which where a mark stands off the wrap. */
function Expected({ loop, section }: { readonly loop: Loop; readonly section: Section }) {
  const { sheet } = useSheetEditor()
  const { expected, cannotTell } = section
  if (cannotTell)
    return <p className="soft">A count here cannot tell: no tooth at one of its marks stays on the wrap.</p>
  if (!expected || (expected.from === 'book' && expected.fromTeeth === 0 && expected.toTeeth === 0)) return null
  const ends = (['from', 'to'] as const).map((end) =>
    sectionEndWords(sheet, loop, section, end, 'timing').replace(/^the /, ''),
  )
  return (
    <p>
      {upperFirst(ends.join(' to '))}: <span className="reading">{fixed(expected.pitches, 1)}</span>{' '}
      {nounsOf(loop).pitches}
      {expected.from === 'derived' && ', from the others'}
    </p>
  )
}
