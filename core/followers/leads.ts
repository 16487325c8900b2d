import { firingDegOf } from '../cylinders'
import { allOf, type JobState } from '../ledger'
import type { BuildSheet, Follower } from '../model/buildSheet'

/** Leads as they stand on a cap, in the order in which the rotor comes to them, against the firing order. */
export interface JudgedLeads {
  readonly right: boolean
  /** Segments whose lead belongs elsewhere, by their number from 0, with the cylinder that belongs there. */
  readonly wrong: readonly { readonly at: number; readonly has: string; readonly wants: string }[]
  /** Two that only change places; undefined where it is not just that. */
  readonly crossed: readonly [string, string] | undefined
}

/** Which leads are on the wrong segments. The first is where the rotor points as the first cylinder of the order fires, and is taken as right; where every other one is out the
 *  cap is only turned, and then it is told by the most that agree. Undefined where the two do not have the same cylinders. */
export function judgeLeads(order: readonly string[], leads: readonly string[]): JudgedLeads | undefined {
  if (order.length !== leads.length || order.some((id) => !leads.includes(id))) return undefined
  const turned = order.map((_, from) => [...order.slice(from), ...order.slice(0, from)])
  const outOf = (wanted: readonly string[]) => leads.filter((id, i) => id !== wanted[i]).length
  const wanted = turned.toSorted((a, b) => outOf(a) - outOf(b))[0] ?? order
  const wrong = leads.flatMap((has, at) => {
    const wants = wanted[at] ?? has
    return has === wants ? [] : [{ at, has, wants }]
  })
  const [a, b] = wrong
  return {
    right: wrong.length === 0,
    wrong,
    crossed: wrong.length === 2 && a && b && a.has === b.wants && b.has === a.wants ? [a.has, b.has] : undefined,
  }
}

/** Where each cylinder's lead goes, in the order in which the rotor comes to the segments, the first where it points as `first` fires; degrees of its own shaft after that.
 *  One that serves twice in a cycle passes as many segments in a turn of its own. */
export function leadOrder(
  order: readonly string[],
  first: string,
): readonly { readonly cylinderId: string; readonly ownDeg: number }[] {
  const at = Math.max(0, order.indexOf(first))
  const turned = [...order.slice(at), ...order.slice(0, at)]
  return turned.map((cylinderId, i) => ({ cylinderId, ownDeg: (360 * i) / turned.length }))
}

/** The leads of a job against the firing order of the cylinders that it serves; undefined while that order is not known, or nobody looked. */
export function leadsOfJob(
  sheet: BuildSheet,
  state: Pick<JobState, 'kept'>,
  follower: Follower,
):
  | { readonly order: readonly string[]; readonly seen: readonly string[]; readonly judged: JudgedLeads | undefined }
  | undefined {
  const order = orderServed(sheet, follower)
  const seen = allOf(state, 'leadsSeen').findLast(({ followerId }) => followerId === follower.id)?.cylinderIds
  if (!order || !seen) return undefined
  return { order, seen, judged: judgeLeads(order, seen) }
}

/** The cylinders that it serves in the order in which they fire: by the firing order of the sheet, else by their places; undefined while neither is known of one of them. */
export function orderServed(sheet: BuildSheet, { outlets }: Follower): readonly string[] | undefined {
  const ids = [...new Set(outlets.map(({ cylinderId }) => cylinderId))]
  const told = sheet.firingOrder?.value.filter((id) => ids.includes(id))
  if (told && told.length === ids.length && ids.length > 0) return told
  const placed = ids.flatMap((id) => {
    const deg = firingDegOf(sheet, id)
    return deg === undefined ? [] : [{ id, deg }]
  })
  if (placed.length !== ids.length || ids.length === 0) return undefined
  return placed.toSorted((a, b) => a.deg - b.deg).map(({ id }) => id)
}
