import { expect, test } from 'vitest'
import { oneChainSheet } from '../testing/oneChain'
import { twoBankSheet } from '../testing/walkSheets'
import { applyPlan, catalogueOf, idOfNext, makeRunSheet, whatItNeeds } from '.'

const steps = makeRunSheet(oneChainSheet())
const idsOf = (some: readonly { readonly id: string }[]) => some.map(({ id }) => id)
const line = (does: 'add' | 'leaveOut' | 'move', target: string, more: object = {}) => ({
  does,
  target,
  reason: '',
  ...more,
})

test('a step put in stands before the one that was named, else before the card', () => {
  const wear = { stepKind: 'wear' as const, targetIds: ['chain'] }
  const named = applyPlan(steps, [line('add', 'wear-2', { ...wear, before: 'setCam-camshaft' })]).steps
  expect(idsOf(named).indexOf('wear-2')).toBe(idsOf(named).indexOf('setCam-camshaft') - 1)
  expect(idsOf(applyPlan(steps, [line('add', 'wear-2', wear)]).steps).at(-2)).toBe('wear-2')
  // Never before it was made safe.
  expect(idsOf(applyPlan(steps, [line('add', 'wear-2', { ...wear, before: 'makeSafe' })]).steps)[1]).toBe('wear-2')
})

test('left out with a reason, it is remembered; making safe and the card are not left out', () => {
  const { steps: now, leftOut } = applyPlan(steps, [
    line('leaveOut', 'lashFound', { reason: 'no blades' }),
    line('leaveOut', 'makeSafe'),
    line('leaveOut', 'card'),
  ])
  expect(leftOut).toMatchObject([{ step: { id: 'lashFound' }, reason: 'no blades' }])
  expect(idsOf(now)).toContain('makeSafe')
  expect(idsOf(now)).toContain('card')
})

test('moved where it may stand; where it may not, what it needs is named and nothing moves', () => {
  expect(whatItNeeds(steps, 'lashFound', 'whichTdc-cyl-1')).toEqual([])
  const early = whatItNeeds(steps, 'chainOnCount-chain', 'poseChainOff-chain')
  expect(early.map(({ first, then }) => [then.id, first.id])).toContainEqual([
    'chainOnCount-chain',
    'poseChainOff-chain',
  ])
  expect(applyPlan(steps, [line('move', 'chainOnCount-chain', { before: 'poseChainOff-chain' })]).steps).toEqual(steps)
})

test('bank after bank a chain goes on before the other comes off', () => {
  const banks = makeRunSheet(twoBankSheet())
  expect(whatItNeeds(banks, 'poseChainOff-chain-b', 'chainOnCount-chain-a')).toEqual([])
  expect(whatItNeeds(banks, 'poseChainOff-chain-b', 'setCam-cam-a')).toEqual([])
})

test('once more under an id of its own; only what the engine has something for is in the catalogue', () => {
  const first = idOfNext(steps, 'wear')
  const twice = applyPlan(steps, [line('add', first, { stepKind: 'wear', targetIds: [] })]).steps
  expect(idOfNext(twice, 'wear')).not.toBe(first)
  // Several put in, one after the other: each is there.
  const ids = ['wear', 'wear', 'wear'].reduce<string[]>((some, _kind) => {
    const now = applyPlan(
      steps,
      some.map((id) => line('add', id, { stepKind: 'wear', targetIds: [] })),
    ).steps
    return [...some, idOfNext(now, 'wear')]
  }, [])
  expect(new Set(ids).size).toBe(3)
  expect(catalogueOf(oneChainSheet())).not.toContain('recouple')
  expect(catalogueOf({ ...oneChainSheet(), loops: [] })).not.toContain('wear')
})
