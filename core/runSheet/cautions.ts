import type { BuildSheet, Follower } from '../model/buildSheet'

export type CautionId =
  | 'manualFirst'
  | 'startingOff'
  | 'airOff'
  | 'ignitionOff'
  | 'magnetoDead'
  | 'fuelOff'
  | 'plugsOut'
  | 'injectorsOut'
  | 'handsClear'
  | 'asbestos'

export interface Caution {
  readonly id: CautionId
  /** Turning is refused until a gate is ticked; the others are only to be read. */
  readonly gate: boolean
}

/** The cautions that apply to this engine, in the order they are done. Source: handbook 16. */
export function cautionsFor({
  starting,
  fuel,
  followers,
}: Pick<BuildSheet, 'starting' | 'fuel'> & {
  readonly followers?: readonly Pick<Follower, 'kind'>[] | undefined
}): Caution[] {
  const gate = (id: CautionId): Caution => ({ id, gate: true })
  return [
    gate('manualFirst'),
    ...(starting === 'air' ? [gate('airOff')] : []),
    ...(starting === 'battery' ? [gate('startingOff')] : []),
    ...(fuel === 'diesel' ? [] : [gate('ignitionOff')]),
    ...(followers?.some(({ kind }) => kind === 'magneto') ? [gate('magnetoDead')] : []),
    gate('fuelOff'),
    gate(fuel === 'diesel' ? 'injectorsOut' : 'plugsOut'),
    gate('handsClear'),
    { id: 'asbestos', gate: false },
  ]
}
