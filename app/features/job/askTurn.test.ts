import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import ts from 'typescript'
import { describe, expect, test } from 'vitest'
import type { NewEntry } from '@link-count/core/model'
import { PART_IDS as ids } from '@link-count/core/starters'
import {
  atPose,
  oneChainSheet,
  chain,
  degreeWheel,
  halfProved,
  item,
  madeSafe,
  stops,
  tensioner,
  turned,
} from '@link-count/core/testing/oneChain'
import { viewOf } from '../../testing/viewOf'
import { askTurn, type TurnAsk } from './askTurn'

const ready = [...madeSafe, ...halfProved]
const sheet = oneChainSheet()
const wordsTo = (deg: number, newEntries: readonly NewEntry[], side: 'timing' | 'opposite' = 'timing') =>
  askTurn({ to: { deg, words: 'the place' } }, viewOf(newEntries, sheet), side).words

describe('how to come to a place, from the side stood at', () => {
  test.each<[string, number, NewEntry[], string]>([
    ['there already', 0, ready, 'At the place. Hold it here'],
    ['on the running way', 90, ready, 'Turn 90.0° clockwise, seen from the timing side, to the place'],
    [
      'gone past',
      90,
      [...ready, turned(95, 'past')],
      'Gone past: back off 30.0° anticlockwise, then come up again to the place',
    ],
    ['something in the way', 90, [...ready, item('capsLoose')], 'Before turning to the place: tighten the caps'],
    ['not made safe', 90, [], 'Before turning to the place: tick what is left in Make safe'],
    ['nothing known', 90, madeSafe, 'Where the crank stands is not known yet: find TDC first'],
    [
      'TDC found and not which turn',
      90,
      [...madeSafe, degreeWheel, stops(340, 30)],
      'To the place: bring the wheel to 95.0°. Which turn it is on is not known',
    ],
    [
      'the same, with a lock in',
      90,
      [...madeSafe, degreeWheel, stops(340, 30), item('lock')],
      'Before turning to the place: take the lock off',
    ],
    [
      'the same, with the chain off',
      90,
      [...madeSafe, degreeWheel, stops(340, 30), chain('off')],
      'Before turning to the place: relieve every valve (rockers off), then find TDC',
    ],
    [
      'wheel and turns disagree',
      90,
      [...ready, turned(92, 'onMark', 200)],
      'Wheel and turns disagree by 103.0°: bring it to TDC and say so again',
    ],
    [
      'the zero in doubt',
      90,
      [...ready, turned(92, 'onMark', 200), { kind: 'wheelKnocked', what: 'wheel' }],
      'The zero is in doubt: read it again first',
    ],
    [
      'said to stand where the turns do not lead',
      90,
      [...ready, turned(90), atPose],
      'Where the crank stands and the turns written disagree: say which is wrong first',
    ],
  ])('%s', (_case, deg, newEntries, said) => expect(wordsTo(deg, newEntries)).toBe(said))
  test('the other hand from the other side', () =>
    expect(wordsTo(90, ready, 'opposite')).toBe('Turn 90.0° anticlockwise, seen from the flywheel side, to the place'))
})

