import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { BuildSheet } from '../model'
import { beginSheet } from '../starters'
import {
  companionsOf,
  firingDegOf,
  judgeFiring,
  placesInOrder,
  possibleOrders,
  tdcResidue,
  throwPatterns,
  type Layout,
} from '.'

const known = <T>(value: T) => ({ value, typed: String(value), trust: 'measured' as const })

function engine(
  layout: Layout,
  pins: readonly number[],
  {
    axes = [],
    order,
    running = 'clockwise',
    cycleDeg = 720,
  }: { axes?: readonly number[]; order?: string; running?: 'clockwise' | 'anticlockwise'; cycleDeg?: 720 | 360 } = {},
): BuildSheet {
  const base = beginSheet({
    id: 's',
    engineId: 'e',
    at: '2026-01-05T08:00:00.000Z',
    cylinders: pins.length,
    layout,
    cycleDeg,
    drive: 'none',
    guide: false,
    tensioner: false,
  })
  return {
    ...base,
    running: known(running),
    banks: base.banks.map((bank, i) => (axes[i] === undefined ? bank : { ...bank, axisDeg: known(axes[i]) })),
    cylinders: base.cylinders.map((cylinder, i) => ({ ...cylinder, crankpinDeg: known(pins[i] ?? 0) })),
    ...(order ? { firingOrder: known(order.split('-').map((name) => `cyl-${name}`)) } : {}),
  }
}
const places = (sheet: BuildSheet) => sheet.cylinders.map(({ id }) => firingDegOf(sheet, id))

const evenlyApart = (sheet: BuildSheet) => {
  const { status, places: fired } = judgeFiring(sheet)
  const degs = Object.values(fired).sort((a, b) => a - b)
  const step = 720 / degs.length
  return status === 'settled' && degs.every((deg, i) => Math.abs(deg - i * step) < 1e-9)
}

/* Usual orders, from memory; that such a crank fires evenly in them follows from the order alone. */
describe('throws to begin from fire in their usual orders, evenly', () => {
  test.each<[Layout, number, string]>([
    ['inLine', 3, '1-2-3'],
    ['inLine', 3, '1-3-2'],
    ['inLine', 4, '1-3-4-2'],
    ['inLine', 4, '1-2-4-3'],
    ['inLine', 5, '1-2-4-5-3'],
    ['inLine', 6, '1-5-3-6-2-4'],
    ['inLine', 6, '1-4-2-6-3-5'],
    ['inLine', 8, '1-6-2-5-8-3-7-4'],
  ])('%s of %i, %s', (layout, n, order) => {
    const cranks = throwPatterns(layout, n).map(({ crankpinsDeg }) => engine(layout, crankpinsDeg, { order }))
    expect(cranks.filter(evenlyApart)).toHaveLength(1)
  })
  test('an in-line four with its throws crossed: 270, 180, 90 and 180 from 1 to 3 to 2 to 4', () => {
    const cross = throwPatterns('inLine', 4).find(({ id }) => id === 'crossPlane')?.crankpinsDeg ?? []
    expect(places(engine('inLine', cross, { order: '1-3-2-4' }))).toEqual([0, 450, 270, 540])
  })
  test.each<[Layout, number, readonly number[]]>([
    ['vee', 8, [135, 45]],
    ['vee', 12, [120, 60]],
    ['opposed', 4, [180, 0]],
    ['opposed', 6, [180, 0]],
  ])('%s of %i can fire evenly, whichever way it runs', (layout, n, axes) => {
    for (const running of ['clockwise', 'anticlockwise'] as const) {
      const least = throwPatterns(layout, n).map(
        ({ crankpinsDeg }) => judgeFiring(engine(layout, crankpinsDeg, { axes, running })).orders[0]?.unevenDeg,
      )
      expect(least).toContain(0)
    }
  })
})

