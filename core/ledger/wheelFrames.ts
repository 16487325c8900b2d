import type { Entry, EntryOf } from '../model/entry'

/** One setting of the degree wheel: from its fitting, or from a knock, to the next. */
export interface WheelFrame {
  readonly fitted: EntryOf<'degreeWheel'> | undefined
  /** The knock that began it; undefined when the wheel was fitted anew. */
  readonly knock: EntryOf<'wheelKnocked'> | undefined
}

export interface WheelFrames {
  readonly frames: readonly WheelFrame[]
  /** Which setting each reading is of. */
  readonly frameOf: ReadonlyMap<string, number>
  /** Readings that leaned on a broken zero and were put down to be taken again. */
  readonly retake: ReadonlySet<string>
  /** Knocks whose leaning readings have been dealt with. */
  readonly settled: ReadonlySet<string>
}

/** Which setting of the wheel every reading belongs to. A reading belongs to the setting it was written in; where the mechanic says that
 *  the wheel had slipped before it was noticed, the readings from there to the knock move to the setting after it, or are to be taken
 *  again. Entries come live and in order. */
export function wheelFrames(live: readonly Entry[], leansOnWheel: (entry: Entry) => boolean): WheelFrames {
  const frames: WheelFrame[] = [{ fitted: undefined, knock: undefined }]
  const frameOf = new Map<string, number>()
  const begunBy = new Map<string, number>()
  for (const entry of live) {
    if (entry.kind === 'degreeWheel') frames.push({ fitted: entry, knock: undefined })
    if (entry.kind === 'wheelKnocked') {
      frames.push({ fitted: frames.at(-1)?.fitted, knock: entry })
      begunBy.set(entry.id, frames.length - 1)
    }
    if (leansOnWheel(entry)) frameOf.set(entry.id, frames.length - 1)
  }
  const place = new Map(live.map(({ id }, i) => [id, i]))
  const retake = new Set<string>()
  const settled = new Set<string>()
  for (const leaning of live) {
    if (leaning.kind !== 'leaning') continue
    const begun = begunBy.get(leaning.knockId)
    const from = place.get(leaning.fromEntryId)
    if (begun === undefined || from === undefined) continue
    settled.add(leaning.knockId)
    for (const { id } of live.slice(from, place.get(leaning.knockId))) {
      if (frameOf.get(id) !== begun - 1) continue
      if (leaning.how === 'shift') frameOf.set(id, begun)
      else retake.add(id)
    }
  }
  return { frames, frameOf, retake, settled }
}
