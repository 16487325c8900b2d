import type { BuildSheet, Loop, Mark, Shaft } from '../model/buildSheet'
import { ratioValue } from '../units'
import { driverOf, slackAfterOf } from './driver'
import { expectedCount, type ExpectedCount } from './counts'
import { placeOnPath } from './path'
import { gapZeroDeg, markAngleDeg } from './positions'
import type { SolvedLoop } from './solveLoop'
import { ratioOfShaft } from './walkDrive'

/** A stretch of a loop from one mark to the next, as it travels: what is counted in one go. */
export interface Section {
  readonly id: string
  readonly loopId: string
  readonly from: Mark
  readonly to: Mark
  /** Slack when the run that the driver pays out lies in it; counting there says nothing before the tensioner is on. */
  readonly run: 'tight' | 'slack'
  readonly expected: ExpectedCount | undefined
  /** No tooth at one of its ends stands well on the wrap: what is counted there says nothing. */
  readonly cannotTell: boolean
}

/** The sections of a loop between its marks for the reference pose, in the order of travel from the driver's mark. With the marks'
 *  directions known they are ordered by where they stand on the loop; else by the path. Empty with fewer than two marked wheels. */
export function sectionsOf(sheet: BuildSheet, loop: Loop, solved: SolvedLoop | undefined): Section[] {
  const onLoop = loop.path.flatMap(({ memberId }) => {
    const own = sheet.marks.filter((mark) => mark.memberId === memberId)
    const cut = own.filter(({ cutFor }) => cutFor === 'pose')
    // A tooth that was painted is counted from where nothing was cut.
    return cut.length > 0 ? cut : own.filter(({ cutFor }) => cutFor === 'paint')
  })
  if (new Set(onLoop.map(({ memberId }) => memberId)).size < 2) return []
  const driverId = driverOf(sheet, loop)?.id
  const slackAfter = slackAfterOf(sheet, loop) ?? driverId
  const places = new Map(onLoop.map((mark) => [mark.id, placeOf(sheet, solved, mark)]))
  const placed = onLoop.every(({ id, cutFor }) => cutFor === 'pose' && places.get(id) !== undefined)
  const ordered = placed ? [...onLoop].sort((a, b) => (places.get(a.id) ?? 0) - (places.get(b.id) ?? 0)) : onLoop
  const first = Math.max(
    0,
    ordered.findIndex(({ memberId }) => memberId === driverId),
  )
  const turned = [...ordered.slice(first), ...ordered.slice(0, first)]
  const sections = turned.map((from, i): Section => {
    const to = turned[(i + 1) % turned.length] as Mark
    const expected = expectedCount(sheet, solved, from, to)
    return {
      id: `${from.id}>${to.id}`,
      loopId: loop.id,
      from,
      to,
      run: isBetween(loop, slackAfter, from.memberId, to.memberId) ? 'slack' : 'tight',
      expected: expected === 'wrapTooShort' ? undefined : expected,
      cannotTell: expected === 'wrapTooShort',
    }
  })
  return withDerived(sections, loop.pitches?.value)
}

/** Whether the run that comes after a wheel lies in the stretch of a loop from one wheel to another, as it travels. */
function isBetween({ path }: Loop, wheel: string | undefined, from: string, to: string): boolean {
  const at = (id: string) => path.findIndex(({ memberId }) => memberId === id)
  const on = (id: string) => (at(id) - at(from) + path.length) % path.length
  return wheel !== undefined && from !== to && at(wheel) >= 0 && on(wheel) < on(to)
}

/** The one stretch that nobody gives follows from the others and the whole: each of its marks is counted to from the other side, so that all of them lie on
 *  the loop. */
function withDerived(sections: readonly Section[], whole: number | undefined): Section[] {
  const open = sections.filter(({ expected }) => !expected)
  const [only] = open
  if (whole === undefined || open.length !== 1 || !only || only.cannotTell || sections.length < 2) return [...sections]
  const marked = sections.every(({ expected }) => !expected || (expected.fromTeeth === 0 && expected.toTeeth === 0))
  const others = sections.reduce((sum, { expected }) => sum + (expected?.pitches ?? 0), 0)
  if (!marked || whole - others < 0.5) return [...sections]
  const expected = {
    pitches: whole - others,
    otherRunPitches: others,
    from: 'derived' as const,
    fromTeeth: 0,
    toTeeth: 0,
  }
  return sections.map((section) => (section === only ? { ...section, expected } : section))
}

