/** The gap that an entry holds: the middle of a go and no-go pair. */
export const gapOf = ({ gapMm, noGoMm }: { readonly gapMm: number; readonly noGoMm?: number | undefined }) =>
  noGoMm === undefined ? gapMm : (gapMm + noGoMm) / 2
