import { describe, expect, test } from 'vitest'
import { sigmaOfDivision } from './tdcFromPair'
import { planDial, planStop, rodDoubt } from './planReading'

describe('planning a stop', () => {
  test('straight down the bore: depth at the top and the drop at the contact, independently computed (handbook 2)', () => {
    const plan = planStop({ strokeMm: 82, rodMm: 142, plugDepthMm: 30 })
    // 5.000 mm of drop at 25.254°: a stop that reaches 35 mm below the seat meets the piston there.
    const [at25, at30] = [25, 30].map((deg) => plan?.find(({ contactDeg }) => contactDeg === deg))
    expect(at25?.protrusionMm?.least).toBeCloseTo(34.9, 1)
    expect(at30?.protrusionMm?.least).toBeCloseTo(37.0, 1)
    expect(at25?.protrusionMm?.least).toBe(at25?.protrusionMm?.most)
  })
  test('down a slanting hole the crown moves away by the drop over the cosine', () => {
    const straight = planStop({ strokeMm: 82, rodMm: 142, plugDepthMm: 0 })?.[4]
    const slanting = planStop({ strokeMm: 82, rodMm: 142, plugDepthMm: 0, plugAngleDeg: 60 })?.[4]
    expect(slanting?.protrusionMm?.least).toBeCloseTo(2 * (straight?.protrusionMm?.least ?? NaN), 9)
  })
  test('without a probed depth there is no reach; without a stroke no plan', () => {
    expect(planStop({ strokeMm: 82, rodMm: 142, plugDepthMm: undefined })?.[0]?.protrusionMm).toBeUndefined()
    expect(planStop({ strokeMm: undefined, rodMm: 142, plugDepthMm: 3 })).toBeUndefined()
    expect(planStop({ strokeMm: 82, rodMm: 30, plugDepthMm: 3 })).toBeUndefined()
  })
  test('a rod that is not known gives a range, short', () => {
    const at40 = planStop({ strokeMm: 82, rodMm: undefined, plugDepthMm: 30 })?.at(-1)?.protrusionMm
    expect((at40?.most ?? 0) - (at40?.least ?? 0)).toBeGreaterThan(0.2)
    expect((at40?.most ?? 0) - (at40?.least ?? 0)).toBeLessThan(1.5)
  })
})

describe('planning a dial', () => {
  const plan = planDial({ strokeMm: 82, rodMm: 142, wheelSigmaDeg: sigmaOfDivision(0.5), readToMm: 0.01 })
  test('the ± falls with the drop towards what the wheel alone would give', () => {
    const sigmas = plan?.points.map(({ sigmaDeg }) => sigmaDeg) ?? []
    expect(sigmas).toEqual([...sigmas].sort((a, b) => b - a))
    expect(sigmas.at(-1)).toBeCloseTo(sigmaOfDivision(0.5) / Math.SQRT2, 2)
  })
  test('the drop advised is where the dial’s part has sunk to a third of the wheel’s', () => {
    const at = plan?.points.find(({ dropMm }) => dropMm === plan.fromDropMm)
    const wheel = sigmaOfDivision(0.5) / Math.SQRT2
    expect(at?.sigmaDeg).toBeLessThanOrEqual(wheel * Math.hypot(1, 1 / 3))
    expect(at?.sigmaDeg).toBeGreaterThan(wheel)
  })
  test('a coarse dial has to be read lower down', () => {
    const coarse = planDial({ strokeMm: 82, rodMm: 142, wheelSigmaDeg: sigmaOfDivision(0.5), readToMm: 0.05 })
    expect(coarse?.fromDropMm).toBeGreaterThan(plan?.fromDropMm ?? Infinity)
  })
})

test('not knowing the rod moves a spark set by piston drop by some tenths of a degree to a degree', () => {
  const { spreadDeg, dropsMm } = rodDoubt(82, 30)
  expect(spreadDeg).toBeGreaterThan(0.3)
  expect(spreadDeg).toBeLessThan(2)
  expect(dropsMm).toHaveLength(3)
})
