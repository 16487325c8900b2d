export const toothShapes = [
  { value: 'unknown', label: 'not looked at' },
  { value: 'square', label: 'square' },
  { value: 'round', label: 'round' },
] as const
export const knownShape = (shape: (typeof toothShapes)[number]['value']) => (shape === 'unknown' ? undefined : shape)
