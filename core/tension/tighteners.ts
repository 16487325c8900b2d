import type { TensionerIs } from '../ledger'
import type { TensionerState, TightenerKind } from '../model/tighteners'

export type { TensionerState, TightenerKind }

/** How a kind of tensioner is worked. */
export interface TightenerRecord {
  /** Taken back and latched, fitted so and let go; or moved and locked where it stands. */
  readonly worked: 'latched' | 'locked'
  /** Held by its spring alone before it is locked, and for so many full turns at least. */
  readonly onSpring?: { readonly turns: number }
  /** It is never drawn tight with a lever. */
  readonly neverLevered?: true
  /** What it is moved by, and written down in. */
  readonly movedBy?: 'deg' | 'notches' | 'flats' | 'mm'
}

/** Every kind. Source: handbook 11 and 18, common practice. */
export const tighteners: Readonly<Record<TightenerKind, TightenerRecord>> = {
  ratchet: { worked: 'latched' },
  plunger: { worked: 'latched' },
  selfAdjusting: { worked: 'latched' },
  shoe: { worked: 'locked', movedBy: 'mm' },
  liveSpring: { worked: 'locked', onSpring: { turns: 2 }, neverLevered: true },
  eccentric: { worked: 'locked', movedBy: 'notches' },
  roller: { worked: 'locked', movedBy: 'mm' },
  measuredSpring: { worked: 'locked', onSpring: { turns: 0 } },
  hub: { worked: 'locked', movedBy: 'deg' },
}

/** Why something may not be done with a tensioner as it stands. */
export type TensionerHeld =
  /** It would go in extended. */
  | { readonly code: 'notWoundIn' }
  /** Its spring alone has to bring it to its place first. */
  | { readonly code: 'turnFirst'; readonly stillDeg: number }
  /** Drawn tight with a lever: let off, and its spring alone. */
  | { readonly code: 'levered' }
  /** Grub screws on a wheel of its loop are tight: the pull would turn the camshaft, or hide in it. */
  | { readonly code: 'grubScrewsTight' }

export interface TensionerMove {
  readonly to: TensionerState
  readonly held?: TensionerHeld
}

/** What may be done next with a tensioner, the next of its own order first, and what holds it. `turnedOnSpringDeg`: turned the running way since its spring alone
 *  holds it. Of a kind that nobody said it is worked as one that is latched. Source: handbook 11 and 18. */
export function tensionerMoves(
  kind: TightenerKind | undefined,
  is: TensionerIs,
  turnedOnSpringDeg: number,
  { grubScrewsTight = false }: { readonly grubScrewsTight?: boolean } = {},
): readonly TensionerMove[] {
  const record = kind === undefined ? tighteners.ratchet : tighteners[kind]
  const moves = record.worked === 'latched' ? latchedMoves(is) : lockedMoves(record, is, turnedOnSpringDeg)
  return grubScrewsTight
    ? moves.map((move) =>
        PULLS.includes(move.to) && !move.held ? { ...move, held: { code: 'grubScrewsTight' } } : move,
      )
    : moves
}

/** What puts the pull of the tensioner on its loop. */
const PULLS: readonly TensionerState[] = ['released', 'set', 'springOnly', 'locked']

function latchedMoves(is: TensionerIs): readonly TensionerMove[] {
  switch (is) {
    case 'heldBack':
      return [{ to: 'fitted' }, { to: 'extended' }]
    case 'fitted':
      return [{ to: 'released' }, { to: 'heldBack' }]
    case 'released':
    case 'locked':
      return [{ to: 'proven' }, { to: 'heldBack' }]
    case 'proven':
      return [{ to: 'heldBack' }, { to: 'proven' }]
    case 'asArrived':
      return [{ to: 'heldBack' }, { to: 'proven' }]
    default:
      return [{ to: 'heldBack' }, { to: 'extended' }, { to: 'fitted', held: { code: 'notWoundIn' } }]
  }
}

function lockedMoves(record: TightenerRecord, is: TensionerIs, turnedDeg: number): readonly TensionerMove[] {
  const { onSpring, neverLevered } = record
  const lever: TensionerMove[] = neverLevered ? [{ to: 'levered' }] : []
  const stillDeg = onSpring ? Math.max(0, onSpring.turns * 360 - turnedDeg) : 0
  switch (is) {
    case 'asArrived':
      return [{ to: 'loose' }, { to: 'proven' }]
    case 'loose':
      return onSpring ? [{ to: 'springOnly' }, ...lever] : [{ to: 'set' }]
    case 'set':
      return onSpring ? [{ to: 'loose' }] : [{ to: 'locked' }, { to: 'set' }, { to: 'loose' }]
    case 'springOnly':
      return [
        { to: 'locked', ...(stillDeg > 0 ? { held: { code: 'turnFirst', stillDeg } } : {}) },
        ...lever,
        { to: 'loose' },
      ]
    case 'levered':
      return [{ to: 'loose' }, { to: 'locked', held: { code: 'levered' } }]
    case 'locked':
    case 'released':
      return [{ to: 'proven' }, { to: 'loose' }]
    case 'proven':
      return [{ to: 'loose' }, { to: 'proven' }]
    default:
      return [{ to: 'loose' }]
  }
}
