import { readDrive, toothWorth } from '../drive'
import type { BuildSheet, Loop } from '../model/buildSheet'
import { oncePerSheet, partsOf } from '../sheet'
import { isGiven, type Figure } from './figures'
import { geometryOf, layoutOf } from './ways'

export type AnswerKind = 'tooth' | 'count' | 'length' | 'stop' | 'events' | 'lash' | 'meeting' | 'firing'

/** Something that the sheet can be asked. */
export interface Answer {
  readonly id: string
  readonly about: AnswerKind
  /** The part it speaks of: a wheel, the mark that a count is taken from, a loop, a kind of valve. */
  readonly targetId: string
  readonly status: 'known' | 'half' | 'open'
  /** In its own unit where it is one number: crank degrees of a tooth, pitches. */
  readonly value: number | undefined
  /** Ways to come to it: of each the figures still wanted, in the order in which a mechanic measures. Empty for what is known. */
  readonly ways: readonly (readonly Figure[])[]
}

/** What a build sheet can be asked, what of it is answered, and what each open answer still wants. Only what is of use to this engine. */
export const answersOf = oncePerSheet((sheet): readonly Answer[] => [
  ...toothAnswers(sheet),
  ...sheet.loops.flatMap((loop) => countAnswers(sheet, loop)),
  ...sheet.loops.map((loop) => lengthAnswer(sheet, loop)),
  ...onePerSheet(sheet),
])

/** Of its ways: all figures of each, given or not. A value says that it is known however it was come to. */
function answer(
  sheet: BuildSheet,
  of: Pick<Answer, 'about' | 'targetId' | 'value'> & { readonly id?: string; readonly known?: boolean },
  ways: readonly (readonly Figure[])[],
): Answer {
  const { about, targetId, value } = of
  const wanted = ways.map((way) => way.filter((figure) => !isGiven(sheet, figure)))
  const known = of.known ?? (value !== undefined || wanted.some((way) => way.length === 0))
  const begun = ways.some((way, i) => (wanted[i]?.length ?? 0) < way.length)
  return {
    id: of.id ?? `${about} ${targetId}`,
    about,
    targetId,
    value,
    status: known ? 'known' : begun ? 'half' : 'open',
    ways: known ? [] : wanted,
  }
}

/** One tooth of each camshaft's wheel. */
function toothAnswers(sheet: BuildSheet): Answer[] {
  const { member, shaft: shaftOf } = partsOf(sheet)
  const ids = new Set([
    ...sheet.loops.flatMap(({ path }) => path.map(({ memberId }) => memberId)),
    ...sheet.couplings.flatMap(({ kind, fromId, toId }) => (kind === 'gearMesh' ? [fromId, toId] : [])),
  ])
  return [...ids].flatMap((id) => {
    const wheel = member(id)
    const shaft = shaftOf(wheel?.shaftId)
    if (shaft?.kind !== 'cam') return []
    const value = wheel?.teeth && toothWorth(wheel.teeth.value, readDrive(sheet).ratioOf(shaft)).crankDeg
    return [answer(sheet, { about: 'tooth', targetId: id, value }, [[{ list: 'members', id, field: 'teeth' }]])]
  })
}

/** Every stretch between marks: by the book, or worked out from where everything stands. */
function countAnswers(sheet: BuildSheet, loop: Loop): Answer[] {
  return readDrive(sheet)
    .sections(loop)
    .filter(({ cannotTell }) => !cannotTell)
    .map((section) =>
      answer(
        sheet,
        {
          id: `count ${section.id}`,
          about: 'count',
          targetId: section.id,
          value: section.expected?.pitches,
          known: section.expected !== undefined,
        },
        [[{ list: 'counts', id: section.id, field: 'pitches' }], geometryOf(sheet, loop, section)],
      ),
    )
}

function lengthAnswer(sheet: BuildSheet, loop: Loop): Answer {
  const lies = readDrive(sheet).lies(loop)
  const value = loop.pitches?.value ?? (lies?.drawn === 'toScale' ? lies.pitches : undefined)
  return answer(sheet, { about: 'length', targetId: loop.id, value }, [
    [{ list: 'loops', id: loop.id, field: 'pitches' }],
    layoutOf(sheet, loop),
  ])
}

/** What is asked of the engine as a whole. */
function onePerSheet(sheet: BuildSheet): Answer[] {
  const ofSheet = (...fields: readonly string[]) => fields.map((field): Figure => ({ list: 'sheet', id: '', field }))
  const valves = (['inlet', 'exhaust'] as const).filter((valve) => sheet.cams.some((cam) => cam.valve === valve))
  const ofValve = (valve: string, ...fields: readonly string[]) =>
    fields.map((field): Figure => ({ list: 'cams', id: valve, field }))
  const meets = sheet.interference.value !== 'unknown'
  return [
    answer(sheet, { about: 'stop', targetId: '', value: undefined }, [ofSheet('strokeMm', 'rodMm')]),
    ...(sheet.cylinders.length > 1 && sheet.cycleDeg === 720
      ? [answer(sheet, { about: 'firing', targetId: '', value: undefined }, [ofSheet('firingOrder')])]
      : []),
    ...valves.map((valve) =>
      answer(sheet, { about: 'events', targetId: valve, value: undefined }, [
        ofValve(valve, 'opensDeg', 'closesDeg'),
        ofValve(valve, 'centreDeg'),
      ]),
    ),
    ...valves.map((valve) =>
      answer(sheet, { about: 'lash', targetId: valve, value: undefined }, [ofValve(valve, 'lashMm')]),
    ),
    answer(sheet, { about: 'meeting', targetId: '', value: undefined, known: meets }, [ofSheet('interference')]),
  ]
}
