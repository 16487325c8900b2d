import { bench, describe } from 'vitest'
import { runSearch, type Mover, type MoveProblem } from '.'

const movers: Mover[] = [
  { id: 'tooth', effort: 3, by: { kind: 'steps', places: 40 } },
  { id: 'hub', effort: 2, by: { kind: 'steps', places: 17 } },
  { id: 'key', effort: 4, by: { kind: 'choices', laterDeg: [0, -3.1, 3.1] } },
]
const problem = (cams: number): MoveProblem => ({
  cams: Array.from({ length: cams }, (_, i) => ({ id: `cam-${i}`, latenessDeg: 21.3 - 9 * i, weight: 1, movers })),
  shared: [
    { id: 'crank key', effort: 6, by: { kind: 'choices', laterDeg: [0, -4, 4] } } as const,
    { id: 'crank tooth', effort: 4, by: { kind: 'steps', places: 40, mostSteps: 3 } } as const,
  ].map((mover) => ({ mover, camIds: Array.from({ length: cams }, (_, i) => `cam-${i}`) })),
  cycleDeg: 720,
  best: 5,
})

describe('the one move, 40 teeth, 17 places, three keys each, keys and teeth at the crank: exact', () => {
  for (const cams of [1, 2, 4, 8]) bench(`${cams} camshafts`, () => void runSearch(problem(cams)))
})
