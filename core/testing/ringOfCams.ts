import type { BuildSheet, Loop, Member, Shaft } from '../model'
import { oneChainSheet } from './oneChain'

const known = <T>(value: T) => ({ value, typed: String(value), trust: 'measured' as const })

/** One loop from the crank round so many cams on an arc above it, running clockwise, each wheel with its mark: as large as one asks for. */
export function ringOfCams(cams: number, kind: Loop['kind'], pitches?: number): BuildSheet {
  const shafts: Shaft[] = [
    { id: 'crank', name: 'Crank', kind: 'crank', ratio: { num: 1, den: 1 }, position: { how: 'origin' } },
    ...Array.from({ length: cams }, (_, i): Shaft => {
      const turn = Math.PI * (1 - (i + 0.5) / cams)
      const [x, y] = [cams < 3 ? 120 : 560 * Math.cos(turn), 420 + (cams < 3 ? i * 150 : 560 * Math.sin(turn))]
      return {
        id: `cam${i}`,
        name: `Cam ${i}`,
        kind: 'cam',
        ratio: { num: 1, den: 2 },
        position: { how: 'xy', xMm: known(cams === 2 && i === 0 ? -120 : x), yMm: known(cams === 2 ? 420 : y) },
      }
    }),
  ]
  const wheels = shafts.map(({ id, name }, i): Member => ({
    id: `wheel-${id}`,
    name,
    kind: kind === 'toothedBelt' ? 'pulley' : 'sprocket',
    shaftId: id,
    teeth: known(i === 0 ? 20 : 40),
  }))
  return oneChainSheet({
    shafts,
    members: wheels,
    loops: [
      {
        id: 'loop',
        name: 'Loop',
        kind,
        pitchMm: known(9.525),
        ...(pitches === undefined ? {} : { pitches: known(pitches) }),
        path: wheels.map(({ id }) => ({ memberId: id, passed: 'inside' })),
      },
    ],
    marks: wheels.map(({ id, name }, i) => ({
      id: `mark-${id}`,
      name,
      memberId: id,
      halfTeeth: 0,
      // Outwards, where the loop lies on it.
      pointsAtDeg: known(i === 0 ? 270 : cams < 3 ? 90 : 180 * (1 - (i - 0.5) / cams)),
      cutFor: 'pose',
      meets: '',
    })),
    counts: [],
    couplings: [],
  })
}
