import { allOf, type JobState } from '../ledger'
import type { BoltGroup, BuildSheet } from '../model/buildSheet'
import type { EntryOf } from '../model/entry'
import type { StepKind } from '../model/stepKinds'
import { socketFor } from './socketFor'

/** Tools that steps want. */
export const KIT_TOOLS = [
  'degreeWheel',
  'stopOrDial',
  'feelers',
  'turningTool',
  'paint',
  'ties',
  'rule',
  'lamp',
  'tensionerPin',
  'pumpDial',
  'catchTray',
  'timingLamp',
  'pressureGauge',
  'rags',
  'oilCan',
] as const
export type KitTool = (typeof KIT_TOOLS)[number]

/** One thing that a job wants at hand: a tool, something that is new each time, or something that is used up. */
export type KitLine = { readonly id: string } & (
  | { readonly is: 'tool'; readonly tool: KitTool }
  | { readonly is: 'socket'; readonly size: string; readonly thread: string }
  | { readonly is: 'torqueWrench'; readonly leastNm: number; readonly mostNm: number }
  | { readonly is: 'angleGauge' }
  | { readonly is: 'newBolts'; readonly n: number; readonly of: BoltGroup }
  | { readonly is: 'newLocks'; readonly n: number; readonly of: BoltGroup }
  | { readonly is: 'onThread'; readonly what: 'oil' | 'locker' | 'sealant' | 'compound'; readonly grade: string }
  | { readonly is: 'renew'; readonly finding: EntryOf<'finding'> }
  | { readonly is: 'own'; readonly words: string }
)

/** Which tools a step wants. Source: common practice, no source. */
const WANTS: Readonly<Partial<Record<StepKind, readonly KitTool[]>>> = {
  makeSafe: ['rags', 'turningTool'],
  gettingIn: ['ties'],
  lookOver: ['lamp'],
  lashFound: ['feelers'],
  lashLeft: ['feelers'],
  trueTdc: ['degreeWheel', 'stopOrDial'],
  paint: ['paint'],
  poseChainOff: ['paint', 'ties'],
  slackFound: ['rule'],
  slackSet: ['rule'],
  wear: ['rule', 'lamp'],
  tensioner: ['tensionerPin'],
  pumpFound: ['pumpDial', 'catchTray'],
  pumpSet: ['pumpDial', 'catchTray'],
  sparkFound: ['timingLamp'],
  sparkSet: ['timingLamp'],
  pressures: ['pressureGauge'],
  card: ['oilCan'],
}

/** What a job wants at hand, by its steps, the bolts on its build sheet and what was found: tools first, then what is new each time, then what is used up, then what was written down by hand. Each once. */
export function kitOf(
  { boltGroups = [] }: Pick<BuildSheet, 'boltGroups'>,
  steps: readonly { readonly kind: StepKind }[],
  state: Pick<JobState, 'kept'>,
): readonly KitLine[] {
  const wanted = new Set(steps.flatMap(({ kind }) => WANTS[kind] ?? []))
  return [
    ...KIT_TOOLS.filter((tool) => wanted.has(tool)).map((tool): KitLine => ({ id: `tool-${tool}`, is: 'tool', tool })),
    ...forBolts(boltGroups),
    ...allOf(state, 'finding').flatMap((finding): KitLine[] =>
      finding.verdict === 'renewNow' || finding.verdict === 'renewAsSet'
        ? [{ id: `renew-${finding.partId}`, is: 'renew', finding }]
        : [],
    ),
    ...allOf(state, 'kit').flatMap(({ itemId, words }): KitLine[] =>
      itemId.startsWith('own-') ? [{ id: itemId, is: 'own', words }] : [],
    ),
  ]
}

function forBolts(groups: readonly BoltGroup[]): KitLine[] {
  const torques = groups.flatMap(({ stages }) => stages.flatMap((one) => (one.by === 'torque' ? [one.nm.value] : [])))
  const turned = groups.some(({ stages }) => stages.some(({ by }) => by === 'angle'))
  const sockets = groups.flatMap(({ thread }): KitLine[] => {
    const size = socketFor(thread)
    return size && thread ? [{ id: `socket-${size}`, is: 'socket', size, thread }] : []
  })
  const used = groups.flatMap(({ threadWith = [], lockerGrade = '' }) =>
    threadWith.map((what): KitLine => {
      const grade = what === 'locker' ? lockerGrade : ''
      return { id: `thread-${what}${grade && `-${grade}`}`, is: 'onThread', what, grade }
    }),
  )
  return [
    ...onceEach(sockets),
    ...(torques.length > 0
      ? [
          {
            id: 'torqueWrench',
            is: 'torqueWrench',
            leastNm: Math.min(...torques),
            mostNm: Math.max(...torques),
          } as const,
        ]
      : []),
    ...(turned ? [{ id: 'angleGauge', is: 'angleGauge' } as const] : []),
    ...groups.flatMap((of): KitLine[] => [
      ...(of.newEachTime || of.stretch
        ? [{ id: `new-${of.id}`, is: 'newBolts', n: of.bolts.length, of } as const]
        : []),
      ...(of.lockedBy === 'tab' || of.lockedBy === 'disc' || of.lockedBy === 'springWasher'
        ? [{ id: `locks-${of.id}`, is: 'newLocks', n: of.bolts.length, of } as const]
        : []),
    ]),
    ...onceEach(used),
  ]
}

const onceEach = (lines: readonly KitLine[]): KitLine[] => [...new Map(lines.map((one) => [one.id, one])).values()]

export type KitIs = EntryOf<'kit'>['is']

/** What was last said of a thing: here, to be got, or not wanted; undefined while nobody said. */
export const saidOfKit = (state: Pick<JobState, 'kept'>, id: string): KitIs | undefined =>
  allOf(state, 'kit').find(({ itemId }) => itemId === id)?.is

/** What is still to be got. */
export const kitOwed = (lines: readonly KitLine[], state: Pick<JobState, 'kept'>): readonly KitLine[] =>
  lines.filter(({ id }) => saidOfKit(state, id) === 'owed')