describe('firing places from axes, throws and order', () => {
  test('flat-plane four, 1-3-4-2 and 1-2-4-3', () => {
    expect(places(engine('inLine', [0, 180, 180, 0], { order: '1-3-4-2' }))).toEqual([0, 540, 180, 360])
    expect(places(engine('inLine', [0, 180, 180, 0], { order: '1-2-4-3' }))).toEqual([0, 180, 540, 360])
  })
  test('a three: the crankpin ahead in the running direction comes to the top earlier', () => {
    expect(places(engine('inLine', [0, 120, 240], { order: '1-2-3' }))).toEqual([0, 240, 480])
    const odd = judgeFiring(engine('inLine', [0, 120, 240], { order: '1-3-2' }))
    expect(odd.status).toBe('open')
    expect(odd.ways).toHaveLength(3)
  })
  test('in-line six, 1-5-3-6-2-4', () => {
    // From memory: the usual order of a mirrored six; evenly every 120°.
    const { best } = possibleOrders(
      [0, 120, 240, 240, 120, 0].map((deg, i) => ({ cylinderId: String(i + 1), deg })),
      720,
    )
    expect(best.map(({ order }) => order.join('-'))).toContain('1-5-3-6-2-4')
    expect(best[0]?.unevenDeg).toBe(0)
  })
  // Common practice, no source (handbook 5): a 90° V-twin on one pin is turned 270° from one TDC to the other's.
  test('90° V-twin: 90 or 450 one way round, 270 or 630 the other; which, the order cannot say', () => {
    const twin = engine('vee', [0, 0], { axes: [135, 45], order: '1-2' })
    expect(judgeFiring(twin)).toMatchObject({ status: 'open', ways: [{ 'cyl-2': 90 }, { 'cyl-2': 450 }] })
    const back = engine('vee', [0, 0], { axes: [45, 135], order: '1-2' })
    expect(judgeFiring(back).ways.map((way) => way['cyl-2'])).toEqual([270, 630])
    const other = engine('vee', [0, 0], { axes: [135, 45], order: '1-2', running: 'anticlockwise' })
    expect(judgeFiring(other).ways.map((way) => way['cyl-2'])).toEqual([270, 630])
  })
  test('one typed place settles the open turn', () => {
    const twin = engine('vee', [0, 0], { axes: [135, 45], order: '1-2' })
    const settled = {
      ...twin,
      cylinders: twin.cylinders.map((c, i) => (i === 1 ? { ...c, firingDeg: known(450) } : c)),
    }
    expect(judgeFiring(settled)).toMatchObject({ status: 'settled', places: { 'cyl-2': 450 } })
  })
  test('60° V12, companions on every cylinder, evenly every 60°', () => {
    // From memory: order of the six with each one's partner across the V half way.
    const pins = [0, 240, 120, 120, 240, 0, 0, 240, 120, 120, 240, 0]
    const sheet = engine('vee', pins, { axes: [120, 60], order: '1-12-5-8-3-10-6-7-2-11-4-9' })
    expect(judgeFiring(sheet).status).toBe('settled')
    expect(places(sheet).map((deg) => (deg ?? NaN) % 60)).toEqual(Array(12).fill(0))
    expect(companionsOf(sheet, 'cyl-1')).toEqual(['cyl-6'])
  })
  test('flat twin with pins half a turn apart fires 360° apart; opposed pistons come up together', () => {
    const sheet = engine('opposed', [0, 180], { order: '1-2' })
    expect(tdcResidue(sheet, sheet.cylinders[1] as never)).toBe(0)
  })
  test('seven-cylinder radial: every other one', () => {
    const sheet = engine('radial', [0, 0, 0, 0, 0, 0, 0], { order: '1-3-5-7-2-4-6' })
    expect(judgeFiring(sheet).status).toBe('settled')
    expect(firingDegOf(sheet, 'cyl-3')).toBeCloseTo((2 * 360) / 7, 9)
    expect(firingDegOf(sheet, 'cyl-2')).toBeCloseTo(360 + 360 / 7, 9)
  })
  test('a two-row radial of fourteen, from memory: 1-10-5-14-9-4-13-8-3-12-7-2-11-6', () => {
    const [pattern] = throwPatterns('radial', 14)
    const sheet = engine('radial', pattern?.crankpinsDeg ?? [], { order: '1-10-5-14-9-4-13-8-3-12-7-2-11-6' })
    expect(judgeFiring(sheet).status).toBe('settled')
    expect(firingDegOf(sheet, 'cyl-10')).toBeCloseTo(720 / 14, 9)
  })
  test('articulated rods shift a TDC by what is typed', () => {
    const sheet = engine('radial', [0, 0, 0])
    const shifted = {
      ...sheet,
      cylinders: sheet.cylinders.map((c, i) => (i === 1 ? { ...c, tdcShiftDeg: known(-2.5) } : c)),
    }
    expect(tdcResidue(shifted, shifted.cylinders[1] as never)).toBeCloseTo(117.5, 9)
  })
  test('a two-stroke needs no order', () =>
    expect(places(engine('inLine', [0, 120, 240], { cycleDeg: 360 }))).toEqual([0, 240, 120]))
})

describe('what cannot be is said', () => {
  test('an order that the throws forbid lists the even ones that could be', () => {
    const judged = judgeFiring(engine('inLine', [0, 180, 180, 0], { order: '1-4-3-2' }))
    expect(judged.status).toBe('contradiction')
    expect(judged.ordersInAll).toBe(8)
    expect(judged.orders.slice(0, 2).map(({ order }) => order.join(' '))).toEqual([
      'cyl-1 cyl-2 cyl-4 cyl-3',
      'cyl-1 cyl-3 cyl-4 cyl-2',
    ])
  })
  test('typed places that the throws do not give are named with how far they are out', () => {
    const sheet = engine('inLine', [0, 180])
    const typed = {
      ...sheet,
      cylinders: sheet.cylinders.map((c, i) => (i === 1 ? { ...c, firingDeg: known(270) } : c)),
    }
    expect(judgeFiring(typed)).toMatchObject({
      status: 'contradiction',
      disagreements: [{ cylinderId: 'cyl-2', offDeg: 90 }],
    })
  })
  test('an odd-fire engine has no companions', () => {
    const twin = engine('vee', [0, 0], { axes: [112.5, 67.5] })
    const settled = {
      ...twin,
      cylinders: twin.cylinders.map((c, i) => (i === 1 ? { ...c, firingDeg: known(405) } : c)),
    }
    expect(companionsOf(settled, 'cyl-1')).toEqual([])
  })
  test('nothing is known without throws', () => {
    const base = engine('vee', [0, 0])
    const bare = { ...base, cylinders: base.cylinders.map(({ crankpinDeg: _gone, ...cylinder }) => cylinder) }
    expect(judgeFiring(bare)).toMatchObject({ status: 'missing', places: { 'cyl-1': 0 } })
  })
})

test('every order that is possible is one that its places are in', () => {
  const anyResidues = fc.array(fc.constantFrom(0, 45, 90, 120, 180, 240, 270), { minLength: 1, maxLength: 6 })
  fc.assert(
    fc.property(anyResidues, (degs) => {
      const residues = degs.map((deg, i) => ({ cylinderId: String(i), deg: i === 0 ? 0 : deg }))
      for (const { order, places: at } of possibleOrders(residues, 720).best) {
        if (order[0] !== '0' || new Set(Object.values(at)).size < order.length) continue
        const ways = placesInOrder(
          order.flatMap((id) => residues.filter(({ cylinderId }) => cylinderId === id)),
          720,
        )
        expect(ways).toContainEqual(at)
      }
    }),
  )
})
