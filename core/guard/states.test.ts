import { describe, expect, test } from 'vitest'
import { foldJob, jobLabels, nextStamp, overlappingWork } from '../ledger'
import type { BuildSheet, Entry, NewEntry, Job } from '../model'
import { PART_IDS as ids } from '../starters'
import {
  atPose,
  atTdc,
  firstJob,
  oneChainSheet,
  camMark,
  chain,
  counted,
  CYL,
  degreeWheel,
  halfProved,
  item,
  madeSafe,
  saw,
  stateAfter,
  stops,
  tensioner,
  turned,
} from '../testing/oneChain'
import { countedFrom, sheetWithDrive } from '../testing/sheetWithDrive'
import { ownPlaceSheet, redrawn, twoBankSheet } from '../testing/walkSheets'
import { judgeGuard, type Guard } from '.'

const known = <T>(value: T) => ({ value, typed: String(value), trust: 'measured' as const })
const ready = [...madeSafe, ...halfProved]
const offAtPose = [...ready, atPose, tensioner('heldBack'), chain('off')]
const guardAfter = (newEntries: readonly NewEntry[], sheet: BuildSheet = oneChainSheet(), job: Job = firstJob): Guard =>
  judgeGuard(sheet, stateAfter(newEntries, sheet, job))
const codes = ({ reasons }: Guard) => reasons.filter(({ verdict }) => verdict !== 'turn').map(({ code }) => code)

/** What is written on a device in a job, knowing everything that came before. */
function write(
  before: readonly Entry[],
  job: Job,
  newEntries: readonly NewEntry[],
  device = 'd-1',
  sheetId = job.sheetId,
) {
  const entries = [...before]
  for (const newEntry of newEntries)
    entries.push({
      conditions: [],
      typed: [],
      ...newEntry,
      ...nextStamp(entries, device),
      id: `${device}-${job.id}-${entries.length}`,
      jobId: job.id,
      sheetId,
      device,
      at: job.at,
      seenFrom: 'timing',
    } as Entry)
  return entries
}
const merged = (...lists: (readonly Entry[])[]) => [...new Map(lists.flat().map((entry) => [entry.id, entry])).values()]
const second: Job = { ...firstJob, id: 'job-2', number: 2, at: '2026-02-05T08:00:00.000Z' }
const judged = (entries: readonly Entry[], job = firstJob, sheets = [oneChainSheet()], jobs = [firstJob, second]) => {
  const state = foldJob({ job, jobs, sheets, entries })
  const sheet = sheets.find(({ id }) => id === state.sheetId) ?? oneChainSheet()
  return { state, guard: judgeGuard(sheet, state) }
}

describe('trims', () => {
  test('of several limits the smallest holds: the stop in and the chain off', () => {
    expect(guardAfter([...offAtPose, item('stop')])).toMatchObject({
      verdict: 'trim',
      limit: { until: 'stop', forwardDeg: 4, backDeg: 4 },
    })
    expect(guardAfter([...ready, item('stop')]).limit).toEqual({ until: 'stop' })
  })
  test('off said twice, off and on again, one entry after another: no new place', () => {
    const creep = [...offAtPose, turned(3), chain('off'), turned(1), chain('on'), chain('off')]
    expect(guardAfter(creep).limit).toMatchObject({ forwardDeg: 0, backDeg: 8 })
    expect(guardAfter([...creep, turned(1)]).verdict).toBe('doNotTurn')
  })
  test('once a right count proved it, the next place is a new one', () => {
    const proved = [...offAtPose, turned(3), chain('on'), counted(29), tensioner('released')]
    expect(guardAfter(proved).verdict).toBe('turn')
    expect(guardAfter([...proved, tensioner('heldBack'), chain('off')]).limit).toMatchObject({ forwardDeg: 4 })
  })
  test('two links undone: the room that both leave', () => {
    const sheet = twoBankSheet()
    const off = (loopId: string): NewEntry => ({ kind: 'loop', loopId, change: 'off' })
    const newEntries = [...ready, atPose, off('chain-a'), turned(3), off('chain-b')]
    expect(guardAfter(newEntries, sheet).limit).toMatchObject({ forwardDeg: 1, backDeg: 4 })
  })
  test('a camshaft set while its chain is off ends the first place: then round the timing position, once seen there', () => {
    const set: NewEntry = { kind: 'camSet', shaftId: ids.cam, offDeg: 0 }
    const byLedger = [...ready, tensioner('heldBack'), chain('off')]
    expect(guardAfter(byLedger).verdict).toBe('trim')
    expect(codes(guardAfter([...byLedger, set]))).toEqual(['loopOffLookAgain'])
    expect(guardAfter([...byLedger, set, atPose]).verdict).toBe('trim')
    // Where it was seen at the timing position before, it still is.
    expect(guardAfter([...offAtPose, set]).verdict).toBe('trim')
  })
  test('a rag in is a few degrees round where it went in, and no more', () => {
    expect(guardAfter([...ready, item('rag'), turned(3)]).limit).toMatchObject({ forwardDeg: 1, backDeg: 7 })
    expect(guardAfter([...ready, item('rag'), turned(3), turned(3)]).verdict).toBe('doNotTurn')
  })
})

