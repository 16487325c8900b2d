import type { BuildSheet, Cylinder, Loop, Member, Shaft } from '../../model/buildSheet'

/* What shapes are put together from. */

export const shaft = (id: string, name: string, kind: Shaft['kind'], num: number, den: number): Shaft => ({
  id,
  name,
  kind,
  ratio: { num, den },
  ...(kind === 'crank' ? { position: { how: 'origin' } } : { position: { how: 'polar', fromShaftId: 'crank' } }),
})
export const crank = shaft('crank', 'Crank', 'crank', 1, 1)
export const member = (id: string, name: string, kind: Member['kind'], shaftId?: string): Member => ({
  id,
  name,
  kind,
  ...(shaftId ? { shaftId } : kind === 'tensioner' ? {} : { position: { how: 'polar', fromShaftId: 'crank' } }),
})
/** `-name` = passed outside. */
export const loop = (id: string, name: string, kind: Loop['kind'], ...path: string[]): Loop => ({
  id,
  name,
  kind,
  path: path.map((part) => ({ memberId: part.replace(/^-/, ''), passed: part.startsWith('-') ? 'outside' : 'inside' })),
})
export const mesh = (fromId: string, toId: string) => ({
  id: `mesh-${fromId}-${toId}`.slice(0, 64),
  kind: 'gearMesh' as const,
  fromId,
  toId,
})
export const spline = (fromId: string, toId: string) => ({
  id: `spline-${fromId}-${toId}`,
  kind: 'spline' as const,
  fromId,
  toId,
})

/** One part for each of two banks. */
export const banks = <T>(make: (bank: { readonly of: 'a' | 'b'; readonly first: 'First' | 'Second' }) => T): T[] => [
  make({ of: 'a', first: 'First' }),
  make({ of: 'b', first: 'Second' }),
]

export type Parts = Pick<BuildSheet, 'shafts' | 'members' | 'loops' | 'couplings'>
/** Which shaft a valve of a cylinder is worked by. */
export type ShaftOf = (cylinder: Cylinder, valve: 'inlet' | 'exhaust') => string

/** A shape of a drive, and which of its shafts works what. */
export interface DriveShape {
  readonly parts: Parts
  readonly shaftOf: ShaftOf
}

export const byValve: ShaftOf = (_cylinder, valve) => (valve === 'inlet' ? 'inlet-cam' : 'exhaust-cam')
export const oneCam: ShaftOf = () => 'camshaft'
export const byBank: ShaftOf = ({ bankId }) => (bankId === 'bank-2' ? 'cam-b' : 'cam-a')
export const byBankAndValve: ShaftOf = ({ bankId }, valve) => `${valve}-${bankId === 'bank-2' ? 'b' : 'a'}`
