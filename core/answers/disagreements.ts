import { camSpec, type SpecContradiction, type SpecKey } from '../cams'
import { judgeFiring } from '../cylinders'
import { readDrive, sumOfSections } from '../drive'
import type { BuildSheet, Cam, Loop } from '../model/buildSheet'
import { oncePerSheet, partsOf } from '../sheet'
import { valuesOf } from './falls'
import { figureKey, type Figure } from './figures'
import { againOf, DOUBT, rawLengthOf, type Again } from './measureAgain'
import { geometryOf, layoutOf } from './ways'

/** Figures of a build sheet that cannot all be right: what they come to by one way and by another, and which of them to measure again, the likeliest to be wrong
 *  first. */
export type Disagreement = { readonly id: string; readonly again: readonly Again[] } & (
  | {
      /** A count by the book, and the same from where everything stands; the written counts of a loop, and its whole; what a loop has, and what its path needs. */
      readonly about: 'count' | 'sum' | 'length'
      readonly loopId: string
      readonly sectionId: string | undefined
      readonly one: number
      readonly other: number
    }
  | {
      /** Turns of a shaft by the teeth, and what the engine wants. */
      readonly about: 'ratio'
      readonly shaftId: string
      readonly one: string
      readonly other: string
    }
  | {
      /** Turns of a shaft by two ways round: it could not turn. */
      readonly about: 'ways'
      readonly shaftId: string
      readonly one: string
      readonly other: string
    }
  | ({
      readonly about: 'cam'
      readonly valve: Cam['valve']
      readonly cylinderId: string | undefined
    } & SpecContradiction)
  | { readonly about: 'firing'; readonly cylinderIds: readonly string[] }
)

/** Everything on a build sheet that contradicts something else on it. */
export const disagreementsOf = oncePerSheet((sheet): readonly Disagreement[] => [
  ...ratios(sheet),
  ...sheet.loops.flatMap((loop) => [...lengths(sheet, loop), ...counts(sheet, loop), ...sums(sheet, loop)]),
  ...cams(sheet),
  ...firing(sheet),
])

const words = ({ num, den }: { readonly num: number; readonly den: number }) => `${Math.abs(num)}/${den}`

function ratios(sheet: BuildSheet): Disagreement[] {
  const { wrong, conflicts } = readDrive(sheet)
  return [
    ...wrong.map(({ shaftId, ratio, wanted, recounts }): Disagreement => ({
      id: `ratio ${shaftId}`,
      about: 'ratio',
      shaftId,
      one: words(ratio),
      other: words(wanted),
      again: recounts.map(({ memberId, counted, shouldBe }): Again => ({
        figure: { list: 'members', id: memberId, field: 'teeth' },
        trust: partsOf(sheet).member(memberId)?.teeth?.trust ?? 'unknown',
        now: counted,
        wouldBe: shouldBe,
      })),
    })),
    ...conflicts.map(({ shaftId, ratio, other }): Disagreement => ({
      id: `ways ${shaftId}`,
      about: 'ways',
      shaftId,
      one: words(ratio),
      other: words(other),
      again: [],
    })),
  ]
}

function lengths(sheet: BuildSheet, loop: Loop): Disagreement[] {
  const { pitches } = loop
  const solved = readDrive(sheet).solved(loop)
  if (!pitches || solved.ok || (solved.error.code !== 'loopTooShort' && solved.error.code !== 'loopTooLong')) return []
  const needs = rawLengthOf(sheet, loop.id)
  if (needs === undefined) return []
  const figures: Figure[] = [...layoutOf(sheet, loop), { list: 'loops', id: loop.id, field: 'pitches' }]
  return [
    {
      id: `length ${loop.id}`,
      about: 'length',
      loopId: loop.id,
      sectionId: undefined,
      one: pitches.value,
      other: needs,
      again: againOf(sheet, figures, {
        apart: (one) => {
          const own = partsOf(one).loop(loop.id)?.pitches?.value
          const raw = rawLengthOf(one, loop.id)
          return own === undefined || raw === undefined ? undefined : raw - own
        },
        agree: (one) => {
          const own = partsOf(one).loop(loop.id)
          return own !== undefined && readDrive(one).solved(own).ok
        },
      }),
    },
  ]
}

