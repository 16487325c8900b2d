/* What can be looked at on an engine, and what is found on it. */

export const LOOKED_AT = [
  'camshaft',
  'loop',
  'tensioner',
  'sprocket',
  'rocker',
  'plates',
  'rollers',
  'guide',
  'bearing',
  'seal',
  'spring',
  'clip',
  'washer',
  'key',
  'gear',
  'coupling',
  'decompressor',
] as const
export type LookedAt = (typeof LOOKED_AT)[number]