describe('where it came undone', () => {
  test('half a cycle from the timing position is not the timing position', () => {
    expect(codes(guardAfter([...ready, turned(360), chain('off')]))).toEqual(['loopOffAwayFromPose'])
    expect(codes(guardAfter([...ready, turned(720), chain('off')]))).toContain('loopOff')
  })
  test('"it stands at the timing position", with no turn written, does not wipe out where the chain came off', () => {
    const away = [...ready, turned(90), chain('off')]
    const claimed = guardAfter([...away, atPose])
    expect(claimed.verdict).toBe('doNotTurn')
    expect(claimed.reasons.map(({ code }) => code)).toContain('placeContradicted')
    // Turned back, and the turn written, it does stand there.
    expect(guardAfter([...away, turned(-90), atPose]).verdict).toBe('trim')
  })
  test('the ledger was wrong, by somebody’s eye: then round the timing position', () => {
    const newEntries = [...ready, turned(90), chain('off'), atPose]
    const { live } = stateAfter(newEntries)
    const claim = live.at(-1)?.id ?? ''
    const entries = write(
      write([], firstJob, newEntries).map((entry, i, all) => (i === all.length - 1 ? { ...entry, id: claim } : entry)),
      firstJob,
      [{ kind: 'settled', part: { about: 'crank', id: claim, is: 'asSeen' }, role: 'fitter' }],
    )
    expect(judged(entries, firstJob, [oneChainSheet()], [firstJob]).guard).toMatchObject({
      verdict: 'trim',
      limit: { forwardDeg: 4, backDeg: 4 },
    })
  })
})

describe('a new job takes over what the last one left', () => {
  test.each<[string, NewEntry[], string[]]>([
    ['the chain off', offAtPose, ['loopOffLookAgain']],
    ['the stop in', [...ready, item('stop')], ['stopIn']],
    ['caps loose', [...ready, item('capsLoose')], ['capsLoose']],
    ['a chain on and not counted', [...offAtPose, chain('on'), tensioner('released')], ['loopNotCounted']],
    ['a tensioner nobody spoke of', [...offAtPose, chain('on'), counted(29)], ['tensionerNotReleased']],
  ])('%s', (_name, newEntries, said) => {
    const entries = write(write([], firstJob, newEntries), second, madeSafe)
    expect(codes(judged(entries, second).guard)).toEqual(said)
  })
  test('making safe never carries over; a signed job is not made safe any more', () => {
    const first = write([], firstJob, ready)
    expect(codes(judged(first, second).guard)).toEqual(['makeSafeNotDone'])
    const signed = write(first, firstJob, [{ kind: 'close', role: 'fitter', reason: '' }])
    expect(codes(judged(signed).guard)).toEqual(['jobClosed'])
  })
  test('the crank’s place goes on as reckoned, and is no place to take a chain off by; the half is not taken for proved', () => {
    const first = write([], firstJob, [...ready, turned(40)])
    const { state } = judged(first, second)
    expect(state.crank).toMatchObject({ deg: 40, doubt: 'reckoned', totalDeg: 0 })
    expect(state.zero).toBeUndefined()
    expect(state.zeroBefore).toMatchObject({ jobId: 'job', zero: { wheelDeg: 5 } })
    expect(state.half.known).toBe('unknown')
    const off = write(first, second, [...madeSafe, turned(-40), chain('off')])
    expect(codes(judged(off, second).guard)).toEqual(['loopOffPlaceUnknown'])
  })
  test('what was proved in one is as good as it came in the next, and a count as found is a count', () => {
    const first = write([], firstJob, [...offAtPose, chain('on'), counted(29), tensioner('released')])
    expect(judged(first, second).state.loops[ids.chain]).toMatchObject({ on: true, proof: 'asArrived' })
    const out = write(first, second, [...madeSafe, counted(19, 'found')])
    expect(codes(judged(out, second).guard)).toEqual(['camshaftReadsOut'])
  })
  test('a hub moved in one wants the same of the counts in the next', () => {
    const hub: BuildSheet = oneChainSheet({
      adjusters: [{ id: 'hub', kind: 'hub', memberId: ids.camSprocket, positions: 19 }],
    })
    const tooth = 360 / 38 / 0.5
    const first = write([], firstJob, [
      ...offAtPose,
      { kind: 'adjusted', adjusterId: 'hub', words: 'one on', laterDeg: tooth },
      chain('on'),
      counted(28),
      tensioner('released'),
    ])
    expect(judged(first, firstJob, [hub]).guard.verdict).toBe('turn')
    const asFound = judged(write(first, second, [...madeSafe, ...halfProved, counted(28, 'found')]), second, [hub])
    expect(asFound.guard.verdict).toBe('turn')
    expect(asFound.state.timing[ids.cam]?.found?.latenessDeg).toBeCloseTo(0, 6)
    const again = [...madeSafe, ...halfProved, atPose, chain('off'), chain('on'), tensioner('released')]
    expect(judged(write(first, second, [...again, counted(28)]), second, [hub]).guard.verdict).toBe('turn')
    expect(codes(judged(write(first, second, [...again, counted(29)]), second, [hub]).guard)).toEqual([
      'loopCountedOut',
    ])
  })
  test('jobs that two devices opened under one number are told apart', () => {
    const jobs = [firstJob, { ...second, id: 'job-b' }, { ...second, id: 'job-a' }]
    expect([...jobLabels(jobs)]).toEqual([
      ['job', '1'],
      ['job-a', '2a'],
      ['job-b', '2b'],
    ])
  })
})

