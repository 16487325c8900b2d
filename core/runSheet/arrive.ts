import { readDrive } from '../drive'
import type { Arrival } from '../model/arrivals'
import type { BuildSheet } from '../model/buildSheet'
import type { NewEntry } from '../model/entry'

/** What can be off or out when an engine comes in: a chain or belt, a camshaft, the head of a bank. */
export interface ArrivalPart {
  readonly kind: 'loop' | 'camshaft' | 'head'
  readonly id: string
}

export const arrivalParts = (sheet: BuildSheet): readonly ArrivalPart[] => [
  ...sheet.loops.map(({ id }): ArrivalPart => ({ kind: 'loop', id })),
  ...sheet.shafts.flatMap(({ id, kind }): ArrivalPart[] => (kind === 'cam' ? [{ kind: 'camshaft', id }] : [])),
  ...sheet.banks.map(({ id }): ArrivalPart => ({ kind: 'head', id })),
]

/** What is asked about for a way of coming in, one by one. */
export const ASKED: Readonly<Record<Arrival, readonly ArrivalPart['kind'][]>> = {
  whole: [],
  loopOff: ['loop'],
  loopBroken: ['loop'],
  camshaftsOut: ['camshaft', 'loop'],
  headOff: ['head', 'camshaft', 'loop'],
  bareBlock: [],
  everyLoopOff: [],
}

/** The ways an engine can come in: those that it has parts for. */
export function arrivalsOf(sheet: BuildSheet): readonly Arrival[] {
  const kinds = new Set(arrivalParts(sheet).map(({ kind }) => kind))
  return (['whole', 'loopOff', 'loopBroken', 'camshaftsOut', 'headOff', 'bareBlock'] as const).filter((arrival) => {
    const [main] = ASKED[arrival]
    return main === undefined || kinds.has(main)
  })
}

/** What is likely off where the engine is as it was left, or the way of coming in leaves no choice. */
export function offAt(sheet: BuildSheet, arrival: Arrival, now: ReadonlySet<string>): ReadonlySet<string> {
  if (arrival === 'whole') return new Set()
  const parts = arrivalParts(sheet)
  if (arrival === 'bareBlock') return new Set(parts.map(({ id }) => id))
  const asked = parts.filter(({ kind }) => ASKED[arrival].includes(kind))
  const main = asked.filter(({ kind }) => kind === ASKED[arrival][0])
  // Of one alone there is nothing to ask.
  const only = main.length === 1 ? main.map(({ id }) => id) : []
  return withDriven(sheet, new Set([...asked.filter(({ id }) => now.has(id)).map(({ id }) => id), ...only]))
}

/** With a camshaft out, the chains on its way are off: nothing holds them up. */
export function withDriven(sheet: BuildSheet, off: ReadonlySet<string>): ReadonlySet<string> {
  const out = sheet.shafts.filter(({ id, kind }) => kind === 'cam' && off.has(id))
  const last = out.flatMap(({ id }) => {
    const link = readDrive(sheet).holdsBy(id)?.at(-1)
    return link?.kind === 'loop' ? [link.id] : []
  })
  return new Set([...off, ...last])
}

/** Whether what is said to be off fits the way it came in: of what that is about one at least. */
export const isTold = (sheet: BuildSheet, arrival: Arrival, off: ReadonlySet<string>): boolean => {
  const main = ASKED[arrival][0]
  return main === undefined || arrivalParts(sheet).some(({ id, kind }) => kind === main && off.has(id))
}

/** The first lines of a job's ledger: every part that does not stand as it was left, or as every part of an engine nobody wrote of: on, and in. A part that nobody
 *  knew of is said either way. A chain that broke is a finding as well. */
export function arrivalLines(
  sheet: BuildSheet,
  arrival: Arrival,
  off: ReadonlySet<string>,
  left: { readonly without: ReadonlySet<string>; readonly notKnown: ReadonlySet<string> },
): NewEntry[] {
  const stepId = ARRIVAL_STEP
  return arrivalParts(sheet).flatMap(({ kind, id }): NewEntry[] => {
    const isOff = off.has(id)
    const broke: NewEntry[] =
      kind === 'loop' && isOff && arrival === 'loopBroken'
        ? [{ kind: 'finding', part: 'loop', partId: id, saw: 'broken', verdict: 'renewNow', stepId }]
        : []
    if (isOff === left.without.has(id) && !left.notKnown.has(id)) return broke
    if (kind === 'loop') return [...broke, { kind: 'loop', loopId: id, change: isOff ? 'off' : 'on', stepId }]
    if (kind === 'camshaft') return [{ kind: 'camshaft', shaftId: id, is: isOff ? 'out' : 'driven', stepId }]
    const of = { what: 'bank', id } as const
    return [
      { kind: 'item', itemId: headItemId(id), item: 'headOff', where: '', change: isOff ? 'in' : 'out', of, stepId },
    ]
  })
}

/** Where lines that say how it came in belong. */
export const ARRIVAL_STEP = 'arrival'

/** The id under which a head that is off stands on the register. */
export const headItemId = (bankId: string) => `head-${bankId}`.slice(0, 64)
