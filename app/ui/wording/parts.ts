import type { Loop } from '@link-count/core/model'

/** What a loop drives and is driven by. */
export const wheelOfLoop = ({ kind }: Pick<Loop, 'kind'>) => (kind === 'toothedBelt' ? 'pulley' : 'sprocket')