describe('a newer build sheet forgets nothing', () => {
  const next = redrawn(oneChainSheet(), 2)
  const adopt: NewEntry = { kind: 'sheet', toSheetId: next.id }
  const sheets = [oneChainSheet(), next]
  const newLoop = next.loops[0]?.id ?? ''
  const drawnAnew = write(write([], firstJob, offAtPose), firstJob, [adopt], 'd-1', next.id)
  const then = (...newEntries: NewEntry[]) =>
    judged(write(drawnAnew, firstJob, newEntries, 'd-1', next.id), firstJob, sheets, [firstJob]).guard
  test('a chain that was off and is drawn anew under another id: both are asked about', () => {
    const { reasons } = then()
    expect(reasons.map(({ code, targetId, vanished }) => [code, targetId, vanished])).toEqual(
      expect.arrayContaining([
        ['loopOff', ids.chain, 'Chain'],
        ['loopNewOnSheet', newLoop, undefined],
      ]),
    )
    expect(then().verdict).toBe('unknown')
  })
  test('it is now the other one: off under the new id', () => {
    const became: NewEntry = {
      kind: 'settled',
      part: { about: 'loop', id: ids.chain, is: 'became', became: newLoop },
      role: '',
    }
    expect(codes(then(became, { kind: 'tensioner', memberId: ids.tensioner, state: 'released' }))).toEqual(['loopOff'])
  })
  test('gone for good, and the new one said to be on: still to be counted', () => {
    const gone: NewEntry = { kind: 'settled', part: { about: 'loop', id: ids.chain, is: 'gone' }, role: '' }
    const on: NewEntry = { kind: 'loop', loopId: newLoop, change: 'on' }
    expect(codes(then(gone, tensioner('released')))).toEqual(['loopNewOnSheet'])
    expect(codes(then(gone, on, tensioner('released')))).toEqual(['loopNotCounted'])
  })
  test('before anything of the drive was touched, a chain drawn anew is one that came with the engine', () => {
    const entries = write(write([], firstJob, ready), firstJob, [adopt], 'd-1', next.id)
    expect(judged(entries, firstJob, sheets, [firstJob]).guard.verdict).toBe('turn')
  })
})

