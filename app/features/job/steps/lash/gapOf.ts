/** The gap that an entry holds: the middle of a go and no-go pair. */
export const gapOf = ({ gapMm, noGoMm }: { readonly gapMm: number; readonly noGoMm?: number | undefined }) =>
  noGoMm === undefined ? gapMm : (gapMm + noGoMm) / 2

/** What an entry says of its gap: one figure, or between a blade that goes in and one that does not. */
export const betweenBlades = ({ gapMm, noGoMm }: { readonly gapMm: number; readonly noGoMm?: number | undefined }) =>
  noGoMm === undefined ? gapMm : { goMm: gapMm, noGoMm }
