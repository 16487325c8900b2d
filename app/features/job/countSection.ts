import { sectionsWithout, spokenOf, type Section, readDrive } from '@link-count/core/drive'
import { hiddenMarks, withSeats } from '@link-count/core/ledger'
import type { Entry, EntryOf, Loop, Phase } from '@link-count/core/model'
import { stepKinds, type Step, type StepKindRecord } from '@link-count/core/runSheet'
import type { JobView } from '../../domain/views'

/** A section as it can be chosen for counting. */
export interface Countable {
  readonly loop: Loop
  readonly section: Section
  readonly written: EntryOf<'count'> | undefined
}

const recordOf = ({ kind }: Step): StepKindRecord => stepKinds[kind]
/** The phase of what is counted in a step; undefined where nothing is. */
export const phaseOf = (step: Step): Phase | undefined => (recordOf(step).loops ? recordOf(step).phase : undefined)

/** The loops that are counted in a step: those between the crank and its camshaft, its own loop, or all of them. */
export const loopsOf = (step: Step, { sheet }: Pick<JobView, 'sheet'>): readonly Loop[] =>
  recordOf(step).loops?.(sheet, step.targetIds) ?? []

/** Every section that can be counted in a step, the pulled ones first; a run with slack in it is only counted when nothing else is. Over a mark that cannot be
 *  seen it is counted on to the next one. */
export function countablesOf(step: Step, view: Pick<JobView, 'sheet' | 'state'>): readonly Countable[] {
  const phase = phaseOf(step)
  if (!phase) return []
  const { sheet, state } = view
  return loopsOf(step, view).flatMap((loop) => {
    const seats = phase === 'found' ? state.seats.found : state.seats.now
    const sections = sectionsWithout(withSeats(readDrive(sheet).sections(loop), seats), hiddenMarks(state))
    return [...sections.filter(({ run }) => run === 'tight'), ...sections.filter(({ run }) => run === 'slack')].map(
      (section): Countable => ({
        loop,
        section,
        written: state.counts.findLast(
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

/** The one in hand: the one chosen, else the first pulled one that can tell and is not counted yet, else the first that can tell. */
export const inHandOf = (countables: readonly Countable[], chosen: string): Countable | undefined =>
  countables.find(({ section }) => section.id === chosen) ??
  countables.find(({ section, written }) => section.run === 'tight' && !section.cannotTell && !written) ??
  countables.find(({ section }) => !section.cannotTell) ??
  countables[0]

/** Which section was chosen, each time that a loop lies anew: then counting begins with the first of them again. */
export const sectionDraftKey = (jobId: string, stepId: string, live: readonly Entry[]) =>
  `${jobId}:${stepId}:section:${live.filter(({ kind }) => kind === 'loop').length}`

/** The wheel that a section's count speaks of. */
export const spokenMember = ({ sheet }: Pick<JobView, 'sheet'>, { loop, section }: Countable) =>
  spokenOf(sheet, section, readDrive(sheet).driverOf(loop)?.id)