describe('proof', () => {
  const sheet = twoBankSheet()
  const say = (change: 'apart' | 'together', steps = 0): NewEntry => ({
    kind: 'coupling',
    couplingId: 'quill',
    change,
    steps,
  })
  const reads = (shaftId: string, wheelDeg: number, phase: 'found' | 'set' = 'set'): NewEntry => ({
    kind: 'camMark',
    shaftId,
    markId: 'cam-mark-b',
    phase,
    approach: 'running',
    wheelDeg,
  })
  const refitted = [...ready, atPose, say('apart'), say('together', 10)]
  test('put together ten places on: not free by a reading taken before, nor by one of another camshaft', () => {
    expect(codes(guardAfter([...ready, atPose, reads('cam-c', 5), say('apart'), say('together', 10)], sheet))).toEqual([
      'couplingNotRead',
    ])
    expect(codes(guardAfter([...refitted, reads('cam-a', 5)], sheet))).toEqual(['couplingNotRead'])
    expect(guardAfter([...refitted, reads('cam-c', 5)], sheet).verdict).toBe('turn')
  })
  test('a reading that says out holds, early or late, until it is struck or two in a row agree that it is in', () => {
    const out = [...refitted, reads('cam-c', 105)]
    expect(guardAfter(out, sheet)).toMatchObject({ verdict: 'trim', limit: { forwardDeg: 4 } })
    expect(codes(guardAfter(out, sheet))).toEqual(['camshaftReadsOut'])
    expect(codes(guardAfter([...refitted, reads('cam-c', 265)], sheet))).toEqual(['camshaftReadsOut'])
    const contradicted = guardAfter([...out, reads('cam-c', 5)], sheet)
    expect(contradicted.reasons).toMatchObject([{ code: 'camshaftReadsOut', latenessDeg: 100, disagrees: true }])
    expect(guardAfter([...out, reads('cam-c', 5), reads('cam-c', 6)], sheet).verdict).toBe('turn')
    const first = [...refitted, reads('cam-c', 5), reads('cam-c', 105)]
    expect(codes(guardAfter([...first, reads('cam-c', 5)], sheet))).toEqual(['camshaftReadsOut'])
  })
  test('seen at its mark: only with the crank where it is known to stand', () => {
    const meets: NewEntry = { kind: 'camSet', shaftId: 'cam-c', offDeg: 0 }
    expect(guardAfter([...refitted, meets], sheet).verdict).toBe('turn')
    expect(guardAfter([...madeSafe, say('apart'), say('together'), meets], sheet).verdict).not.toBe('turn')
    expect(codes(guardAfter([...refitted, { ...meets, offDeg: 20 }], sheet))).toEqual(['camshaftReadsOut'])
    expect(guardAfter([...refitted, { ...meets, conditions: ['gearAstern'] }], sheet).verdict).not.toBe('turn')
  })
  test('one bank hung anew and counted, the other reads out as it ran: free the running way, unless they share a cylinder', () => {
    const sheet = twoBankSheet()
    const ran: NewEntry = { kind: 'ranUntilNow', says: 'yes', role: 'owner' }
    const reads = (shaftId: string, markId: string): NewEntry => ({
      kind: 'camMark',
      shaftId,
      markId,
      phase: 'found',
      approach: 'running',
      wheelDeg: 60,
    })
    const bank = (change: 'off' | 'on'): NewEntry => ({ kind: 'loop', loopId: 'chain-b', change })
    const right = { ...counted(29), loopId: 'chain-b', fromMarkId: 'cam-mark-b', toMarkId: 'crank-mark-b' } as NewEntry
    const anew = [
      bank('off'),
      bank('on'),
      right,
      tensioner('released'),
      { ...tensioner('released'), memberId: 'tensioner-b' } as NewEntry,
    ]
    const after = (...before: NewEntry[]) => guardAfter([...ready, ...before, atPose, ...anew], sheet)
    expect(after(ran, reads('cam-a', 'cam-mark-a'))).toMatchObject({ verdict: 'turn', onlyRunning: true })
    expect(after(reads('cam-a', 'cam-mark-a')).verdict).not.toBe('turn')
    // Both work valves of one cylinder: what was moved may now meet what was not.
    const shared = { ...sheet, cams: sheet.cams.map((cam) => ({ ...cam, cylinderId: 'cyl-1' })) }
    expect(guardAfter([...ready, ran, reads('cam-a', 'cam-mark-a'), atPose, ...anew], shared).verdict).not.toBe('turn')
  })
  test('a count ten pitches out as found holds; that it ran so frees it the running way, until something is touched', () => {
    const out = counted(19, 'found')
    const ran: NewEntry = { kind: 'ranUntilNow', says: 'yes', role: 'owner' }
    expect(guardAfter([...ready, out])).toMatchObject({ verdict: 'trim', onlyRunning: false })
    expect(guardAfter([...ready, { ...ran, says: 'notKnown' }, out]).verdict).toBe('trim')
    expect(guardAfter([...ready, ran, out])).toMatchObject({ verdict: 'turn', onlyRunning: true })
    const loosened = [...ready, ran, out, atPose, chain('off'), chain('on'), tensioner('released')]
    expect(codes(guardAfter(loosened))).toEqual(['loopNotCounted'])
    // Said after something was touched it says nothing.
    expect(codes(guardAfter([...ready, atPose, chain('off'), chain('on'), tensioner('released'), ran]))).toEqual([
      'loopNotCounted',
    ])
  })
  test('how far out is safe: one tooth, never more than 20°, or the sheet’s own figure', () => {
    const late = (deg: number) => guardAfter([...ready, camMark(5 + deg, 'found')]).verdict
    // One tooth of 38 at half speed is 18.95°; two sigma of a mark by eye on this wheel 1.1°.
    expect(late(17)).toBe('turn')
    expect(late(18.5)).toBe('trim')
    const coarse = oneChainSheet({
      members: oneChainSheet().members.map((one) => (one.id === ids.camSprocket ? { ...one, teeth: known(20) } : one)),
    })
    expect(guardAfter([...ready, camMark(25, 'found')], coarse).verdict).toBe('trim')
    const own = oneChainSheet({ safeOutDeg: known(5) })
    expect(guardAfter([...ready, camMark(13, 'found')], own).verdict).toBe('trim')
  })
  test('one reading out makes the rest of that camshaft’s way suspect when only a part of it is mended', () => {
    const mended: NewEntry[] = [
      ...ready,
      atPose,
      reads('cam-c', 105, 'found'),
      { kind: 'loop', loopId: 'chain-b', change: 'off' },
      { kind: 'loop', loopId: 'chain-b', change: 'on' },
      {
        kind: 'count',
        loopId: 'chain-b',
        fromMarkId: 'cam-mark-b',
        toMarkId: 'crank-mark-b',
        run: 'tight',
        rule: 'lastOnly',
        counted: 29,
        phase: 'set',
      },
      { kind: 'tensioner', memberId: 'tensioner-b', state: 'released' },
    ]
    expect(codes(guardAfter(mended, sheet))).toEqual(['couplingNotRead'])
    expect(guardAfter([...mended, reads('cam-c', 5)], sheet).verdict).toBe('turn')
  })
  test('of one chain round two camshafts a count proves the one that it reaches', () => {
    const twin = sheetWithDrive(
      'twinCam',
      { 'crank-sprocket': 19, 'exhaust-sprocket': 38, 'inlet-sprocket': 38 },
      {
        interference: { value: 'yes', typed: 'yes', trust: 'manual' },
      },
    )
    const count = (from: string, to: string): NewEntry =>
      ({ ...countedFrom('chain', from, to, 30), phase: 'set' }) as NewEntry
    const fitted: NewEntry[] = [...ready, atPose, chain('off'), chain('on'), tensioner('released')]
    const one = [...fitted, count('inlet-sprocket', 'crank-sprocket')]
    expect(codes(guardAfter(one, twin))).toEqual(['loopNotCounted'])
    expect(guardAfter([...one, count('exhaust-sprocket', 'inlet-sprocket')], twin).verdict).toBe('turn')
    const read: NewEntry = { ...reads('exhaust-cam', 5), markId: 'mark-exhaust-sprocket' } as NewEntry
    expect(guardAfter([...one, read], twin).verdict).toBe('turn')
  })
  test('a sprocket set otherwise on its shaft wants its chain counted by the new figures', () => {
    const hub = oneChainSheet({ adjusters: [{ id: 'hub', kind: 'hub', memberId: ids.camSprocket, positions: 19 }] })
    const moved: NewEntry = { kind: 'adjusted', adjusterId: 'hub', words: 'one on', laterDeg: 360 / 38 / 0.5 }
    expect(codes(guardAfter([...ready, moved], hub))).toEqual(['loopNotCounted'])
    expect(codes(guardAfter([...ready, moved, counted(29)], hub))).toEqual(['loopCountedOut'])
    expect(guardAfter([...ready, moved, counted(28)], hub).verdict).toBe('turn')
  })
  test('a tensioner that nobody spoke of is not released once its chain was off', () => {
    expect(codes(guardAfter([...ready, atPose, chain('off'), chain('on'), counted(29)]))).toEqual(['tensionerNotSaid'])
  })
})

