import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { Entry, NewEntry } from '../model'
import { PART_IDS as ids } from '../starters'
import {
  atPose,
  atTdc,
  firstJob,
  oneChainSheet,
  camMark,
  chain,
  counted,
  degreeWheel,
  entriesOf,
  halfProved,
  item,
  madeSafe,
  saw,
  stateAfter,
  stops,
  tensioner,
  turned,
} from '../testing/oneChain'
import { foldJob, lastLive, nextStamp, orderEntries, struckIds } from '.'

const fold = (entries: readonly Entry[]) => foldJob({ job: firstJob, sheets: [oneChainSheet()], entries })
const strike = (targetId: string): NewEntry => ({ kind: 'strike', targetId, reason: '' })

describe('order and strikes', () => {
  const anyDraft = fc.constantFrom<NewEntry>(
    ...halfProved,
    turned(90),
    turned(-30),
    item('stop'),
    item('stop', 'out'),
    chain('off'),
    chain('on'),
    counted(29),
    atPose,
  )

  test('the fold does not depend on how entries are batched, repeated or shuffled', () => {
    fc.assert(
      fc.property(
        fc.array(anyDraft, { maxLength: 25 }),
        fc.array(anyDraft, { maxLength: 25 }),
        fc.integer(),
        (one, two, seed) => {
          const entries = [...entriesOf(one, 'd-a'), ...entriesOf(two, 'd-b')]
          const shuffled = [...entries, ...entries.slice(0, 3)].sort(
            (a, b) => ((a.id + seed).length * 7 + a.id.charCodeAt(4) - b.id.charCodeAt(4)) % 3,
          )
          expect(fold(shuffled)).toEqual(fold(entries))
        },
      ),
      { numRuns: 60 },
    )
  })

  test('a later look sorts later whichever device made it', () => {
    const first = entriesOf([turned(10)], 'd-z', 1)
    const later = entriesOf([turned(20)], 'd-a', nextStamp(first, 'd-a').counter)
    expect(orderEntries([...later, ...first]).map(({ id }) => id)).toEqual([...first, ...later].map(({ id }) => id))
  })

  test('a strike takes a line out, and a struck strike brings it back', () => {
    const [line] = entriesOf([item('stop')])
    const [gone] = entriesOf([strike(line?.id ?? '')], 'd-1', 2)
    const [back] = entriesOf([strike(gone?.id ?? '')], 'd-1', 3)
    const all = [line, gone, back] as Entry[]
    expect(fold(all.slice(0, 2)).register).toHaveLength(0)
    expect(fold(all).register).toHaveLength(1)
    expect(lastLive(all)?.id).toBe(line?.id)
  })

  test('a strike never reaches forward in time', () => {
    const [early] = entriesOf([strike('e-later')], 'd-1', 1)
    const [later] = entriesOf([item('stop')], 'd-1', 2)
    expect(struckIds(orderEntries([early as Entry, { ...(later as Entry), id: 'e-later' }])).size).toBe(0)
  })
})

