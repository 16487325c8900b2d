import { readDrive, loopKinds } from '@link-count/core/drive'
import { sheetLimits, type Loop } from '@link-count/core/model'
import { removeLoop } from '../../bendDrive'
import { LinkMap } from '../../LinkMap'
import { PaintedLinks } from '../../PaintedLinks'
import { inSentence, nounsOf, upperFirst } from '../../../../ui/wording'
import { patchLoop, withValue } from '../../sheetChanges'
import { useSheetEditor } from '../../SheetEditor'
import { MmField, WholeField } from '../../TrustedField'
import { Choice, Section } from '../Section'
import { BookCount } from './BookCount'
import { LoopPath } from './LoopPath'
import { MarkFields } from './MarkFields'
import { knownShape, toothShapes } from './toothShapes'

/** A loop: what it is, its pitch and length, its way over the wheels, its marks and counts, its paint. */
export function LoopSection({ loop }: { readonly loop: Loop }) {
  const { sheet, apply } = useSheetEditor()
  const solved = readDrive(sheet).solved(loop)
  // Of a drive that is not to scale the length is not known until it is on the sheet.
  const pitches =
    loop.pitches?.value ?? (solved.ok && solved.value.drawn === 'toScale' ? solved.value.pitches : undefined)
  const sections = readDrive(sheet).sections(loop)
  const nouns = nounsOf(loop)
  return (
    <Section
      title={loop.name}
      lead="Sprockets or pulleys in the order the loop meets them, running, from its driver along the slack run. Marks are read in the timing position."
    >
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
      <MmField
        example="9.525 mm, 3/8 in"
        limits={sheetLimits('loops', 'pitchMm')}
        id={`pitch-${loop.id}`}
        label={`${loop.name} pitch`}
        value={loop.pitchMm}
        change={(value) => patchLoop(loop.id, (one) => withValue(one, 'pitchMm', value))}
      />
      <WholeField
        limits={sheetLimits('loops', 'pitches')}
        id={`links-${loop.id}`}
        label={`${upperFirst(nouns.pitches)} in the whole ${inSentence(loop.name)}`}
        value={loop.pitches}
        change={(value) => patchLoop(loop.id, (one) => withValue(one, 'pitches', value))}
      />
      {loopKinds[loop.kind].made === 'band' && (
        <Choice
          label={`Teeth of the ${inSentence(loop.name)} are`}
          value={loop.toothShape ?? 'unknown'}
          options={[...toothShapes]}
          onChoose={(shape) => apply(patchLoop(loop.id, (one) => withValue(one, 'toothShape', knownShape(shape))))}
        />
      )}
      <LoopPath loop={loop} />
      {sheet.marks
        .filter(({ memberId, cutFor }) => cutFor === 'pose' && loop.path.some((part) => part.memberId === memberId))
        .map((mark) => (
          <MarkFields key={mark.id} mark={mark} seated />
        ))}
      {sections.map((section) => (
        <BookCount
          key={section.id}
          stretch={{ ...section, loop }}
          label={`From ${inSentence(section.from.name)} to ${inSentence(section.to.name)}${section.run === 'slack' ? ', slack' : ''}`}
        />
      ))}
      <PaintedLinks loop={loop} sections={sections} pitches={pitches} />
      <LinkMap loop={loop} sections={sections} pitches={pitches} />
      <button type="button" className="link wide-field" onClick={() => apply(removeLoop(loop.id))}>
        Take the {inSentence(loop.name)} off the sheet, with its {nounsOf(loop).wheels}
      </button>
    </Section>
  )
}