/** How what is expected in every section of a loop adds up against its whole number of pitches: undefined where one of them, or the whole, is not known. */
export function sumOfSections(
  sections: readonly Section[],
  loop: Loop,
): { readonly sum: number; readonly whole: number; readonly addsUp: boolean } | undefined {
  const whole = loop.pitches?.value
  const known = sections.flatMap(({ expected }) => expected ?? [])
  if (whole === undefined || sections.length === 0) return undefined
  const sum = known.reduce((total, { pitches, fromTeeth, toTeeth }) => total + pitches - toTeeth + fromTeeth, 0)
  if (known.length === sections.length) return { sum, whole, addsUp: Math.abs(sum - whole) < 0.5 }
  // What is known already leaves nothing over for the rest.
  return sum > whole - 0.5 ? { sum, whole, addsUp: false } : undefined
}

function placeOf(sheet: BuildSheet, solved: SolvedLoop | undefined, mark: Mark): number | undefined {
  const teeth = sheet.members.find(({ id }) => id === mark.memberId)?.teeth?.value
  const gapZero = gapZeroDeg(sheet, mark.memberId)
  if (!solved || solved.drawn !== 'toScale' || !teeth || gapZero === undefined) return undefined
  return placeOnPath(solved.path, { memberId: mark.memberId, teeth, deg: gapZero + markAngleDeg(mark, teeth) })
    ?.atPitches
}

/** The wheel that a count of a section speaks of: the one at its upstream end, or where that is the driver the other one. */
export function spokenOf(sheet: BuildSheet, { from, to }: Section, driverId: string | undefined) {
  const [id, run] = from.memberId === driverId ? [to.memberId, 'slack' as const] : [from.memberId, 'tight' as const]
  const member = sheet.members.find((one) => one.id === id)
  const shaft = sheet.shafts.find((one) => one.id === member?.shaftId)
  return member?.teeth && shaft ? { member, shaft, teeth: member.teeth.value, run } : undefined
}

/** What was found in a section, in pitches. */
export interface SectionCount {
  readonly sectionId: string
  readonly foundPitches: number
}

export interface MemberLateness {
  readonly memberId: string
  readonly shaft: Shaft
  /** Whole pitches that the wheel stands late (+) or early (-) on the loop, and the rest of it. */
  readonly teethLate: number
  readonly restPitches: number
  /** At the crank, this loop's part alone. */
  readonly latenessDeg: number
  readonly restDeg: number
  readonly toothCrankDeg: number
  /** Sections it was worked out through, back to the driver. */
  readonly through: readonly string[]
}

/** How late every driven wheel of a loop stands, from counts between neighbouring marks. Found less expected in a section is the
 *  upstream wheel's lateness less the downstream one's, the driver's being nothing, so wheels are worked out from the driver outwards
 *  along the pulled runs; a section with slack in it is used only for a wheel that no other count reaches.
 *  Source: handbook 8, taken over several wheels. */
export function latenessByCounts(
  sheet: BuildSheet,
  sections: readonly Section[],
  counts: readonly SectionCount[],
  driverId: string | undefined,
): MemberLateness[] {
  const late = new Map<string, { pitches: number; through: string[] }>()
  if (driverId === undefined) return []
  late.set(driverId, { pitches: 0, through: [] })
  const overs = sections.flatMap((section) => {
    const found = counts.findLast(({ sectionId }) => sectionId === section.id)
    return found && section.expected ? [{ section, over: found.foundPitches - section.expected.pitches }] : []
  })
  const spread = (use: typeof overs) => {
    for (let again = true; again;) {
      again = false
      for (const { section, over } of use) {
        const [up, down] = [section.from.memberId, section.to.memberId]
        const [upLate, downLate] = [late.get(up), late.get(down)]
        if (downLate && !upLate)
          late.set(up, { pitches: downLate.pitches + over, through: [...downLate.through, section.id] })
        else if (upLate && !downLate)
          late.set(down, { pitches: upLate.pitches - over, through: [...upLate.through, section.id] })
        else continue
        again = true
      }
    }
  }
  spread(overs.filter(({ section }) => section.run === 'tight'))
  spread(overs)
  return [...late].flatMap(([memberId, { pitches, through }]) => {
    const member = sheet.members.find(({ id }) => id === memberId)
    const shaft = sheet.shafts.find(({ id }) => id === member?.shaftId)
    if (memberId === driverId || !member?.teeth || !shaft) return []
    const toothCrankDeg = 360 / member.teeth.value / Math.abs(ratioValue(ratioOfShaft(sheet, shaft)))
    const teethLate = Math.round(pitches) + 0
    const restPitches = pitches - teethLate
    return [
      {
        memberId,
        shaft,
        teethLate,
        restPitches,
        latenessDeg: pitches * toothCrankDeg,
        restDeg: restPitches * toothCrankDeg,
        toothCrankDeg,
        through,
      },
    ]
  })
}