describe('rotation ledger', () => {
  const place = (...newEntries: NewEntry[]) => stateAfter(newEntries).crank

  test('nothing known, nothing claimed', () =>
    expect(place(turned(90))).toMatchObject({ deg: undefined, doubt: 'unknown', totalDeg: 90 }))
  test('TDC without the half is not a place on the cycle', () =>
    expect(place(degreeWheel, stops(340, 30), atTdc)).toMatchObject({ deg: undefined, doubt: 'unknown' }))
  test('one witness: reckoned; two: proven; after a turn: reckoned', () => {
    expect(place(degreeWheel, stops(340, 30), atTdc, saw('thumb', 'firing'))).toMatchObject({
      deg: 0,
      doubt: 'reckoned',
    })
    expect(place(...halfProved)).toMatchObject({ deg: 0, doubt: 'proven' })
    expect(place(...halfProved, turned(400))).toMatchObject({ deg: 400, doubt: 'reckoned', lastDirection: 1 })
  })
  test('overlap is the other half, and a contradiction is unknown', () => {
    expect(place(degreeWheel, stops(340, 30), atTdc, saw('rocking', 'overlap'))).toMatchObject({ deg: 360 })
    expect(place(...halfProved, saw('rocking', 'overlap'))).toMatchObject({ deg: undefined, doubt: 'unknown' })
  })
  test('witnesses taken a turn apart support each other through the turns between', () => {
    expect(
      stateAfter([degreeWheel, stops(340, 30), atTdc, saw('thumb', 'firing'), turned(360), saw('rocking', 'overlap')])
        .half.known,
    ).toBe('proved')
  })
  test('turns add up with their sign over the cycle', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -400, max: 400 }), { maxLength: 12 }), (degs) => {
        const { deg, totalDeg } = place(...halfProved, ...degs.map((d) => turned(d)))
        const sum = degs.reduce((a, b) => a + b, 0)
        expect(totalDeg).toBe(sum)
        expect(deg).toBeCloseTo(((sum % 720) + 720) % 720, 6)
      }),
    )
  })
  test('a wheel reading puts the reckoning right, and a wild one is a contradiction', () => {
    // Zero at wheel 5: 92 entered, the wheel reads 95, so the crank stands at 90.
    expect(place(...halfProved, turned(92, 'onMark', 95))).toMatchObject({
      deg: expect.closeTo(90, 9),
      doubt: 'proven',
    })
    expect(place(...halfProved, turned(92, 'onMark', 200))).toMatchObject({
      deg: undefined,
      wheelDisagreesDeg: expect.closeTo(103, 6),
    })
  })
  test('overshooting asks for a fresh approach from 30° back', () => {
    expect(place(...halfProved, turned(95, 'past')).freshApproach).toEqual({ direction: 1, stillBackDeg: 30 })
    expect(place(...halfProved, turned(95, 'past'), turned(-20)).freshApproach).toEqual({
      direction: 1,
      stillBackDeg: 10,
    })
    expect(place(...halfProved, turned(95, 'past'), turned(-20), turned(15)).freshApproach).toBeDefined()
    expect(place(...halfProved, turned(95, 'past'), turned(-35), turned(30)).freshApproach).toBeUndefined()
    expect(place(...halfProved, turned(95, 'past'), turned(355)).freshApproach).toBeUndefined()
  })
})

