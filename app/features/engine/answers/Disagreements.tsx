import { disagreementsOf, figureKey, type Again, type Disagreement } from '@link-count/core/answers'
import { readDrive } from '@link-count/core/drive'
import type { BuildSheet } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { fixed } from '@link-count/core/units'
import { Button, UnstyledButton } from '@mantine/core'
import { inSentence, nounsOf, upperFirst } from '../../../ui/wording'
import { useChosenPart } from '../ChosenPart'
import { specFigureWords, specWords } from '../panels/specWords'
import { partKey } from '../parts/engineParts'
import { useSheetEditor } from '../SheetEditor'
import { trustWords } from '../TrustLetter'
import { figureWords, unitOf } from './figureWords'

/** How many of the figures that may be wrong are named: the likeliest. */
const NAMED = 2

/** Figures that cannot all be right, in one place: which, by how much, and which to measure again. */
export function Disagreements() {
  const { sheet } = useSheetEditor()
  const all = disagreementsOf(sheet)
  if (all.length === 0) return null
  return (
    <section className="warn disagreements" aria-label="Figures that disagree" role="alert">
      <h2>Figures that disagree</h2>
      <ul className="plain">
        {all.map((one) => (
          <li key={one.id} className="stack">
            <p>{disagreementWords(one, sheet)}</p>
            <MeasureAgain sheet={sheet} disagreement={one} />
          </li>
        ))}
      </ul>
    </section>
  )
}

function MeasureAgain({ sheet, disagreement }: { readonly sheet: BuildSheet; readonly disagreement: Disagreement }) {
  const { choose } = useChosenPart()
  const { about, again } = disagreement
  if (about === 'firing')
    return (
      <Button variant="quiet" onClick={() => choose(partKey('firing'))}>
        Look at the firing order
      </Button>
    )
  const first = again.slice(0, NAMED)
  if (first.length === 0) return null
  return (
    <>
      <p>{about === 'ratio' ? 'Count again:' : 'Measure again, this one first:'}</p>
      <ul className="plain">
        {first.map((one) => (
          <li key={figureKey(one.figure)}>
            <UnstyledButton className="again-line" onClick={() => choose(figureWords(sheet, one.figure).part)}>
              <strong>{upperFirst(figureWords(sheet, one.figure).name)}</strong>
              <span>{againWords(sheet, one)}</span>
            </UnstyledButton>
          </li>
        ))}
      </ul>
    </>
  )
}

/** "310 mm, measured here: 304.8 mm would end it." */
function againWords(sheet: BuildSheet, { figure, now, wouldBe, trust }: Again): string {
  const unit = unitOf(sheet, figure)
  const said = (value: number) => `${fixed(value, Number.isInteger(value) ? 0 : 1)}${unit}`
  const end = wouldBe === undefined ? '' : `; with ${said(wouldBe)} they would agree`
  return `${said(now)}, ${trustWords[trust].words}${end}.`
}

function disagreementWords(one: Disagreement, sheet: BuildSheet): string {
  const nameOf = (shaftId: string) => partsOf(sheet).shaft(shaftId)?.name ?? shaftId
  switch (one.about) {
    case 'ratio':
      return `${nameOf(one.shaftId)} turns ${one.one} of the crank, and should turn ${one.other}.${one.again.length === 0 ? ' No single tooth count would mend it.' : ''}`
    case 'ways':
      return `${nameOf(one.shaftId)} is driven two ways that do not agree: ${one.one} and ${one.other} of the crank. It could not turn.`
    case 'cam': {
      const whose = partsOf(sheet).cylinder(one.cylinderId)
      const cam = `${upperFirst(one.valve)}${whose ? ` of cylinder ${whose.name}` : ''}`
      return `${cam}, ${specWords[one.key].name}: ${specFigureWords(one.key, one.given)} is written, and the other figures make it ${specFigureWords(one.key, one.derived)}, ${specFigureWords(one.key, Math.abs(one.given - one.derived))} apart. One of them is another cam’s, another lift’s, or a slip.`
    }
    case 'firing':
      return 'The firing order, and how the crankpins and banks stand, cannot all be right.'
    case 'count':
    case 'sum':
    case 'length':
      return loopDisagreement(one, sheet)
  }
}

function loopDisagreement(
  one: Extract<Disagreement, { readonly about: 'count' | 'sum' | 'length' }>,
  sheet: BuildSheet,
): string {
  const loop = partsOf(sheet).loop(one.loopId)
  if (!loop) return ''
  const name = inSentence(loop.name) ?? ''
  const { pitches } = nounsOf(loop)
  const by = fixed(Math.abs(one.one - one.other), 1)
  if (one.about === 'sum')
    return `The counts of the ${name} come to ${fixed(one.one, 1)} ${pitches}, and it has ${fixed(one.other, 0)} in all: ${by} apart. One of them is wrong, or was counted by another rule.`
  if (one.about === 'length') {
    const short = one.other > one.one
    return `The ${name} has ${fixed(one.one, 0)} ${pitches}, and by where everything stands it needs ${fixed(one.other, 2)}: it is ${fixed(Math.abs(one.one - one.other), 2)} ${pitches} too ${short ? 'short' : 'long'}.`
  }
  const section = readDrive(sheet)
    .sections(loop)
    .find(({ id }) => id === one.sectionId)
  return `From the ${inSentence(section?.from.name)} to the ${inSentence(section?.to.name)}: ${fixed(one.one, 1)} ${pitches} as written, ${fixed(one.other, 1)} by where everything stands, ${by} apart. Another version’s mark, another rule of counting, or a figure to measure again.`
}
