import { expect, test } from 'vitest'
import { CAUSES } from '@link-count/core/diagnose'
import { registerItems } from '@link-count/core/ledger'
import type { Adjuster, ItemKind } from '@link-count/core/model'
import { adjusterName, causeWords, itemSentence, itemWords, nounsOf, nounsOfAll } from '.'
import { oneChainSheet } from '@link-count/core/testing/oneChain'

const distinct = (words: readonly string[]) => expect(new Set(words).size).toBe(words.length)

test('causes, adjusters and things on the register are told apart by their words', () => {
  distinct(CAUSES.map((code) => causeWords[code].name))
  const kinds: readonly Adjuster['kind'][] = ['chainTooth', 'hub', 'keyway', 'offsetKey', 'slots', 'taper']
  distinct(kinds.map(adjusterName))
  const items = Object.keys(registerItems) as ItemKind[]
  distinct(items.map((item) => itemSentence({ item, where: '' }, oneChainSheet())))
  for (const item of items) expect(itemWords[item].free, item).toMatch(/^[A-Z]/)
})

test('what is in a cylinder or holds a camshaft never lets the crank turn freely', () => {
  for (const [item, { inCylinder, stopsCamshafts, turning }] of Object.entries(registerItems))
    if (inCylinder || stopsCamshafts) expect(turning, item).not.toBe('turn')
})

test('all loops of an engine at once: of one sort by its name, of both by both, of none as a chain', () => {
  const [roller, toothed, belt] = [
    { kind: 'rollerChain' as const },
    { kind: 'invertedToothChain' as const },
    { kind: 'toothedBelt' as const },
  ]
  expect(nounsOfAll([]).loop).toBe('chain')
  expect(nounsOfAll([roller, toothed]).loop).toBe('chain')
  expect(nounsOfAll([belt, belt]).wheels).toBe('pulleys')
  expect(nounsOfAll([roller, belt]).loop).toBe('chain or belt')
  expect([roller, toothed, belt].map((one) => nounsOf(one).counted.many)).toEqual(['pins', 'links', 'teeth'])
})
