import { inSentence } from './inSentence'
import type { Guard, GuardReason, GuardReasonCode, GuardVerdict, Wanted } from '@link-count/core/guard'
import type { BuildSheet } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { fixed } from '@link-count/core/units'
import { nounsOf, nounsOfAll } from './loops'
import { itemSentence, itemWords } from './register'

/** Degrees that are allowed, never rounded up. */
const down = (deg: number, decimals: 0 | 1 = 1) => {
  const tenths = Math.floor(deg * 10 + 1e-6)
  return fixed(tenths / 10, decimals === 0 && tenths % 10 === 0 ? 0 : 1)
}

export const verdictTitle = ({ verdict, limit, onlyRunning }: Guard): string => {
  if (verdict === 'turn') return onlyRunning ? 'May be turned, the running way only' : 'May be turned by hand'
  if (verdict === 'doNotTurn') return 'Do not turn'
  if (verdict === 'unknown') return 'Not known: do not turn yet'
  const { forwardDeg, backDeg, until } = limit ?? {}
  if (forwardDeg === undefined || backDeg === undefined)
    return until === 'stop'
      ? 'Gently onto the stop only'
      : until === 'reading'
        ? 'Gently, for the reading only'
        : 'Trim only'
  const trim =
    forwardDeg === backDeg
      ? `Trim only: ${down(forwardDeg, 0)}° either way`
      : `Trim only: ${down(forwardDeg)}° on, ${down(backDeg)}° back`
  return until === 'stop' ? `${trim}, and gently: the stop is in` : until ? `${trim}, and gently` : trim
}

const sign = (deg: number) => `${fixed(Math.abs(deg), 0)}° ${deg < 0 ? 'early' : 'late'}`

interface ReasonWords {
  readonly why: string
  readonly free: string
}

const collide = (sheet: BuildSheet) =>
  sheet.interference.value === 'yes' ? 'Interference engine' : 'Interference not known, so treated as yes'

/** Why the guard says what it says, and what would free it. */
export function reasonWords(reason: GuardReason, sheet: BuildSheet): ReasonWords {
  const { why, free } = vanishedReason(reason) ?? plainReason(reason, sheet)
  // A trim that is spent, or whose place is not known, is no trim any more.
  if (reason.trim === 'used') return { why: `${why}; turned out of the trim`, free }
  if (reason.trim === 'unknown')
    return { why: `${why}; how far it was turned is not known`, free: `${free}, or say where it stands` }
  return { why, free }
}

function vanishedReason({ vanished, code }: GuardReason): ReasonWords | undefined {
  if (vanished === undefined) return undefined
  const state =
    code === 'loopOff' || code.startsWith('loopOff')
      ? 'off'
      : code.startsWith('couplingApart')
        ? 'apart'
        : code.startsWith('tensioner')
          ? 'not known to be released'
          : 'not proved'
  return {
    why: `${vanished} was ${state}, and is no longer on the build sheet`,
    free: 'Say what became of it',
  }
}

/** What the words of a reason may speak of. */
interface Said extends GuardReason {
  readonly sheet: BuildSheet
  /** The loop by name where there are several, else what it is. */
  readonly chain: string
  readonly noun: string
  readonly camshaft: string
  readonly tensioner: string
  /** A coupling apart and together, or two gears out of mesh and in it. */
  readonly joint: { readonly is: string; readonly apart: string; readonly together: string }
}

const looked = 'Look at the engine, and say what you see'