/** What a sentence says that asks somebody to turn the engine. */
const ASKS =
  /\b((?<!should )turn (slowly|gently|back|on\b|it\b|by hand|\{|\d|clockwise|anticlockwise|the (crank|engine))|(bring|take) (the (wheel|crank|engine)|it) to\b|back off|come (up )?again|come to the marks|go on (all|one more)|rock (it|the crank)|swing it)/i

describe('no sentence asks for a turn that the guard does not let be done', () => {
  const meets = { mark: 'cam mark', meets: 'its pointer' }
  const asks: TurnAsk[] = [
    { to: { deg: 90, words: 'the place' } },
    { to: { deg: 2, words: 'the place' } },
    { ontoStop: 'first' },
    { ontoStop: 'second' },
    { untilMarkMeets: meets },
    { camshaftTo: meets },
    ...(['feel', 'dialPairs', 'lobeTop', 'marksAgain'] as const).map((forReading) => ({ forReading })),
    { proof: { turnedDeg: 0 } },
    { again: 'oneMoreTurn' },
    { again: 'seatShims' },
    { again: 'readAsLeft' },
  ]
  const held: [string, NewEntry[]][] = [
    ['not made safe', []],
    ['a lock in', [...ready, item('lock')]],
    ['caps loose', [...ready, item('capsLoose')]],
    ['a lock in and the stop in', [...ready, item('stop'), item('lock')]],
    ['the chain off, nobody knows where', [...madeSafe, chain('off')]],
    ['the chain off, turned out of the trim', [...ready, atPose, chain('off'), turned(5)]],
    ['the chain off and the stop in', [...ready, atPose, chain('off'), item('stop'), turned(5)]],
    ['place unknown, a lock in', [...madeSafe, degreeWheel, stops(340, 30), item('lock')]],
  ]
  test.each(held)('%s', (_name, newEntries) => {
    const view = viewOf(newEntries, sheet)
    expect(['doNotTurn', 'unknown']).toContain(view.guard.verdict)
    for (const ask of asks) {
      const { words, may } = askTurn(ask, view, 'timing')
      if ('camshaftTo' in ask && view.guard.camshafts !== 'doNotTurn') continue
      expect(may, JSON.stringify(ask)).toBe(false)
      expect(words, JSON.stringify(ask)).not.toMatch(ASKS)
    }
  })
  test('with only the stop in it is turned onto it, and nothing more', () => {
    const view = viewOf([...ready, item('stop')], sheet)
    const allowed = asks.filter((ask) => askTurn(ask, view, 'timing').may)
    expect(allowed).toEqual([{ ontoStop: 'first' }, { ontoStop: 'second' }, { camshaftTo: meets }])
  })
  test('with the chain off at the timing position too: a trim, and not onto the stop', () => {
    const view = viewOf([...ready, atPose, tensioner('heldBack'), chain('off'), item('stop')], sheet)
    expect(view.guard.limit).toMatchObject({ until: 'stop', forwardDeg: 4, backDeg: 4 })
    expect(askTurn({ ontoStop: 'first' }, view, 'timing').may).toBe(false)
  })
  test('a camshaft that reads out and ran so is turned the running way only', () => {
    const out: NewEntry = {
      kind: 'camMark',
      shaftId: ids.cam,
      markId: ids.camMark,
      phase: 'found',
      approach: 'running',
      wheelDeg: 55,
    }
    const ran: NewEntry = { kind: 'ranUntilNow', says: 'yes', role: 'owner' }
    const view = viewOf([...madeSafe, ran, ...halfProved, out, turned(95, 'past')], sheet)
    expect(view.guard).toMatchObject({ verdict: 'turn', onlyRunning: true })
    expect(askTurn({ to: { deg: 90, words: 'the place' } }, view, 'timing').words).toBe(
      'Turn 715.0° clockwise, seen from the timing side, to the place',
    )
    expect(askTurn({ untilMarkMeets: meets }, view, 'timing').words).not.toContain('back off')
  })
})

/** Every text in a source file: strings, templates, and what stands between tags. */
function textsOf(file: string): string[] {
  const source = ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX)
  const texts: string[] = []
  const visit = (node: ts.Node): void => {
    if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) texts.push(node.text)
    if (ts.isTemplateExpression(node))
      texts.push(node.head.text + node.templateSpans.map(({ literal }) => `{}${literal.text}`).join(''))
    // Between tags a sentence goes on over what is put into it.
    if (ts.isJsxElement(node) || ts.isJsxFragment(node))
      texts.push(
        node.children
          .map((child) => (ts.isJsxText(child) ? child.text : '{}'))
          .join('')
          .replace(/\s+/g, ' '),
      )
    ts.forEachChild(node, visit)
  }
  visit(source)
  return texts
}

describe('every sentence that asks for a turn is made in one place', () => {
  const app = join(import.meta.dirname, '..', '..')
  const files = readdirSync(app, { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.tsx?$/.test(name) && !/\.test\.tsx?$|node_modules|dist|^demo/.test(name))
    .map((name) => join(app, name))
  /** Of the drawing, not of the engine. */
  const ofTheDrawing = [/^turn the drawn crank/, /^brings the drawing/]
  test('the scan sees them where they are', () => {
    const own = textsOf(join(app, 'features', 'job', 'askTurn.ts')).filter((text) => ASKS.test(text))
    expect(own.length).toBeGreaterThan(8)
  })
  test('and nowhere else', () => {
    const others = files
      .filter((file) => !file.endsWith('askTurn.ts'))
      .flatMap((file) =>
        textsOf(file)
          .filter((text) => ASKS.test(text) && !ofTheDrawing.some((one) => one.test(text)))
          .map((text) => `${file.slice(app.length)}: ${text.trim().slice(0, 120)}`),
      )
    expect(others).toEqual([])
  })
})
