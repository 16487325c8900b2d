import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { BuildSheet, Coupling, NewEntry } from '../model'
import { stateAfter } from '../testing/oneChain'
import { sheetWithDrive } from '../testing/sheetWithDrive'
import { couplingShift, gearsOf, readMeshCount } from '.'

const pair = (driver: number, driven: number): { sheet: BuildSheet; mesh: Coupling } => {
  const sheet = sheetWithDrive('gearThenChain', {
    pinion: driver,
    'half-gear': driven,
    'half-sprocket': 20,
    'cam-sprocket': 20,
  })
  return { sheet, mesh: sheet.couplings[0] as Coupling }
}
const on = (at: number, teeth: number) => ((at % teeth) + teeth) % teeth

describe('teeth between the marks of two gears, against gears run tooth by tooth', () => {
  const train = fc.record({
    driver: fc.integer({ min: 12, max: 50 }),
    driven: fc.integer({ min: 12, max: 90 }),
    late: fc.integer({ min: -2, max: 2 }),
    run: fc.integer({ min: 0, max: 4000 }),
    wayRound: fc.constantFrom(0, 1),
    otherWayRound: fc.constantFrom(0, 1),
  })
  const gcdSlow = (a: number, b: number) => {
    for (let n = Math.min(a, b); n > 1; n--) if (a % n === 0 && b % n === 0) return n
    return 1
  }
  test('wherever they stand and whichever way round it was counted, the tooth is told; or that it cannot be', () =>
    fc.assert(
      fc.property(train, ({ driver, driven, late, run, wayRound, otherWayRound }) => {
        const { sheet, mesh } = pair(driver, driven)
        // Teeth that each mark still has before the mesh: both gears pass one tooth at a time.
        const [a, b] = [on(-run, driver), on(late - run, driven)]
        const between = b - otherWayRound * driven - (a - wayRound * driver)
        const read = readMeshCount(sheet, mesh, between)
        const common = gcdSlow(driver, driven)
        expect(read?.teethLate).toBe(common < 5 ? undefined : late + 0)
        if (common >= 5) expect(read?.latenessDeg).toBeCloseTo((late * 360) / driver, 9)
      }),
      { numRuns: 400 },
    ))
  test('turns until the marks come together, run until they do', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 12, max: 30 }),
        fc.integer({ min: 12, max: 40 }),
        fc.nat(39),
        (driver, driven, n) => {
          const { sheet, mesh } = pair(driver, driven)
          let [behind, turns] = [on(n, driven), 0]
          while (behind !== 0 && turns < driven) {
            behind = on(behind - driver, driven)
            turns++
          }
          expect(readMeshCount(sheet, mesh, n)?.turnsToMeet).toBe(behind === 0 ? turns : undefined)
        },
      ),
      { numRuns: 200 },
    ))
})

test('which gear drives is told by the way from the crank, whichever was written first', () => {
  const { sheet, mesh } = pair(20, 40)
  const turned: BuildSheet = { ...sheet, couplings: [{ ...mesh, fromId: mesh.toId, toId: mesh.fromId }] }
  const [one] = turned.couplings
  expect(gearsOf(turned, one as Coupling)?.driven.id).toBe('half-gear')
  // One tooth of 40 further on in its running direction: 18° earlier.
  expect(couplingShift(turned, one as Coupling, { steps: 1 })).toBe(-18)
})

/* 24 and 48 teeth come together once a turn of the larger: nothing else counts alike. 20 and 30, and 30 and 40, do so every ten teeth, 180° of the crank:
 * a gear ten teeth out faces its mark as well. */
test('marks that face each other prove a mesh only where no other tooth would face alike', () => {
  const proofs = (sheet: BuildSheet) =>
    sheet.couplings.map(({ id }) => {
      const said = (change: 'apart' | 'together'): NewEntry => ({ kind: 'coupling', couplingId: id, change, steps: 0 })
      const facing: NewEntry = { kind: 'meshCount', couplingId: id, phase: 'set', teeth: 0 }
      return stateAfter([said('apart'), said('together'), facing], sheet).couplings[id]?.proof
    })
  expect(proofs(pair(24, 48).sheet)).toEqual(['read'])
  expect(proofs(sheetWithDrive('gearsOnly', { pinion: 20, 'idle-gear': 30, 'cam-gear': 40 }))).toEqual([
    'notRead',
    'notRead',
  ])
})