export interface LoopMove {
  readonly memberId: string
  /** Teeth to lay the loop over that wheel, + = further in the running direction. */
  readonly layTeeth: number
  /** Lateness at the crank that is left on it, this loop's part. */
  readonly leftoverDeg: number
}

/** The moves that put every wheel of a loop right, and what each section then has to count. Each wheel has its own error, so each is
 *  moved by its own teeth; the run with slack in it takes up what the others give. */
export function movesOf(
  sections: readonly Section[],
  lateness: readonly MemberLateness[],
  counts: readonly SectionCount[],
): {
  readonly moves: readonly LoopMove[]
  readonly then: readonly { readonly sectionId: string; readonly pitches: number }[]
} {
  const moves = lateness.map(({ memberId, teethLate, restDeg }) => ({
    memberId,
    layTeeth: -teethLate + 0,
    leftoverDeg: restDeg,
  }))
  return { moves, then: countedThen(sections, counts, moves) }
}

/** What the sections that were counted count once a loop was laid over some of its wheels: laid further over one, more of it lies behind
 *  that wheel's mark and less before it. */
export function countedThen(
  sections: readonly Section[],
  counts: readonly SectionCount[],
  moves: readonly Pick<LoopMove, 'memberId' | 'layTeeth'>[],
): { readonly sectionId: string; readonly pitches: number }[] {
  const laid = (memberId: string) => moves.find((move) => move.memberId === memberId)?.layTeeth ?? 0
  return sections.flatMap(({ id, from, to }) => {
    const found = counts.findLast(({ sectionId }) => sectionId === id)
    return found ? [{ sectionId: id, pitches: found.foundPitches + laid(from.memberId) - laid(to.memberId) }] : []
  })
}

/** The one move over the driver that does what the same move over every wheel it drives would: only where there are several, all of them
 *  are counted, and all stand out by the same teeth. Further over the driver makes everything earlier. */
export function moveOverDriver(
  sections: readonly Section[],
  lateness: readonly MemberLateness[],
  driverId: string | undefined,
): Pick<LoopMove, 'memberId' | 'layTeeth'> | undefined {
  const driven = new Set(sections.flatMap(({ from, to }) => [from.memberId, to.memberId]))
  const [first] = lateness
  if (driverId === undefined || !driven.delete(driverId) || !first || first.teethLate === 0) return undefined
  const alike = lateness.every(({ teethLate }) => teethLate === first.teethLate)
  return alike && driven.size > 1 && lateness.length === driven.size
    ? { memberId: driverId, layTeeth: first.teethLate }
    : undefined
}

export interface LinkMapPlace {
  readonly markId: string
  readonly name: string
  /** Pitches on from the first mark, along the travel. */
  readonly atPitches: number
  /** The whole link or gap that it comes to, and how far off it that is. */
  readonly nearest: number
  readonly offPitches: number
  /** It lies at the tooth so many on from the mark, + = along the travel. */
  readonly teeth: number
}

/** The whole loop unrolled, numbered from the driver's mark: where each mark lies, so where paint belongs on a blank loop. Undefined
 *  unless every section's count is known. */
export function linkMap(sections: readonly Section[]): readonly LinkMapPlace[] | undefined {
  let at = 0
  const places: LinkMapPlace[] = []
  for (const { from, expected } of sections) {
    if (!expected) return undefined
    const nearest = Math.round(at * 2) / 2
    places.push({
      markId: from.id,
      name: from.name,
      atPitches: at,
      nearest,
      offPitches: at - nearest,
      teeth: expected.fromTeeth,
    })
    at += expected.pitches
  }
  return places
}