describe('relief and camshafts', () => {
  const relief = (
    of: Extract<NewEntry, { kind: 'item' }>['of'],
    where = '',
    change: 'in' | 'out' = 'in',
  ): NewEntry => ({
    kind: 'item',
    itemId: 'relief',
    item: 'valvesRelieved',
    where,
    change,
    ...(of ? { of } : {}),
  })
  const sheet = twoBankSheet()
  const offB: NewEntry[] = [...ready, turned(90), { kind: 'loop', loopId: 'chain-b', change: 'off' }]
  test('words free nothing; every valve, or all that the loose camshafts work, does', () => {
    expect(guardAfter([...offB, relief(undefined, 'cylinder 1 inlet only')], sheet).verdict).toBe('doNotTurn')
    expect(guardAfter([...offB, relief({ what: 'cylinder', id: CYL })], sheet).verdict).toBe('doNotTurn')
    expect(guardAfter([...offB, relief({ what: 'cylinder', id: 'cyl-2' })], sheet).verdict).toBe('turn')
    expect(guardAfter([...offB, relief({ what: 'all' })], sheet).verdict).toBe('turn')
    // As it was written before whose could be said.
    expect(guardAfter([...offB, relief(undefined)], sheet).verdict).toBe('turn')
  })
  test('relieved no more: the trim is over', () => {
    const newEntries = [
      ...ready,
      atPose,
      { kind: 'loop', loopId: 'chain-b', change: 'off' } as const,
      relief({ what: 'all' }),
    ]
    expect(codes(guardAfter([...newEntries, turned(90), relief({ what: 'all' }, '', 'out')], sheet))).toContain(
      'loopOff',
    )
    expect(guardAfter([...newEntries, turned(90), relief({ what: 'all' }, '', 'out')], sheet).verdict).toBe('doNotTurn')
  })
  const camshaft = (shaftId: string, is: Extract<NewEntry, { kind: 'camshaft' }>['is']): NewEntry => ({
    kind: 'camshaft',
    shaftId,
    is,
  })
  const open = (
    kind: 'headOff' | 'linersClamped' | 'heldTaut' | 'loopAway',
    of?: Extract<NewEntry, { kind: 'item' }>['of'],
    change: 'in' | 'out' = 'in',
  ): NewEntry => ({ kind: 'item', itemId: kind, item: kind, where: '', change, ...(of ? { of } : {}) })
  const held = open('heldTaut')
  test('a camshaft out, or held with every valve seen shut, meets nothing; free again, or let go, it does', () => {
    const both = (...newEntries: NewEntry[]) =>
      guardAfter([...offB, camshaft('cam-c', 'out'), held, ...newEntries], sheet).verdict
    expect(both()).toBe('doNotTurn')
    expect(both(camshaft('cam-b', 'out'))).toBe('turn')
    expect(both(camshaft('cam-b', 'held'))).toBe('doNotTurn')
    expect(both(camshaft('cam-b', 'held'), camshaft('cam-b', 'seenShut'))).toBe('turn')
    expect(both(camshaft('cam-b', 'held'), camshaft('cam-b', 'seenShut'), camshaft('cam-b', 'free'))).toBe('doNotTurn')
    // Of one that is free it cannot be said.
    expect(both(camshaft('cam-b', 'free'), camshaft('cam-b', 'seenShut'))).toBe('doNotTurn')
    expect(
      both(camshaft('cam-b', 'held'), camshaft('cam-b', 'seenShut'), { kind: 'camSet', shaftId: 'cam-b', offDeg: 3 }),
    ).toBe('doNotTurn')
  })
  const camshaftsOut = ['cam-b', 'cam-c'].map((id) => camshaft(id, 'out'))
  test('a chain that hangs where its camshaft is out is held or taken away before the crank turns', () => {
    const after = (...newEntries: NewEntry[]) => guardAfter([...offB, ...camshaftsOut, ...newEntries], sheet)
    expect(codes(after())).toContain('loopHangs')
    expect(after().verdict).toBe('doNotTurn')
    expect(after(held).verdict).toBe('turn')
    expect(after(open('loopAway', { what: 'loop', id: 'chain-b' })).verdict).toBe('turn')
    expect(after(open('loopAway', { what: 'loop', id: 'chain-a' })).verdict).toBe('doNotTurn')
    expect(after(held, open('heldTaut', undefined, 'out')).verdict).toBe('doNotTurn')
  })
  test('with every head off no valve meets its piston, but for one that no spring shuts; a stop in a cylinder still holds', () => {
    const heads = [...offB, held, open('headOff', { what: 'all' })]
    const of = (valvesShutBy: 'desmodromic' | 'opposedPistons') => guardAfter(heads, { ...sheet, valvesShutBy }).verdict
    expect(guardAfter(heads, sheet).verdict).toBe('turn')
    expect([of('desmodromic'), of('opposedPistons')]).toEqual(['doNotTurn', 'doNotTurn'])
    expect(guardAfter([...heads, item('lock')], sheet).verdict).toBe('doNotTurn')
    expect(guardAfter([...heads, open('headOff', { what: 'all' }, 'out')], sheet).verdict).not.toBe('turn')
    // It ends with the first camshaft that goes in.
    const one = [...offB, held, ...camshaftsOut, camshaft('cam-b', 'free')]
    expect(guardAfter(one, sheet).verdict).toBe('doNotTurn')
  })
  test('wet liners are clamped before the crank turns with their head off', () => {
    const wet = { ...sheet, wetLiners: true }
    const heads = [...offB, held, open('headOff', { what: 'all' })]
    expect(codes(guardAfter(heads, wet))).toContain('linersNotClamped')
    expect(guardAfter(heads, wet).verdict).toBe('doNotTurn')
    expect(guardAfter([...heads, open('linersClamped', { what: 'all' })], wet).verdict).toBe('turn')
    expect(guardAfter([...heads, open('linersClamped', { what: 'bank', id: 'nowhere' })], wet).verdict).toBe(
      'doNotTurn',
    )
  })
  test('held and driven: the crank does not move', () =>
    expect(codes(guardAfter([...ready, camshaft('cam-a', 'held')], sheet))).toEqual(['camshaftHeld']))
  test('a free engine with everything off is still told of its tensioner', () => {
    const free = oneChainSheet({ interference: { value: 'no', typed: 'no', trust: 'manual' } })
    const guard = guardAfter(offAtPose, free)
    expect(guard.verdict).toBe('turn')
    expect(guard.reasons.map(({ code }) => code)).toContain('tensionerNotReleased')
  })
})

