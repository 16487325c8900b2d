import { inSentence } from '../inSentence'
import { showOnScale } from '@link-count/core/degreeWheel'
import type { BuildSheet, Entry, EntryKind, EntryOf, ItemKind } from '@link-count/core/model'
import { everyStepOf, type StepKind, stepKinds } from '@link-count/core/runSheet'
import { couplingName } from '../coupling'
import { kindTitle, stepTitle } from '../steps'
import { nounsOfAll } from '../loops'

type NamedList = 'marks' | 'banks' | 'cylinders' | 'cams' | 'shafts' | 'members' | 'loops' | 'couplings'

/** What lines of a ledger are told with: looked up once for all of them. */
export interface Told {
  readonly sheet: BuildSheet
  /** A part of the build sheet by its name; by its id where it is on it no more. */
  readonly nameOf: (list: NamedList, id: string) => string
  readonly lowerName: (list: NamedList, id: string) => string
  /** The same, of whichever kind of part holds camshafts to the crank. */
  readonly partName: (id: string) => string
  readonly stepTitle: (stepId: string) => string
  /** Something that came off, as it was called then. */
  readonly removalName: (removalId: string) => string
  /** What a picture shows, by its caption. */
  readonly captionOf: (pictureId: string) => string
  readonly itemOf: (itemId: string) => ItemKind | undefined
  /** A reading as the wheel was numbered when a line was written. */
  readonly wheel: (entry: Entry, deg: number, decimals?: number) => string
  /** Another line in words; undefined when it is not there. */
  readonly other: (entryId: string) => string | undefined
}

/** One line of the ledger in words. */
export type Line<K extends EntryKind> = (entry: EntryOf<K>, told: Told) => string

const once = <T>(make: () => T): (() => T) => {
  let made: { readonly value: T } | undefined
  return () => (made ??= { value: make() }).value
}

/** `lineOf`: how any line is put into words, for one that speaks of another. */
export function toldBy(
  sheet: BuildSheet,
  entries: readonly Entry[],
  lineOf: (entry: Entry, told: Told) => string,
): Told {
  const names = new Map<NamedList, ReadonlyMap<string, string>>()
  const namesOf = (list: NamedList) => {
    const known = names.get(list)
    if (known) return known
    const own = sheet[list].map((one) => [one.id, 'name' in one ? one.name : couplingName(one, sheet)] as const)
    const fresh = new Map(own)
    names.set(list, fresh)
    return fresh
  }
  const titles = once(() => new Map(everyStepOf(sheet).map((step) => [step.id, stepTitle(step, sheet)])))
  const items = once(() => new Map(entries.flatMap((one) => (one.kind === 'item' ? [[one.itemId, one.item]] : []))))
  const removals = once(
    () => new Map(entries.flatMap((one) => (one.kind === 'tookOff' ? [[one.removalId, one.what]] : []))),
  )
  const captions = once(
    () => new Map(entries.flatMap((one) => (one.kind === 'picture' ? [[one.pictureId, one.caption]] : []))),
  )
  const wheels = once(() => entries.flatMap((one) => (one.kind === 'degreeWheel' ? [one] : [])))
  const byId = once(() => new Map(entries.map((one) => [one.id, one])))
  const nameOf = (list: NamedList, id: string) => namesOf(list).get(id) ?? id
  const telling = new Set<string>()
  const told: Told = {
    sheet,
    nameOf,
    lowerName: (list, id) => inSentence(nameOf(list, id)),
    partName: (id) => {
      const list = (['loops', 'members', 'shafts', 'couplings'] as const).find((one) => namesOf(one).has(id))
      return list ? nameOf(list, id) : id
    },
    stepTitle: (stepId) => titles().get(stepId) ?? formerTitle(stepId, sheet),
    removalName: (removalId) => removals().get(removalId) ?? removalId,
    captionOf: (pictureId) => captions().get(pictureId) ?? '',
    itemOf: (itemId) => items().get(itemId),
    wheel: (entry, deg, decimals = 1) =>
      showOnScale(deg, wheels().findLast(({ counter }) => counter <= entry.counter)?.scale, decimals),
    other: (entryId) => {
      const entry = byId().get(entryId)
      // Two that strike each other, in a file from elsewhere, would be told without an end.
      if (!entry || telling.has(entryId)) return undefined
      telling.add(entryId)
      const said = lineOf(entry, told)
      telling.delete(entryId)
      return said
    },
  }
  return told
}

/** Of a step on a part that the build sheet has no more. */
function formerTitle(stepId: string, { loops }: BuildSheet): string {
  const kind = (Object.keys(stepKinds) as StepKind[]).find((one) => stepId === one || stepId.startsWith(`${one}-`))
  return kind ? kindTitle(kind, nounsOfAll(loops)) : stepId
}