/** "Count from the exhaust mark to the inlet mark, or see the inlet mark level with the crank at its own". */
function wantedWords(wanted: readonly Wanted[] | undefined, sheet: BuildSheet): string {
  const name = (id: string) => inSentence(partsOf(sheet).mark(id)?.name ?? 'its mark')
  const words = (wanted ?? []).map((one) => {
    if (one.by === 'count') return `count from the ${name(one.fromMarkId)} to the ${name(one.toMarkId)}`
    if (one.by === 'mark') {
      const marks = [...sheet.marks, ...sheet.rimMarks]
      const asked = [one.markId, one.crankMarkId].every((id) => marks.find((mark) => mark.id === id)?.exact)
      return `see the ${name(one.markId)} level, the crank at its own mark${asked ? '' : ', and say how exact they are'}`
    }
    if (one.by === 'mesh') return 'count the teeth between the marks of the two gears'
    return `read the ${lower(partsOf(sheet).shaft(one.shaftId)?.name ?? 'camshaft')} by its valves or lobes`
  })
  return upper(words.join(', or '))
}

const itemReason = ({ item, sheet }: Said): ReasonWords =>
  item
    ? { why: itemSentence(item, sheet), free: itemWords[item.item].free }
    : { why: 'Something is in', free: 'Take it out' }

