import { hangs, readDrive } from '../drive'
import { makeSliderCrank } from '../kinematics'
import type { BuildSheet } from '../model/buildSheet'
import { asDrawable } from '../scene'
import { oncePerSheet } from '../sheet'
import { answersOf, type Answer } from './answers'
import { figureKey, givenFigure, type Figure } from './figures'
import { middleOf, usualOf } from './usualValues'
import { withFigure } from './withFigure'

/** How near an answer has to be to be of use: half a pitch of a count, a degree of a dead centre. */
const TOLERANCES: Partial<Record<Answer['about'], number>> = { count: 0.5, length: 0.5, stop: 1 }
/** A drop at which a dial or a stop is usually read. */
const STOP_DROP_MM = 10

/** By how much a figure, once read, narrows an answer: its ± while the figure may lie anywhere in its usual range, less its ± with the figure as near as it can be
 *  read, over the answer's tolerance; by answer, then by figure. The other unknown figures stand in by their usual middle, so it ranks figures and judges nothing.
 *  Formula: |d answer / d figure| · (half the range − ± of reading) / tolerance. Source: the chain rule; ranges by usualValues. */
export const fallsOf = oncePerSheet((sheet): ReadonlyMap<string, ReadonlyMap<string, number>> => {
  const answers = answersOf(sheet).filter(({ about, ways }) => TOLERANCES[about] !== undefined && ways.length > 0)
  const figures = new Map(answers.flatMap(({ ways }) => ways.flat().map((one) => [figureKey(one), one])))
  const nominal = withMiddles(sheet, [...figures.values()])
  const before = valuesOf(nominal)
  const falls = new Map<string, Map<string, number>>()
  for (const [key, figure] of figures) {
    const usual = usualOf(figure)
    const at = usual && givenFigure(nominal, figure)?.value
    if (!usual || at === undefined) continue
    const step = usual.readTo || 1
    const sides = [step, -step].map((by) => valuesOf(withFigure(nominal, figure, at + by)))
    for (const answer of answers.filter(({ ways }) => ways.flat().some((one) => figureKey(one) === key))) {
      const was = before.get(answer.id)
      const moves = sides.flatMap((after) => {
        const is = after.get(answer.id)
        return was === undefined || is === undefined ? [] : [Math.abs(is - was)]
      })
      if (moves.length === 0) continue
      // Where a mark goes over to the other side of what is off its wrap the count leaps by its wheel: the other way it does not.
      const slope = Math.min(...moves) / step
      const fall = (slope * ((usual.most - usual.least) / 2 - usual.readTo)) / (TOLERANCES[answer.about] ?? 1)
      falls.set(answer.id, (falls.get(answer.id) ?? new Map<string, number>()).set(key, fall))
    }
  }
  return falls
})

/** The sheet with everything that is wanted at its usual middle, teeth by their ratios. */
export function withMiddles(sheet: BuildSheet, wanted: readonly Figure[]): BuildSheet {
  const filled = wanted.reduce((so, figure) => {
    const usual = usualOf(figure)
    // Teeth stand in by the ratios of their shafts; a length that nobody counted fits none of this.
    if (!usual || figure.list === 'members' || (figure.list === 'loops' && figure.field === 'pitches')) return so
    return withFigure(so, figure, middleOf(usual) + towardsOf(sheet, figure))
  }, sheet)
  return asDrawable(
    filled.running ? filled : { ...filled, running: { value: 'clockwise', typed: '', trust: 'unknown' } },
  ).sheet
}

/** Where a part that is not measured is drawn, in degrees: what its direction ranges about. */
const towardsOf = (sheet: BuildSheet, { list, id, field }: Figure) =>
  list === 'shafts' && field === 'direction' ? (hangs(sheet).get(id)?.towardsDeg ?? 90) : list === 'marks' ? 90 : 0

/** What the answers come to on a sheet, each in its own unit: counts from where everything stands, whatever a book says; what the path of a loop needs; the degrees of a drop. */
export function valuesOf(sheet: BuildSheet): ReadonlyMap<string, number> {
  const bare = sheet.counts.length > 0 ? { ...sheet, counts: [] } : sheet
  const drive = readDrive(bare)
  const values = new Map<string, number>()
  for (const loop of bare.loops) {
    const lies = drive.lies(loop)
    if (lies?.drawn === 'toScale') values.set(`length ${loop.id}`, lies.pitches - lies.slackPitches)
    for (const { id, expected } of drive.sections(loop))
      if (expected?.from === 'geometry')
        values.set(`count ${id}`, expected.pitches - expected.toTeeth + expected.fromTeeth)
  }
  const crank = makeSliderCrank({
    strokeMm: sheet.strokeMm?.value ?? 0,
    rodMm: sheet.rodMm?.value ?? 0,
    pinOffsetMm: sheet.pinOffsetMm?.value ?? 0,
  })
  const deg = crank.ok ? crank.value.degAtDrop(STOP_DROP_MM, 'after') : undefined
  if (deg !== undefined) values.set('stop ', deg)
  return values
}
