import type { BoltGroup } from '../model/buildSheet'

/** One time round a group of bolts: what each is brought to. */
export type Pass =
  | { readonly by: 'torque'; readonly nm: number; readonly stage: number }
  | { readonly by: 'angle'; readonly deg: number; readonly stage: number }
  | { readonly by: 'halfTurn'; readonly round: number; readonly of: number; readonly stage: number }
  | { readonly by: 'hand'; readonly stage: number }

/** Each time round, stage after stage; half turns are a time round each. A group without a stage is tightened by hand, once. */
export function passesOf({ stages }: Pick<BoltGroup, 'stages'>): readonly Pass[] {
  if (stages.length === 0) return [{ by: 'hand', stage: 0 }]
  return stages.flatMap((one, stage): Pass[] => {
    if (one.by === 'torque') return [{ by: 'torque', nm: one.nm.value, stage }]
    if (one.by === 'angle') return [{ by: 'angle', deg: one.deg.value, stage }]
    if (one.by === 'hand') return [{ by: 'hand', stage }]
    return Array.from({ length: one.rounds }, (_, round) => ({ by: 'halfTurn', round, of: one.rounds, stage }))
  })
}
