import { formatInches, formatMm, type LengthUnit } from '@link-count/core/units'

/** What a length without a unit would be in each unit, and whether that could be. */
export function candidateWords(
  candidate: { unit: LengthUnit; value: number },
  plausible?: { leastMm: number; mostMm: number },
) {
  const other =
    candidate.unit === 'mm' ? formatInches(candidate.value) : formatMm(candidate.value, candidate.value < 1 ? 3 : 2)
  const fit = !plausible
    ? ''
    : candidate.value < plausible.leastMm
      ? ', too small'
      : candidate.value > plausible.mostMm
        ? ', too big'
        : ', could be'
  return { other, fit, likely: fit === ', could be' }
}
