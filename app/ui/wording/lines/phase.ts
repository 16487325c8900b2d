import type { Phase } from '@link-count/core/model'

export const phaseWords: Record<Phase, string> = { found: 'as found', set: 'as set', left: 'as left' }