/** Why, and what would free it, reason by reason. */
const reasons: { readonly [K in GuardReasonCode]: (said: Said) => ReasonWords } = {
  makeSafeNotDone: () => ({ why: 'Make-safe is not done', free: 'Tick what is left in Make safe' }),
  jobClosed: () => ({ why: 'This job is signed and closed', free: 'Start a new job and make it safe' }),
  stopIn: itemReason,
  rodIn: itemReason,
  lockIn: itemReason,
  capsLoose: itemReason,
  itemIn: itemReason,
  itemSaidTwoWays: ({ item }) => ({
    why: `${item ? itemWords[item.item].name : 'Something'}: in and out, by two devices`,
    free: looked,
  }),
  linersNotClamped: ({ targetId, sheet }) => ({
    why: `Head off and wet liners not clamped${sheet.banks.length > 1 ? `, ${lower(sheet.banks.find(({ id }) => id === targetId)?.name ?? '')}` : ''}`,
    free: 'Clamp the liners before the crank turns, and say so',
  }),
  loopHangs: ({ chain, noun }) => ({
    why: `${upper(chain)} hangs free and jams at the crank`,
    free: `Hold the ${noun} taut, or take it right off`,
  }),
  loopOff: ({ chain, noun, sheet }) => ({
    why: `${collide(sheet)}, ${chain} off at the timing position`,
    free: `${upper(noun)} on and counted, or every valve relieved`,
  }),
  loopOffAwayFromPose: ({ chain, sheet }) => ({
    why: `${collide(sheet)}, ${chain} off away from the timing position`,
    free: 'Relieve every valve before the crank moves',
  }),
  loopOffPlaceUnknown: ({ chain, sheet }) => ({
    why: `${collide(sheet)}, ${chain} off, and nobody knows where the crank stands`,
    free: 'Relieve every valve (rockers off), then find TDC',
  }),
  loopOffLookAgain: ({ chain, sheet }) => ({
    why: `${collide(sheet)}, ${chain} off, and not looked at since something moved`,
    free: 'Look whether it stands at the timing position and say so, or relieve every valve',
  }),
  loopOffFree: ({ chain }) => ({ why: `${upper(chain)} off; valves and pistons cannot meet`, free: '' }),
  loopSaidTwoWays: ({ chain }) => ({ why: `${upper(chain)} on and off, by two devices`, free: looked }),
  loopNewOnSheet: ({ chain }) => ({
    why: `${upper(chain)} is new on the build sheet: on or off is not known`,
    free: looked,
  }),
  loopJobLost: ({ chain }) => ({ why: `${upper(chain)}: on or off is not known, a job was lost`, free: looked }),
  loopNotCounted: ({ chain, sheet, wanted }) => ({
    why: `${collide(sheet)}, ${chain} on but not ${wanted?.every(({ by }) => by !== 'count') ? 'proved' : 'counted'}`,
    free: wantedWords(wanted, sheet) || 'Count the run',
  }),
  loopCountedOut: ({ chain, noun, sheet }) => ({
    why: `${collide(sheet)}, ${chain} counted out`,
    free: `Move the ${noun} and count again`,
  }),
  couplingApart: ({ sheet, joint }) => ({
    why: `${collide(sheet)}, ${joint.is} ${joint.apart} at the timing position`,
    free: `${upper(joint.is)} ${joint.together} and its camshaft read, or every valve relieved`,
  }),
  couplingApartAwayFromPose: ({ sheet, joint }) => ({
    why: `${collide(sheet)}, ${joint.is} ${joint.apart} away from the timing position`,
    free: 'Relieve every valve before the crank moves',
  }),
  couplingApartPlaceUnknown: ({ sheet, joint }) => ({
    why: `${collide(sheet)}, ${joint.is} ${joint.apart}, and nobody knows where the crank stands`,
    free: 'Relieve every valve (rockers off), then find TDC',
  }),
  couplingApartLookAgain: ({ sheet, joint }) => ({
    why: `${collide(sheet)}, ${joint.is} ${joint.apart}, and not looked at since something moved`,
    free: 'Look whether it stands at the timing position and say so, or relieve every valve',
  }),
  couplingApartFree: ({ joint }) => ({
    why: `${upper(joint.is)} ${joint.apart}; valves and pistons cannot meet`,
    free: '',
  }),
  couplingSaidTwoWays: ({ joint }) => ({
    why: `${upper(joint.is)} ${joint.together} and ${joint.apart}, by two devices`,
    free: looked,
  }),
  couplingNewOnSheet: ({ joint }) => ({
    why: `${upper(joint.is)} new on the build sheet: ${joint.together} or ${joint.apart} is not known`,
    free: looked,
  }),
  couplingJobLost: ({ joint }) => ({
    why: `${upper(joint.is)}: ${joint.together} or ${joint.apart} is not known, a job was lost`,
    free: looked,
  }),
  couplingNotRead: ({ sheet, joint, wanted }) => ({
    why: `${collide(sheet)}, ${joint.is} ${joint.together} but its camshaft not read since`,
    free: wantedWords(wanted, sheet) || 'See whether its mark meets, with the crank at the timing position',
  }),
  camshaftReadsOut: ({ camshaft, latenessDeg, safeDeg, safeIsUsual, disagrees, sheet }) => ({
    why: `${collide(sheet)}, ${lower(camshaft)} reads ${sign(latenessDeg ?? 0)}; up to ${fixed(safeDeg ?? 0, 0)}° is ${safeIsUsual ? 'usual' : 'the sheet’s figure'}`,
    free: disagrees
      ? 'Two readings of it disagree: strike the wrong one, or read it until two in a row agree'
      : 'Read it again, or relieve its valves',
  }),
  camshaftReadsOutRanSo: ({ camshaft, latenessDeg }) => ({
    why: `${camshaft} reads ${sign(latenessDeg ?? 0)}, and it ran so: the running way only`,
    free: 'Put it right before it is turned back',
  }),
  camshaftHeld: ({ camshaft }) => ({
    why: `${camshaft} is held, and driven`,
    free: 'Take its hold off before the crank moves',
  }),
  camshaftSaidTwoWays: ({ camshaft }) => ({ why: `${camshaft}: two devices say different things of it`, free: looked }),
  tensionerNotReleased: ({ tensioner }) => ({ why: `${tensioner} not released`, free: 'Release the tensioner' }),
  tensionerLoose: ({ tensioner, noun }) => ({
    why: `${tensioner} slacked off or not locked: the ${noun} can jump`,
    free: 'Set the tensioner and lock it',
  }),
  tensionerSpringOnly: ({ tensioner }) => ({
    why: `${tensioner} on its spring alone, its bolt or nuts loose`,
    free: 'Lock it after its turns',
  }),
  tensionerNotSaid: ({ tensioner }) => ({
    why: `${tensioner}: nobody said that it is released`,
    free: 'Release the tensioner and say so',
  }),
  jobLost: ({ lost }) => ({
    why:
      lost?.why === 'removed'
        ? `Job ${lost.number} was deleted: what it left in or loose is not known`
        : `Job ${lost?.number ?? ''} cannot be read: what it left in or loose is not known`,
    free: 'Look over the whole engine, and say what you see',
  }),
  sheetsDisagree: () => ({
    why: 'Two build sheets have the same newest number, and they differ',
    free: 'Say on the engine’s page which of them is right',
  }),
  crankSaidTwoWays: () => ({
    why: 'Turned on two devices: where the crank stands is not known',
    free: 'Look where it stands, and say so',
  }),
  placeContradicted: () => ({
    why: 'Where the crank was said to stand is not where the turns written lead',
    free: 'Say which of them is wrong',
  }),
}