describe('two devices, merged', () => {
  const before = write([], firstJob, ready)
  const one = (...newEntries: NewEntry[]) => write(before, firstJob, newEntries, 'd-1')
  const two = (...newEntries: NewEntry[]) => write(before, firstJob, newEntries, 'd-2')
  const both = (a: readonly Entry[], b: readonly Entry[]) =>
    judged(merged(a, b), firstJob, [oneChainSheet()], [firstJob])
  test('off by one and on by the other, neither knowing: nobody knows, until somebody looked', () => {
    const apart = merged(one(atPose, chain('off')), two(chain('off'), chain('on')))
    const { guard, state } = judged(apart, firstJob, [oneChainSheet()], [firstJob])
    expect(codes(guard)).toContain('loopSaidTwoWays')
    expect(state.stand.disputes).toHaveLength(1)
    const settled = (is: 'on' | 'off'): NewEntry => ({
      kind: 'settled',
      part: { about: 'loop', id: ids.chain, is },
      role: 'fitter',
    })
    const looked = (is: 'on' | 'off') =>
      codes(
        judged(write(apart, firstJob, [settled(is), tensioner('released')]), firstJob, [oneChainSheet()], [firstJob])
          .guard,
      )
    expect(looked('on')).toEqual(['loopNotCounted'])
    expect(looked('off')).toEqual(['loopOff'])
  })
  test('a stop is not taken out by another’s earlier "out"', () => {
    const { guard } = both(one(item('stop')), two(item('stop'), item('stop', 'out')))
    expect(codes(guard)).toEqual(['itemSaidTwoWays', 'stopIn'])
  })
  test('a count by somebody who did not know that the chain was moved proves nothing', () => {
    const fitted = write(before, firstJob, [atPose, chain('off'), chain('on'), tensioner('released')])
    const moved = write(fitted, firstJob, [{ kind: 'moved', loopId: ids.chain, memberId: ids.camSprocket, teeth: 1 }])
    const count = write(fitted, firstJob, [turned(0), counted(29)], 'd-2')
    expect(codes(both(moved, count).guard)).toEqual(['loopNotCounted'])
  })
  test('turned on both: where it stands is not known, nor how far it was trimmed', () => {
    const off = write(before, firstJob, [atPose, chain('off')])
    const { state, guard } = both(write(off, firstJob, [turned(2)]), write(off, firstJob, [turned(2)], 'd-2'))
    expect(guard.verdict).toBe('unknown')
    expect(state.stand.disputes.map(({ about }) => about)).toEqual(['crank'])
  })
  test('work that overlaps is found, and only that', () => {
    const mine = one(turned(10))
    const theirs = two(item('rag'), turned(20))
    const all = merged(mine, theirs)
    const written = new Set(all.slice(before.length).map(({ id }) => id))
    expect(overlappingWork([firstJob], all)).toEqual(written)
    expect(overlappingWork([firstJob], write(all, firstJob, [turned(1)]))).toEqual(written)
    expect(overlappingWork([firstJob], write(mine, firstJob, [turned(1)], 'd-2')).size).toBe(0)
  })
  test('one hand after the other, each knowing what was written: no dispute', () => {
    const first = write(before, firstJob, [atPose, chain('off')], 'd-1')
    const then = write(first, firstJob, [chain('on'), counted(29), tensioner('released')], 'd-2')
    const { state, guard } = judged(then, firstJob, [oneChainSheet()], [firstJob])
    expect(state.stand.disputes).toEqual([])
    expect(guard.verdict).toBe('turn')
  })
})

