import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { wrapTo360, wrapToSigned180 } from '../units'
import { combineZero, halfFromWitnesses, pinOffsetShift, sigmaOfDivision, tdcFromPair, type ZeroReading } from '.'

describe('positive stop', () => {
  test('the order of the two contacts and the place of the wheel do not move TDC', () => {
    const anyDeg = fc.double({ min: 0, max: 359.99, noNaN: true })
    fc.assert(
      fc.property(anyDeg, fc.double({ min: 5, max: 85, noNaN: true }), (tdc, half) => {
        const [before, after] = [wrapTo360(tdc - half), wrapTo360(tdc + half)]
        for (const pair of [
          { firstDeg: before, secondDeg: after },
          { firstDeg: after, secondDeg: before },
        ]) {
          const found = tdcFromPair({ ...pair, sigmaDeg: 0.1 })
          if (!found.ok) throw new Error(found.error.code)
          expect(Math.abs(wrapToSigned180(found.value.wheelDeg - tdc))).toBeLessThan(1e-9)
          expect(found.value.halfSpanDeg).toBeCloseTo(half, 9)
        }
      }),
    )
  })

  test('contacts that cannot be halved, or that could be either dead centre, are refused', () => {
    expect(tdcFromPair({ firstDeg: 10, secondDeg: 11, sigmaDeg: 0.1 })).toMatchObject({
      error: { code: 'stopsCoincide' },
    })
    expect(tdcFromPair({ firstDeg: 10, secondDeg: 190, sigmaDeg: 0.1 })).toMatchObject({
      error: { code: 'stopsOpposed' },
    })
  })

  // Independently computed (handbook 3): S 100, l 160, e +8 at 20 mm, 0.230° after; S 82, l 142, e +1 at 10 mm, 0.018° after.
  // The half spans below were found by walking the slider-crank round in steps of a thousandth of a degree.
  test.each([
    [{ strokeMm: 100, rodMm: 160, pinOffsetMm: 8 }, 20, 0.23],
    [{ strokeMm: 82, rodMm: 142, pinOffsetMm: 1 }, 10, 0.018],
    [{ strokeMm: 100, rodMm: 160, pinOffsetMm: -8 }, 20, -0.23],
  ])('pin offset %o at %d mm of drop moves the middle %d°', (size, dropMm, shiftDeg) => {
    expect(pinOffsetShift(size, slowHalfSpan(size, dropMm))).toBeCloseTo(shiftDeg, 3)
  })
})

function slowHalfSpan(
  { strokeMm, rodMm, pinOffsetMm }: { strokeMm: number; rodMm: number; pinOffsetMm: number },
  dropMm: number,
) {
  const height = (deg: number) => {
    const t = (deg * Math.PI) / 180
    return (strokeMm / 2) * Math.cos(t) + Math.sqrt(rodMm ** 2 - ((strokeMm / 2) * Math.sin(t) - pinOffsetMm) ** 2)
  }
  let top = -Infinity
  for (let deg = -10; deg < 10; deg += 0.001) top = Math.max(top, height(deg))
  const reach = (step: number) => {
    let deg = 0
    while (top - height(deg) < dropMm) deg += step
    return deg
  }
  return (reach(0.001) - reach(-0.001)) / 2
}

const stop = (entryId: string, wheelDeg: number, setUp: string): ZeroReading => ({
  entryId,
  method: 'positiveStop',
  wheelDeg,
  sigmaDeg: 0.1,
  setUp,
  cylinderId: 'cyl-1',
})

