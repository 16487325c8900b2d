/** A measured spring as its plate or book has it, and as it is. Lengths in mm. */
export interface MeasuredSpring {
  readonly freeNewMm: number
  readonly setNewMm: number
  readonly freeNowMm: number
}

export interface SpringSet {
  /** To be set to now, so that it pushes as it did. */
  readonly setNowMm: number
  /** Set to its length as new instead, it would push with so much of its force. */
  readonly forceIfSetAsNew: number
  /** How much of its travel it has lost. */
  readonly lostShare: number
  readonly verdict: 'sound' | 'tooShort' | 'longerThanNew' | 'noTravel'
}

/** Of its travel as new, what a spring may have lost and still be trusted. Ours. */
export const MOST_LOST = 0.1

/** What an aged spring is set to: its work is kept and not its length, set now = free now - (free new - set new). One that has lost more than a tenth of its
 *  travel, or measures longer than new, is not trusted. Source: handbook 11 and 18, common practice; the tenth is ours. */
export function springSet({ freeNewMm, setNewMm, freeNowMm }: MeasuredSpring): SpringSet {
  const travelMm = freeNewMm - setNewMm
  const lostShare = (freeNewMm - freeNowMm) / travelMm
  return {
    setNowMm: freeNowMm - travelMm,
    forceIfSetAsNew: (freeNowMm - setNewMm) / travelMm,
    lostShare,
    verdict:
      travelMm <= 0
        ? 'noTravel'
        : lostShare > MOST_LOST
          ? 'tooShort'
          : lostShare < -LONGER_THAN_NEW
            ? 'longerThanNew'
            : 'sound',
  }
}

/** A spring does not grow: beyond what a rule can show, one of the figures is wrong. Ours. */
const LONGER_THAN_NEW = 0.03
