import { bench, describe } from 'vitest'
import { makeRandom } from '../random'
import { combineZero, explainDrift, makeReader, planDial, planStop } from '.'

const reader = makeReader(
  {
    size: { strokeMm: 82, rodMm: 142, pinOffsetMm: 1 },
    tdcDeg: 200,
    scale: { kind: 'full', rises: 'running', readToDeg: 0.5 },
    dialDivisionMm: 0.01,
    noise: 'gaussian',
  },
  makeRandom(1),
)
const readings = Array.from({ length: 200 }, (_, i) => reader?.dial(1 + i / 25)).flatMap((one) => one ?? [])

describe('zero', () => {
  bench('200 readings combined', () => void combineZero(readings))
  bench('200 dial pairs searched for a cause of drift', () => void explainDrift(readings, { strokeMm: 82, rodMm: 142 }))
  bench('the reading planned', () => {
    planStop({ strokeMm: 82, rodMm: 142, plugDepthMm: 30 })
    planDial({ strokeMm: 82, rodMm: 142, wheelSigmaDeg: 0.144, readToMm: 0.01 })
  })
})
