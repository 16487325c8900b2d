import { spokenOf, driverOf, walkDrive, type Section } from '@link-count/core/drive'
import { readLoop } from '@link-count/core/ledger'
import type { EntryOf, Loop, Phase } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import type { JobView } from '../../domain/views'

/** A section as it can be chosen for counting. */
export interface Countable {
  readonly loop: Loop
  readonly section: Section
  readonly written: EntryOf<'count'> | undefined
}

const phases: Partial<Record<Step['kind'], Phase>> = { asFound: 'found', chainOnCount: 'set', twoTurns: 'left' }
export const phaseOf = (step: Step): Phase | undefined => phases[step.kind]

/** The loops that are counted in a step: those between the crank and its camshaft, its own loop, or all of them. */
export function loopsOf(step: Step, { sheet }: Pick<JobView, 'sheet'>): readonly Loop[] {
  const [target = ''] = step.targetIds
  switch (step.kind) {
    case 'asFound': {
      const ways = walkDrive(sheet).ways[target] ?? []
      const onWay = sheet.loops.filter(({ id }) => ways.some(({ by }) => by.id === id))
      return onWay.length > 0 ? onWay : sheet.loops.slice(0, 1)
    }
    case 'chainOnCount':
      return sheet.loops.filter(({ id }) => id === target)
    case 'twoTurns':
      return sheet.loops
    default:
      return []
  }
}

/** Every section that can be counted in a step, the pulled ones first; a run with slack in it is only counted when nothing else is. */
export function countablesOf(step: Step, view: Pick<JobView, 'sheet' | 'state'>): readonly Countable[] {
  const phase = phaseOf(step)
  if (!phase) return []
  return loopsOf(step, view).flatMap((loop) => {
    const { sections } = readLoop(view.sheet, loop, view.state.counts, phase, view.state.seats)
    return [...sections.filter(({ run }) => run === 'tight'), ...sections.filter(({ run }) => run === 'slack')].map(
      (section): Countable => ({
        loop,
        section,
        written: view.state.counts.findLast(
          (one) =>
            one.phase === phase &&
            one.loopId === loop.id &&
            one.fromMarkId === section.from.id &&
            one.toMarkId === section.to.id,
        ),
      }),
    )
  })
}

/** The one in hand: the one chosen, else the first pulled one that is not counted yet, else the first. */
export const inHandOf = (countables: readonly Countable[], chosen: string): Countable | undefined =>
  countables.find(({ section }) => section.id === chosen) ??
  countables.find(({ section, written }) => section.run === 'tight' && !written) ??
  countables[0]

export const sectionDraftKey = (jobId: string, stepId: string) => `${jobId}:${stepId}:section`

/** The wheel that a section's count speaks of. */
export const wheelOf = ({ sheet }: Pick<JobView, 'sheet'>, { loop, section }: Countable) =>
  spokenOf(sheet, section, driverOf(sheet, loop)?.id)

/** What is counted on a loop, one and many. */
export const unitOf = ({ kind }: Pick<Loop, 'kind'>) =>
  kind === 'toothedBelt'
    ? { one: 'tooth', many: 'teeth' }
    : kind === 'rollerChain'
      ? { one: 'pin', many: 'pins' }
      : { one: 'link', many: 'links' }
