import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { foldJob } from '../ledger'
import type { BuildSheet, EntryOf, NewEntry } from '../model'
import { entriesOf, firstJob, oneChainSheet } from '../testing/oneChain'
import { everyKind } from '../testing/everyKind'
import { faultCauses, nextSuspect, parseBands, spreadOf, suspectsOf } from '.'

const known = (value: number) => ({ value, typed: String(value), trust: 'manual' as const })
const bench = oneChainSheet()
const sheet: BuildSheet = { ...bench, cams: bench.cams.map((cam) => ({ ...cam, lashMm: known(0.2) })) }
const after = (newEntries: readonly NewEntry[], on = sheet) =>
  suspectsOf(on, foldJob({ job: firstJob, sheets: [on], entries: entriesOf(newEntries) }))
const symptom = (which: EntryOf<'symptom'>['symptom'], is: 'there' | 'not' = 'there'): NewEntry => ({
  kind: 'symptom',
  symptom: which,
  is,
})
const gap = (gapMm: number): NewEntry[] =>
  sheet.cams.map(({ id }) => ({ kind: 'lash', camId: id, phase: 'found', gapMm }))
const isOf = (suspects: ReturnType<typeof after>, id: string) => suspects.find((one) => one.id === id)?.is

describe('a symptom and what can be behind it', () => {
  test('nothing said, nothing suspected; what is taken back as well', () => {
    expect(after([])).toEqual([])
    expect(after([symptom('smoke'), symptom('smoke', 'not')])).toEqual([])
  })
  test('the cheapest to tell comes first, and only what shows so and what the engine can have', () => {
    const suspects = after([symptom('noiseAtIdle')])
    expect(suspects.map(({ id }) => id)).toEqual(['tensionerGone', 'lobeWorn', 'lashWide', 'loopGrown'])
    expect(nextSuspect(suspects)?.id).toBe('tensionerGone')
    const gears = { ...sheet, members: [], loops: [] }
    expect(after([symptom('noiseAtIdle')], gears).map(({ id }) => id)).toEqual(['lobeWorn', 'lashWide'])
  })
  test('a pump is a diesel’s and a spark is not', () => {
    const ids = (fuel: BuildSheet['fuel']) => after([symptom('noPower')], { ...sheet, fuel }).map(({ id }) => id)
    expect(ids('diesel')).toContain('pumpLate')
    expect(ids('diesel')).not.toContain('ignitionLate')
    expect(ids('petrol')).toContain('ignitionLate')
    expect(ids('petrol')).not.toContain('pumpLate')
  })
  test('a pump that is on the sheet is read in its own step, and what is read as found settles it', () => {
    const pump = {
      id: 'pump',
      name: 'Pump',
      kind: 'distributorPump' as const,
      shaftId: sheet.shafts[1]?.id ?? '',
      setBy: [],
      outlets: [],
      wanted: { by: 'lift' as const, value: known(0.82), least: known(0.79), most: known(0.85) },
    }
    const diesel: BuildSheet = { ...sheet, fuel: 'diesel' }
    const withPump: BuildSheet = { ...diesel, followers: [pump] }
    const read = (value: number): NewEntry => ({
      kind: 'followerRead',
      followerId: 'pump',
      cylinderId: sheet.zeroCylinderId,
      phase: 'found',
      by: 'lift',
      value,
      plusMinus: 0.02,
      with: 'dial',
      bolts: 'tight',
      approach: 'running',
    })
    const late = (on: BuildSheet, ...more: NewEntry[]) =>
      after([symptom('smoke'), ...more], on).find(({ id }) => id === 'pumpLate')
    expect(late(diesel)).toMatchObject({ step: undefined, is: 'open' })
    expect(late(withPump)).toMatchObject({ step: 'pumpFound', is: 'open' })
    expect(late(withPump, read(0.64))).toMatchObject({ is: 'found', by: 'reading' })
    expect(late(withPump, read(0.82))).toMatchObject({ is: 'ruledOut', by: 'reading' })
    expect(late(withPump, read(0.78))).toMatchObject({ is: 'open' })
  })
  test('lash as found settles both ways; one valve alone settles nothing', () => {
    const there = symptom('noPower')
    expect(isOf(after([there, ...gap(0.2)]), 'lashTight')).toBe('ruledOut')
    expect(isOf(after([there, ...gap(0.05)]), 'lashTight')).toBe('found')
    expect(isOf(after([there, ...gap(0.4)]), 'lashWide')).toBe('found')
    expect(isOf(after([there, ...gap(0.2).slice(0, 1)]), 'lashTight')).toBe(sheet.cams.length > 1 ? 'open' : 'ruledOut')
  })
  test('a finding settles; a word said counts for more, and can be opened again', () => {
    const bad: NewEntry = { kind: 'finding', part: 'tensioner', partId: 'tensioner', saw: '', verdict: 'renewNow' }
    const word = (is: 'found' | 'ruledOut' | 'open'): NewEntry => ({
      kind: 'causeSettled',
      cause: 'tensionerGone',
      is,
      by: '',
    })
    const base = [symptom('noiseAtIdle'), bad]
    expect(after(base)[0]).toMatchObject({ is: 'found', by: 'reading' })
    expect(after([...base, word('ruledOut')])[0]).toMatchObject({ is: 'ruledOut', by: 'word' })
    expect(after([...base, word('ruledOut'), word('open')])[0]).toMatchObject({ is: 'found', by: 'reading' })
  })
  test('whatever else is in the ledger, each suspect is one of the causes and shows what was said', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...everyKind), { maxLength: 30 }), (newEntries) => {
        const state = foldJob({ job: firstJob, sheets: [sheet], entries: entriesOf(newEntries) })
        for (const { id, is } of suspectsOf(sheet, state)) {
          expect(Object.keys(faultCauses)).toContain(id)
          expect(['found', 'ruledOut', 'open']).toContain(is)
        }
      }),
      { numRuns: 100 },
    )
  })
})