function counts(sheet: BuildSheet, loop: Loop): Disagreement[] {
  return readDrive(sheet)
    .sections(loop)
    .flatMap((section): Disagreement[] => {
      const { id, from, to, expected } = section
      if (!expected?.contradicts) return []
      const { book, geometry } = expected.contradicts
      const figures: Figure[] = [{ list: 'counts', id, field: 'pitches' }, ...geometryOf(sheet, loop, section)]
      const again = againOf(sheet, figures, {
        apart: (one) => {
          const written = one.counts.find(({ fromMarkId, toMarkId }) => fromMarkId === from.id && toMarkId === to.id)
          const value = valuesOf(one).get(`count ${id}`)
          return !written || value === undefined ? undefined : value - written.pitches.value
        },
        agree: (one) => {
          const own = partsOf(one).loop(loop.id)
          const now =
            own &&
            readDrive(one)
              .sections(own)
              .find((each) => each.id === id)
          return now?.expected !== undefined && !now.expected.contradicts
        },
      })
      return [{ id: `count ${id}`, about: 'count', loopId: loop.id, sectionId: id, one: book, other: geometry, again }]
    })
}

function sums(sheet: BuildSheet, loop: Loop): Disagreement[] {
  const sections = readDrive(sheet).sections(loop)
  const sum = sumOfSections(sections, loop)
  if (!sum || sum.addsUp) return []
  const figures: Figure[] = [
    ...sections.map(({ id }): Figure => ({ list: 'counts', id, field: 'pitches' })),
    { list: 'loops', id: loop.id, field: 'pitches' },
  ]
  const sumOn = (one: BuildSheet) => {
    const own = partsOf(one).loop(loop.id)
    return own && sumOfSections(readDrive(one).sections(own), own)
  }
  const again = againOf(sheet, figures, {
    apart: (one) => {
      const all = sumOn(one)
      return all && all.sum - all.whole
    },
    agree: (one) => sumOn(one)?.addsUp !== false,
  })
  const { sum: one, whole } = sum
  return [{ id: `sum ${loop.id}`, about: 'sum', loopId: loop.id, sectionId: undefined, one, other: whole, again }]
}

const camFields: Readonly<Record<SpecKey, string>> = {
  opens: 'opensDeg',
  closes: 'closesDeg',
  duration: 'durationDeg',
  centre: 'centreDeg',
  topLift: 'topLiftMm',
  tdcLift: 'tdcLiftMm',
}

function cams(sheet: BuildSheet): Disagreement[] {
  return sheet.cams.flatMap((cam) =>
    camSpec(sheet, cam).contradictions.map((one): Disagreement => {
      const given = Object.values(camFields).flatMap((field): Again[] => {
        const figure = cam[field as 'centreDeg']
        const isThis = field === camFields[one.key]
        return figure
          ? [
              {
                figure: { list: 'cams', id: cam.valve, field },
                trust: figure.trust,
                now: figure.value,
                wouldBe: isThis ? one.derived : undefined,
              },
            ]
          : []
      })
      return {
        id: `cam ${cam.valve} ${cam.cylinderId ?? ''} ${one.key} ${one.derived}`,
        about: 'cam',
        valve: cam.valve,
        cylinderId: cam.cylinderId,
        ...one,
        again: leastTrusted(given),
      }
    }),
  )
}

function firing(sheet: BuildSheet): Disagreement[] {
  const { status, disagreements } = judgeFiring(sheet)
  if (status !== 'contradiction' && disagreements.length === 0) return []
  const cylinderIds = disagreements.map(({ cylinderId }) => cylinderId)
  return [{ id: 'firing', about: 'firing', cylinderIds, again: [] }]
}

const leastTrusted = (again: readonly Again[]) =>
  [...again].sort((a, b) => DOUBT[a.trust] - DOUBT[b.trust] || figureKey(a.figure).localeCompare(figureKey(b.figure)))