describe('the rest of the state', () => {
  test('one stop set-up is read, a second depth proves the zero; a wheel fitted anew loses it', () => {
    expect(stateAfter([degreeWheel, stops(340, 30)]).zero).toMatchObject({
      wheelDeg: expect.closeTo(5, 9),
      proved: false,
    })
    expect(stateAfter([degreeWheel, stops(340, 30), stops(339.5, 30.5)]).zero?.proved).toBe(false)
    expect(stateAfter([degreeWheel, stops(340, 30), stops(330, 40)]).zero?.proved).toBe(true)
    expect(stateAfter([degreeWheel, stops(340, 30), degreeWheel]).zero).toBeUndefined()
  })
  test('pin offset is taken off when the sizes are known', () => {
    const mm = (value: number) => ({ value, typed: `${value} mm`, trust: 'measured' as const })
    const sheet = oneChainSheet({ strokeMm: mm(100), rodMm: mm(160), pinOffsetMm: mm(8) })
    // Independently computed (handbook 3): contacts at 20 mm of drop have their middle 0.230° after TDC.
    const { zero } = stateAfter([degreeWheel, stops(310, 50)], sheet)
    expect(zero && zero.wheelDeg - 360).toBeLessThan(-0.15)
    expect(zero && zero.wheelDeg - 360).toBeGreaterThan(-0.3)
  })
  test('the register holds what is in until it is out', () => {
    expect(stateAfter([item('rag'), item('stop'), item('stop', 'out')]).register.map(({ item: kind }) => kind)).toEqual(
      ['rag'],
    )
  })
  test('a cam mark read past the pose is late, and a count is a second witness', () => {
    const { timing } = stateAfter([...halfProved, camMark(11, 'found'), counted(29, 'found')])
    expect(timing[ids.cam]?.found).toMatchObject({ latenessDeg: expect.closeTo(6, 9), proved: true })
  })
  test('a chain that is moved makes later readings stale, not those as found', () => {
    const move: NewEntry = { kind: 'moved', loopId: ids.chain, memberId: ids.camSprocket, teeth: 1 }
    const state = stateAfter([...halfProved, camMark(11, 'found'), camMark(5, 'left'), counted(28), move])
    expect(state.timing[ids.cam]?.left).toBeUndefined()
    expect(state.timing[ids.cam]?.found).toBeDefined()
    expect(state.counts).toHaveLength(0)
  })
  test('only turns with everything tight count for the proof', () => {
    const before = [...halfProved, chain('off'), chain('on'), counted(29), tensioner('fitted'), turned(2)]
    expect(stateAfter(before).loops[ids.chain]?.turnedTightDeg).toBe(0)
    expect(
      stateAfter([...before, tensioner('released'), turned(360), turned(360)]).loops[ids.chain]?.turnedTightDeg,
    ).toBe(720)
    expect(
      stateAfter([...before, tensioner('released'), turned(720), tensioner('heldBack')]).loops[ids.chain]
        ?.turnedTightDeg,
    ).toBe(0)
  })
  test('make-safe ticks can be taken back', () => {
    expect(stateAfter([...madeSafe, { kind: 'tick', cautionId: 'fuelOff', ticked: false }]).ticked.has('fuelOff')).toBe(
      false,
    )
  })
})

describe('a hub moved on the cam', () => {
  const sheet = oneChainSheet({
    adjusters: [{ id: 'hub', kind: 'hub', memberId: ids.camSprocket, positions: 17 }],
  })
  // 38 teeth at half speed: a tooth is 18.947° of the crank. The cam two teeth's worth later wants its wheel two teeth earlier: 29 becomes 27.
  const adjusted: NewEntry = { kind: 'adjusted', adjusterId: 'hub', words: 'hub', laterDeg: (2 * 720) / 38 }
  test('wants another count from then on, and makes what was counted and read before stale', () => {
    const after = stateAfter([...madeSafe, chain('on'), counted(29), adjusted], sheet)
    expect(after.counts).toEqual([])
    expect(after.loops[ids.chain]?.proof).toBe('notCounted')
    expect(after.seats.now[ids.camSprocket]).toBeCloseTo(-2, 9)
    const right = stateAfter([...madeSafe, chain('on'), adjusted, counted(27)], sheet)
    expect(right.loops[ids.chain]?.proof).toBe('counted')
    expect(right.timing[ids.cam]?.set?.latenessDeg).toBeCloseTo(0, 6)
    const old = stateAfter([...madeSafe, chain('on'), adjusted, counted(29)], sheet)
    expect(old.loops[ids.chain]?.proof).toBe('countedOut')
  })
  test('what was found stays judged by what it was found with', () => {
    const found = stateAfter([...madeSafe, counted(29, 'found'), adjusted], sheet)
    expect(found.timing[ids.cam]?.found?.latenessDeg).toBeCloseTo(0, 6)
  })
})

test('a cam mark that meets at an event of its own is read against that, and not against the pose', () => {
  const base = oneChainSheet()
  const meetsAtDeg = { value: 250, typed: '250', trust: 'manual' as const }
  const sheet = { ...base, marks: base.marks.map((mark) => (mark.id === ids.camMark ? { ...mark, meetsAtDeg } : mark)) }
  // TDC at 5 on the wheel: 250 on the cycle is 255 on the wheel; 258 is 3 late.
  const after = stateAfter([...madeSafe, ...halfProved, camMark(258, 'found')], sheet)
  expect(after.timing[ids.cam]?.found?.latenessDeg).toBeCloseTo(3, 6)
})