describe('cylinders held against each other', () => {
  const read = (...bars: readonly number[]) =>
    bars.map(
      (bar, i) =>
        ({ kind: 'pressure', cylinderId: `c${i}`, what: 'compression', bar, phase: 'found' }) as EntryOf<'pressure'>,
    )
  // Common practice, no source: weak under three quarters of the best, even from 85% on.
  test.each([
    [[10, 9], 'even'],
    [[10, 8.5], 'even'],
    [[10, 8], 'watch'],
    [[10, 7.5], 'watch'],
    [[10, 7.4], 'weak'],
    [[10], 'single'],
  ] as const)('%j: %s', (bars, verdict) => expect(spreadOf(read(...bars), 'compression')?.verdict).toBe(verdict))
  test('nothing read says nothing; what was read wet is not held against what was read dry', () => {
    expect(spreadOf([], 'compression')).toBeUndefined()
    const [dry, other] = read(10, 7)
    expect(
      spreadOf([dry as EntryOf<'pressure'>, { ...(other as EntryOf<'pressure'>), wet: true }], 'compression')?.verdict,
    ).toBe('single')
  })
})

describe('bands of a workshop’s own', () => {
  test('a line each, the first from 0, each further out', () => {
    expect(parseBands('0 leave it\n4,5: watch\n\n7° renew')).toEqual({
      ok: true,
      value: [
        { fromDeg: 0, says: 'leave it' },
        { fromDeg: 4.5, says: 'watch' },
        { fromDeg: 7, says: 'renew' },
      ],
    })
  })
  test.each([
    ['', 1],
    ['3 leave', 1],
    ['0 leave\n0 again', 2],
    ['0 leave\n4', 2],
    ['0 leave\nfour watch', 2],
    ['0 leave\n90 renew', 2],
  ])('%j is refused at line %i', (text, line) => expect(parseBands(text)).toEqual({ ok: false, line }))
})
