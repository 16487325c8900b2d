export { whatIsKnown, type Knowledge } from './model'
export type { Known } from './known'
