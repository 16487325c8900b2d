import { expect, test } from 'vitest'
import { beginSheet, TOPOLOGIES, type Topology } from '../starters'
import { readLoop } from '../ledger'
import { hangingOrder } from '.'
import { readDrive } from './readDrive'

const begin = (drive: Topology) =>
  beginSheet({
    id: 's',
    engineId: 'e',
    at: '2026-01-01T00:00:00.000Z',
    cylinders: 4,
    layout: 'vee',
    drive,
    guide: false,
    tensioner: true,
  })
const whole = (value: number) => ({ value, typed: String(value), trust: 'measured' as const })

test('a belt round four cams: the crank first, back along the pulled runs, the tensioner last', () => {
  const sheet = begin('fourCamBelt')
  const [belt] = sheet.loops
  if (!belt) throw new Error('no belt')
  const order = hangingOrder(sheet, belt, [])
  expect(order.map(({ memberId }) => memberId)).toEqual([
    'crank-pulley',
    'pulley-eb',
    'pulley-ib',
    'idler',
    'pulley-ia',
    'pulley-ea',
    'tensioner',
  ])
  expect(order.map(({ how }) => how)).toEqual(['first', 'pulled', 'pulled', 'pulled', 'pulled', 'pulled', 'slack'])
  expect(order.filter(({ passed }) => passed === 'outside').map(({ memberId }) => memberId)).toEqual([
    'idler',
    'tensioner',
  ])
})

test('the counts of the book say how many lie on each pulled run', () => {
  const sheet = begin('twinCam')
  const [chain] = sheet.loops
  if (!chain) throw new Error('no chain')
  const full = {
    ...sheet,
    members: sheet.members.map((one) =>
      one.kind === 'sprocket' ? { ...one, teeth: whole(one.shaftId === 'crank' ? 20 : 40) } : one,
    ),
    loops: [{ ...chain, pitches: whole(120) }],
    counts: [
      {
        id: 'c1',
        loopId: chain.id,
        fromMarkId: 'mark-inlet-sprocket',
        toMarkId: 'mark-crank-sprocket',
        run: 'tight' as const,
        pitches: whole(41),
      },
    ],
  }
  const { sections } = readLoop(full, full.loops[0] ?? chain, [])
  expect(
    hangingOrder(full, full.loops[0] ?? chain, sections).map(({ toBefore }) => toBefore?.expected?.pitches),
  ).toEqual([undefined, 41, undefined, undefined])
})

test.each(TOPOLOGIES)('%s: every part of a loop once, its driver first', (topology) => {
  const sheet = begin(topology)
  for (const loop of sheet.loops) {
    const order = hangingOrder(sheet, loop, [])
    expect(order[0]?.memberId).toBe(readDrive(sheet).driverOf(loop)?.id)
    expect(order.map(({ memberId }) => memberId).sort()).toEqual(loop.path.map(({ memberId }) => memberId).sort())
  }
})