describe('workshops from before', () => {
  const old = (entries: readonly Entry[]) =>
    entries.map((entry, i): Entry => {
      const { seen: _seen, ...rest } = entry
      return { ...rest, counter: i + 1 } as Entry
    })
  test('of one device have no overlaps, and their jobs follow their numbers', () => {
    const first = old(write([], firstJob, offAtPose))
    const next = old(write([], second, madeSafe))
    const { state, guard } = judged([...next, ...first], second)
    expect(state.stand.disputes).toEqual([])
    expect(codes(guard)).toEqual(['loopOffLookAgain'])
  })
  test('of two devices whose counters interleave in one job: what they disagree on is not known', () => {
    const mine = old(write([], firstJob, [...ready, atPose, chain('off')]))
    const theirs = old(write([], firstJob, [...ready, atPose, chain('on')], 'd-2'))
    expect(codes(judged([...mine, ...theirs], firstJob, [oneChainSheet()], [firstJob]).guard)).toContain(
      'loopSaidTwoWays',
    )
  })
  test('of two devices, one taking over from the other: a counter that goes on shows that it knew', () => {
    const all = old(
      write(
        write([], firstJob, [...ready, atPose, chain('off')]),
        firstJob,
        [chain('on'), counted(29), tensioner('released')],
        'd-2',
      ),
    )
    const { state, guard } = judged(all, firstJob, [oneChainSheet()], [firstJob])
    expect(state.stand.disputes).toEqual([])
    expect(guard.verdict).toBe('turn')
  })
  test('two jobs with one number, by two devices, overlap', () => {
    const mine = old(write([], firstJob, [...ready, atPose, chain('off')]))
    const twin = { ...firstJob, id: 'job-twin', at: '2026-01-06T08:00:00.000Z' }
    const theirs = old(write([], twin, [...ready, atPose, chain('on')], 'd-2'))
    const jobs = [firstJob, twin]
    expect(codes(judged([...mine, ...theirs], twin, [oneChainSheet()], jobs).guard)).toContain('loopSaidTwoWays')
  })
})

