/* What bolts and nuts can be: the words that build sheets and ledgers tell them by. */

/** What a group of bolts holds. */
export const FASTENED = ['cap', 'cover', 'sprocket', 'flywheel', 'head', 'pump', 'other'] as const
export type Fastened = (typeof FASTENED)[number]

/** The order in which a group is tightened; it is loosened the other way round. */
export const BOLT_ORDERS = ['crissCross', 'star', 'fromMiddle', 'roundAndRound', 'asStamped', 'touched'] as const
export type BoltOrder = (typeof BOLT_ORDERS)[number]

/** How a pattern is laid. */
export const BOLTS_LAID = ['ring', 'grid', 'pairs', 'touched'] as const
export type BoltsLaid = (typeof BOLTS_LAID)[number]

/** What goes on a thread, or under a head. */
export const THREAD_WITH = ['oil', 'locker', 'sealant', 'compound'] as const
export type ThreadWith = (typeof THREAD_WITH)[number]

/** What keeps a bolt from coming undone, beside its thread. */
export const LOCKED_BY = ['plain', 'springWasher', 'tab', 'disc', 'wire'] as const
export type LockedBy = (typeof LOCKED_BY)[number]

/** Half turns round a group, at the most. */
export const ROUNDS = { least: 1, most: 12, whole: true } as const

/** A torque or an angle is typed between these. */
export const TORQUE_NM = { least: 0.1, most: 5000, whole: false } as const
export const TURN_DEG = { least: 1, most: 720, whole: false } as const
