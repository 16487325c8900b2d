import { describe, expect, test } from 'vitest'
import { holdsOf, registerItems } from '.'
import type { ItemKind } from '../model'

describe('what each thing on the register holds', () => {
  const kinds = Object.keys(registerItems) as ItemKind[]
  test('nothing starts while anything is on it', () => {
    for (const kind of kinds) expect(holdsOf(kind)).toContain('starting')
  })
  test('a job closes over what isolates, and over nothing else', () =>
    expect(kinds.filter((kind) => !holdsOf(kind).includes('closing'))).toEqual([
      'airShut',
      'batteryOff',
      'fuelShut',
      'oilShut',
      'turningGear',
      'startBlocked',
      'magnetoEarthed',
      'propellerHeld',
    ]))
  test('locks hold torque; what is provisional holds no turning', () => {
    expect(kinds.filter((kind) => holdsOf(kind).includes('torquing'))).toEqual(['lockingPin', 'lock'])
    for (const kind of ['tabsNotBent', 'notTight', 'toBeChanged'] as const)
      expect(holdsOf(kind)).toEqual(['closing', 'starting'])
    for (const kind of ['rag', 'towel', 'magnet', 'tie'] as const) expect(holdsOf(kind)).toContain('turning')
  })
})