describe('the zero', () => {
  test('one set-up is read, two that agree prove it', () => {
    expect(combineZero([stop('a', 3.4, 's1')])?.proved).toBe(false)
    expect(combineZero([stop('a', 3.4, 's1'), stop('b', 3.5, 's1')])?.proved).toBe(false)
    expect(combineZero([stop('a', 3.4, 's1'), stop('b', 3.5, 's2')])).toMatchObject({
      proved: true,
      wheelDeg: expect.closeTo(3.45, 9),
    })
  })
  // Independently computed: 3° two sigma for a feel; a mark that agrees with it narrows nothing.
  test('a feel and a factory mark that agree to 3° prove nothing; a ± that serves does', () => {
    const feel: ZeroReading = { ...stop('f', 3, 'feel'), method: 'dwell', sigmaDeg: 1.5 }
    const mark: ZeroReading = { ...stop('m', 3.5, 'mark'), method: 'factoryMark', sigmaDeg: 0.5 }
    expect(combineZero([feel, mark])).toMatchObject({ proved: false, lacks: 'narrowness', agreeing: ['f', 'm'] })
    expect(combineZero([feel, mark], 3)).toMatchObject({ proved: true, lacks: 'nothing' })
    const two = [stop('a', 3.4, 's1'), stop('b', 3.5, 's2')]
    expect(combineZero(two, 0.5)?.proved).toBe(true)
    expect(combineZero(two, 0.1)).toMatchObject({ proved: false, lacks: 'narrowness' })
    expect(combineZero([two[0] as ZeroReading])?.lacks).toBe('witness')
  })
  test('the mean is taken across the end of the wheel', () => {
    expect(combineZero([stop('a', 359.9, 's1'), stop('b', 0.1, 's2')])?.wheelDeg).toBeCloseTo(0, 9)
  })
  test('a factory mark far off is named as a misfit and does not move the zero', () => {
    const zero = combineZero([
      stop('a', 3.4, 's1'),
      stop('b', 3.4, 's2'),
      { entryId: 'm', method: 'factoryMark', wheelDeg: 9.4, sigmaDeg: 0.5, setUp: 'f', cylinderId: 'cyl-1' },
    ])
    expect(zero).toMatchObject({
      wheelDeg: expect.closeTo(3.4, 9),
      proved: true,
      misfits: [{ entryId: 'm', offDeg: expect.closeTo(6, 9) }],
    })
  })
  test('two stop set-ups that disagree prove nothing', () => {
    expect(combineZero([stop('a', 3.4, 's1'), stop('b', 8.4, 's2')])).toMatchObject({
      proved: false,
      misfits: [{}, {}],
    })
  })
  test('no measured reading, no zero', () => expect(combineZero([])).toBeUndefined())

  test('the two-sigma interval of a stop reading holds the truth when readings are rounded to the wheel', () => {
    // Seeded simulation: 10,000 wheels read to half a degree.
    let seed = 12345
    const random = () => (seed = (seed * 1103515245 + 12345) % 2147483648) / 2147483648
    const sigmaDeg = sigmaOfDivision(0.5)
    let held = 0
    for (let i = 0; i < 10_000; i++) {
      const tdc = random() * 360
      const half = 20 + random() * 40
      const read = (deg: number) => wrapTo360(Math.round(deg / 0.5) * 0.5)
      const found = tdcFromPair({ firstDeg: read(tdc - half), secondDeg: read(tdc + half), sigmaDeg })
      if (found.ok && Math.abs(wrapToSigned180(found.value.wheelDeg - tdc)) <= 2 * found.value.sigmaDeg) held++
    }
    expect(held / 10_000).toBeGreaterThan(0.94)
  })
})

describe('which TDC', () => {
  const witness = (
    entryId: string,
    evidence: 'thumb' | 'lobes' | 'rocking' | 'companionRocking',
    originDeg: number,
  ) => ({ entryId, evidence, originDeg, cycleDeg: 720 })
  test('nothing seen is unknown', () => expect(halfFromWitnesses([])).toEqual({ known: 'unknown' }))
  test('one is read, two independent ones prove', () => {
    expect(halfFromWitnesses([witness('a', 'thumb', 0)])).toMatchObject({ known: 'read', originDeg: 0 })
    expect(halfFromWitnesses([witness('a', 'thumb', 0), witness('b', 'lobes', 0)])).toMatchObject({ known: 'proved' })
  })
  test('lobes and rocking are the same valves: one witness', () =>
    expect(halfFromWitnesses([witness('a', 'lobes', 0), witness('b', 'rocking', 0)]).known).toBe('read'))
  test('contradiction is a conflict, never a majority', () =>
    expect(
      halfFromWitnesses([witness('a', 'thumb', 0), witness('b', 'lobes', 0), witness('c', 'companionRocking', 360)])
        .known,
    ).toBe('conflict'))
  test('witnesses either side of the cycle end agree', () =>
    expect(halfFromWitnesses([witness('a', 'thumb', 719), witness('b', 'lobes', 1)]).known).toBe('proved'))
})
