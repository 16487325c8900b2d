import { readDrive } from '@link-count/core/drive'
import type { BuildSheet, Loop } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { ratioValue, type Side } from '@link-count/core/units'
import { inSentence, handWords } from '../../ui/wording'

/** The move of a loop over one of its wheels, from the side stood at. `layTeeth`: + = further in that wheel's running direction. */
export function moveWords(
  { layTeeth, memberId }: { readonly layTeeth: number; readonly memberId: string },
  loop: Pick<Loop, 'name'>,
  sheet: BuildSheet,
  side: Side,
): string {
  const teeth = Math.abs(layTeeth) === 1 ? 'one tooth' : `${Math.abs(layTeeth)} teeth`
  const member = partsOf(sheet).member(memberId)
  const shaft = partsOf(sheet).shaft(member?.shaftId)
  // A shaft that runs against the crank sees the other hand.
  const runs = shaft && ratioValue(readDrive(sheet).ratioOf(shaft)) < 0 ? -1 : 1
  return `Lay the ${inSentence(loop.name)} ${teeth} further round the ${inSentence(member?.name) ?? 'sprocket'}, ${handWords(runs * layTeeth, sheet, side)}.`
}