test('nothing written at all is not a place to turn from', () => {
  expect(guardAfter([]).verdict).toBe('doNotTurn')
  expect(guardAfter([degreeWheel, stops(340, 30), atTdc, saw('thumb', 'firing')]).verdict).toBe('doNotTurn')
})

/* 290 of the cycle is a camshaft's own place, 650 is not, and one mark is seen at both. Independently worked out. */
describe('claims that go against each other', () => {
  test('one of them settled is no place of its own on the other turn', () => {
    const sheet = ownPlaceSheet()
    const claims: NewEntry[] = [
      saw('thumb', 'firing'),
      { ...atPose, shaftId: 'cam-b' } as NewEntry,
      atPose,
      { kind: 'coupling', couplingId: 'quill', change: 'apart', steps: 0 },
      { ...atPose, shaftId: 'cam-c' } as NewEntry,
    ]
    const before = write([], firstJob, [...madeSafe, ...claims])
    const last = before.at(-1)?.id ?? ''
    const all = [
      ...before,
      ...write(before, firstJob, [
        { kind: 'settled', role: 'fitter', part: { about: 'crank', id: last, is: 'asSeen' } },
      ]),
    ]
    const state = foldJob({ job: firstJob, sheets: [sheet], entries: all })
    expect(state.crank.deg).toBe(650)
    expect(judgeGuard(sheet, state).verdict).toBe('unknown')
  })
})
