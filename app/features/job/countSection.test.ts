import { describe, expect, test } from 'vitest'
import { countedFrom, sheetWithDrive, stagedTeeth } from '@link-count/core/testing/sheetWithDrive'
import { oneChainSheet } from '@link-count/core/testing/oneChain'
import { viewOf } from '../../testing/viewOf'
import { countablesOf, inHandOf, loopsOf, phaseOf, spokenMember } from './countSection'
import { nounsOf } from '../../ui/wording'

const staged = sheetWithDrive('twoStage', stagedTeeth)
const view = (...newEntries: Parameters<typeof viewOf>[0]) => viewOf(newEntries, staged)
const stepOf = (kind: 'asFound' | 'chainOnCount' | 'twoTurns' | 'makeSafe', targetId?: string) => {
  const found = view().steps.find(
    ({ step }) => step.kind === kind && (targetId === undefined || step.targetIds.includes(targetId)),
  )
  if (!found) throw new Error(kind)
  return found.step
}

describe('what is counted in a step', () => {
  test('as found every loop on the way to its camshaft, as set its own, as left all', () => {
    const ids = (step: ReturnType<typeof stepOf>) => loopsOf(step, view()).map(({ id }) => id)
    expect(ids(stepOf('asFound', 'inlet-cam'))).toEqual(['lower', 'upper'])
    expect(ids(stepOf('chainOnCount', 'upper'))).toEqual(['upper'])
    expect(ids(stepOf('twoTurns'))).toEqual(['lower', 'upper'])
    expect(ids(stepOf('makeSafe'))).toEqual([])
  })
  test('and under which phase it is written', () => {
    expect(phaseOf(stepOf('asFound'))).toBe('found')
    expect(phaseOf(stepOf('chainOnCount'))).toBe('set')
    expect(phaseOf(stepOf('twoTurns'))).toBe('left')
    expect(phaseOf(stepOf('makeSafe'))).toBeUndefined()
  })
  test('pulled runs come first; the first that is not counted is in hand, or the one that was chosen', () => {
    const step = stepOf('asFound', 'inlet-cam')
    const all = countablesOf(step, view())
    expect(all.map(({ section }) => section.from.memberId)).toContain('inlet-sprocket')
    const lower = countedFrom('lower', 'middle-large', 'crank-sprocket', 30)
    const after = countablesOf(step, view(lower))
    expect(after.find(({ written }) => written)?.written).toMatchObject({ counted: 30, loopId: 'lower' })
    expect(inHandOf(after, '')?.loop.id).toBe('upper')
    const chosen = after.at(-1)
    expect(inHandOf(after, chosen?.section.id ?? '')).toBe(chosen)
    expect(inHandOf([], '')).toBeUndefined()
  })
  test('a count of another phase is not this step’s', () => {
    const step = stepOf('chainOnCount', 'lower')
    const found = countedFrom('lower', 'middle-large', 'crank-sprocket', 30)
    expect(countablesOf(step, view(found)).every(({ written }) => !written)).toBe(true)
  })
  test('each speaks of the sprocket upstream of it', () => {
    const countable = countablesOf(stepOf('chainOnCount', 'lower'), view()).find(
      ({ section }) => section.run === 'tight',
    )
    expect(countable && spokenMember(view(), countable)?.member.id).toBe('middle-large')
  })
})

test('pins of a roller chain, links of an inverted-tooth chain, teeth of a belt', () => {
  const [loop] = oneChainSheet().loops
  if (!loop) throw new Error('no loop')
  expect(
    (['rollerChain', 'invertedToothChain', 'toothedBelt'] as const).map((kind) => nounsOf({ kind }).counted.one),
  ).toEqual(['pin', 'link', 'tooth'])
})
