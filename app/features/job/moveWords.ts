import type { BuildSheet } from '@link-count/core/model'
import type { Side } from '@link-count/core/units'
import { handWords } from '../../ui/wording'

/** The move of a chain over the cam sprocket, from the side stood at. `layTeeth`: + = further in the running direction. */
export function moveWords(layTeeth: number, sheet: Pick<BuildSheet, 'running'>, side: Side): string {
  const teeth = Math.abs(layTeeth) === 1 ? 'one tooth' : `${Math.abs(layTeeth)} teeth`
  return `Lay the chain ${teeth} further round the cam sprocket, ${handWords(layTeeth, sheet, side)}.`
}