function plainReason(reason: GuardReason, sheet: BuildSheet): ReasonWords {
  const { targetId } = reason
  const parts = partsOf(sheet)
  const loop = parts.loop(targetId)
  const noun = loop ? nounsOf(loop).loop : nounsOfAll(sheet.loops).loop
  return reasons[reason.code]({
    ...reason,
    sheet,
    noun,
    chain: sheet.loops.length > 1 && loop ? lower(loop.name) : noun,
    camshaft: parts.shaft(targetId)?.name ?? 'Camshaft',
    joint:
      parts.coupling(targetId)?.kind === 'gearMesh'
        ? { is: 'gears', apart: 'out of mesh', together: 'in mesh' }
        : { is: 'coupling', apart: 'apart', together: 'together' },
    tensioner: (parts.tensioners.length > 1 && parts.member(targetId)?.name) || 'Tensioner',
  })
}

const upper = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)

export const verdictShapeName: Record<GuardVerdict, string> = {
  turn: 'turn',
  trim: 'trim only',
  doNotTurn: 'do not turn',
  unknown: 'not known',
}

/** As many letters as three lines of the bar hold beside what is on the register. */
const FITS = 125

/** Why, without saying again that valves and pistons can meet. */
const plainWhy = (reason: GuardReason, sheet: BuildSheet) =>
  upper(reasonWords(reason, sheet).why.replace(`${collide(sheet)}, `, ''))

/** The same for a narrow screen: only what holds it, the worst of it, or that nothing does. */
export function guardShort({ verdict, reasons }: Guard, sheet: BuildSheet): string {
  const holding = reasons.filter((reason) => reason.verdict !== 'turn')
  const [first] = holding.filter(({ item }) => !item)
  if (verdict === 'turn') return 'Slowly, and stop at any resistance'
  return first ? plainWhy(first, sheet) : 'Something is in or loose'
}

/** The guard's line: what holds it, and the first thing that would free it. What is on the register stands beside it by name. */
export function guardSentence({ verdict, reasons }: Guard, sheet: BuildSheet): string {
  const holding = reasons.filter((reason) => reason.verdict !== 'turn')
  if (verdict === 'turn' || holding.length === 0) {
    const told = reasons.find(({ item, code }) => !item && code !== 'loopOffFree' && code !== 'couplingApartFree')
    const why = told ? reasonWords(told, sheet).why : 'Nothing holds it'
    const out = sheet.fuel === 'diesel' ? 'Injectors or glow plugs' : 'Plugs'
    return `${why}. ${out} out, slowly, and stop at any resistance.`
  }
  const named = holding.filter(({ item }) => !item)
  const first = (named[0] ?? holding[0]) as GuardReason
  const whys = [...new Set((named.length > 0 ? named : holding).map((reason) => reasonWords(reason, sheet).why))]
  const { why, free } = reasonWords(first, sheet)
  // Three lines at most: what does not fit stands in the guard's own list.
  const said = [`${whys.slice(0, 2).join('. ')}. ${free}.`, `${why}. ${free}.`]
  return said.find((words) => words.length <= FITS) ?? `${plainWhy(first, sheet)}. ${free}.`
}
