import type { EntryOf } from '../model/entry'

type Pressure = EntryOf<'pressure'>

/** What a cylinder held before and after the work; a change is only told where both were read alike. */
export interface BeforeAfter {
  readonly cylinderId: string
  readonly what: Pressure['what']
  readonly before: Pressure | undefined
  readonly after: Pressure | undefined
  /** After over before, less one: + = more pressure; of leaks + = more leaks. Undefined where one is missing, or they were read hot and cold. */
  readonly changeShare: number | undefined
  readonly notAlike: boolean
}

/** Each cylinder before and after, of one sort of reading, dry; only cylinders of which something was read. */
export function compareBefore(pressures: readonly Pressure[], what: Pressure['what']): readonly BeforeAfter[] {
  const own = pressures.filter((one) => one.what === what && !one.wet)
  return [...new Set(own.map(({ cylinderId }) => cylinderId))].map((cylinderId) => {
    const of = (phase: 'found' | 'left') =>
      own.findLast((one) => one.cylinderId === cylinderId && (one.phase === 'found') === (phase === 'found'))
    const [before, after] = [of('found'), of('left')]
    const [was, is] = [before?.bar ?? before?.percent, after?.bar ?? after?.percent]
    const isHot = (one: Pressure | undefined) => one?.conditions.includes('hot') ?? false
    const notAlike = before !== undefined && after !== undefined && isHot(before) !== isHot(after)
    const changeShare = was === undefined || is === undefined || was === 0 || notAlike ? undefined : is / was - 1
    return { cylinderId, what, before, after, changeShare, notAlike }
  })
}
