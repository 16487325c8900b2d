import type { TightenerKind } from '@link-count/core/model'
import type { TensionerHeld, TensionerState } from '@link-count/core/tension'
import { fixed } from '@link-count/core/units'

interface TightenerWords {
  readonly name: string
  /** How it works, in the order of the work. */
  readonly how: string
  readonly danger: string
  /** What holds it back, where something does. */
  readonly latch?: string
  /** What somebody says when it stands so: each is a line of the ledger. */
  readonly says: Partial<Record<TensionerState, string>>
  /** What its turn is called: "clockwise tightens", "clockwise winds it out". */
  readonly turned: { readonly tight: string; readonly slack: string }
}

const turns = { tight: 'tightens', slack: 'slackens' }

/** Each kind of tensioner in a mechanic's words. */
export const tightenerWords: Readonly<Record<TightenerKind, TightenerWords>> = {
  ratchet: {
    name: 'ratchet plunger, wound in with a screwdriver',
    how: 'Wind it fully in with the screwdriver and hold it there, bolt it on, then let it go: it comes out by itself.',
    danger: 'Bolted on extended it strips its threads or breaks. The spring throws the screwdriver out: hold it.',
    latch: 'the screwdriver',
    says: {
      heldBack: 'Wound fully in, the screwdriver holds it',
      extended: 'It is out and not wound in',
      fitted: 'Bolted on, seated all round, still held in',
      released: 'Screwdriver out: heard it come out',
      proven: 'Pushed the run against it: it gives and comes back',
    },
    turned: { tight: 'lets it out', slack: 'winds it in' },
  },
  plunger: {
    name: 'plunger with spring and oil, latched by a key',
    how: 'Press it in, turn the key so that it latches, fit it, then turn the key back and take it out: a tap on the blade lets it go.',
    danger:
      'Left latched the loop jumps. Fitted dry it rattles until oil reaches it: fill it first where the maker says so.',
    latch: 'the key',
    says: {
      heldBack: 'Pressed in and latched, the key is in',
      extended: 'It is out and not latched',
      fitted: 'Fitted and seated, still latched',
      released: 'Key out: felt it let go',
      proven: 'Pushed the run against it: it gives and comes back',
    },
    turned: { tight: 'lets it go', slack: 'latches it' },
  },
  selfAdjusting: {
    name: 'self-adjusting, with a hole for a pin',
    how: 'Draw it back until the hole meets and put the pin in, fit it, then draw the pin. No more force on it than its limit.',
    danger: 'Forced past its limit its wheel or its arm is spoilt. A pin left in lets the loop jump.',
    latch: 'the pin',
    says: {
      heldBack: 'Drawn back, the pin is in its hole',
      extended: 'It is out, with no pin in it',
      fitted: 'Fitted, seated all round, the pin still in',
      released: 'Pin is out: heard or felt it go',
      proven: 'Pushed the run against it: it gives and comes back',
    },
    turned: turns,
  },
  shoe: {
    name: 'blade or shoe clamped by nuts',
    how: 'Back the nuts off until it just moves, set it, tighten the nuts. Its plates go back where they came from.',
    danger:
      'Plates of different thickness change places easily: the shoe then stands askew. Nuts only as slack as it takes.',
    says: {
      loose: 'Nuts backed off until it just moves',
      set: 'Set, nuts not tight yet',
      locked: 'Nuts are tight',
      proven: 'Pushed the run against it: it holds',
    },
    turned: turns,
  },
  liveSpring: {
    name: 'live spring, its bolt tightened last',
    how: 'Bolt loose, so that its own spring tightens the loop. Two full turns the running way with the bolt still loose, then tighten the bolt.',
    danger: 'Never lever it: the spring alone sets it. Levered it is too tight and wears the loop and its bearings.',
    says: {
      loose: 'Bolt loose, held off the loop',
      springOnly: 'Bolt loose, its spring alone pushes',
      levered: 'It was drawn tight with a lever',
      locked: 'Bolt is tight',
      proven: 'Twisted the run: it gives and comes back',
    },
    turned: turns,
  },
  eccentric: {
    name: 'eccentric with a lock ring or nut',
    how: 'Back the lock off only as far as it takes, turn the eccentric, see that the lock drops back in its notch, tighten it.',
    danger:
      'Backed off too far a part of the lock flies into the engine: a rag below. Turned hard the wrong way the cams move.',
    says: {
      loose: 'Lock backed off a little',
      set: 'Turned to here, lock not tight yet',
      locked: 'Lock dropped back in, and tight',
      proven: 'Pushed the run: it can still be moved',
    },
    turned: turns,
  },
  roller: {
    name: 'roller in a slot or on an eccentric',
    how: 'Slacken its bolt, set the roller by the tension that is wanted, tighten the bolt, and read the tension again.',
    danger: 'The bolt can carry the roller with it as it is tightened: the reading after it counts.',
    says: {
      loose: 'Bolt slack',
      set: 'Roller set, bolt not tight yet',
      locked: 'Bolt is tight',
      proven: 'Tension read again with the bolt tight',
    },
    turned: turns,
  },
  measuredSpring: {
    name: 'chain tightener with a measured spring and two pairs of nuts',
    how: 'Slacken both pairs, let the spring take the chain while the engine is kept turning so that the slack lies at the tightener, run the lower nuts to the length, tighten the upper nut against them, and measure the spring again.',
    danger: 'The upper nut squeezes the spring further: measure after it. Nobody at the chain while it turns.',
    says: {
      loose: 'Both pairs of nuts slack',
      springOnly: 'The spring alone holds the chain, nuts slack',
      locked: 'Nuts locked, the spring measured after the upper nut',
      proven: 'Chain pushed at the middle: it gives as it should',
    },
    turned: turns,
  },
  hub: {
    name: 'none of its own: its hub or sprocket is let round',
    how: 'Tensioner or run latched, the sprocket let round on its splines or slots until the run is straight, then its bolts tight.',
    danger: 'A spline too far is too tight, one short is slack: take it off and try again.',
    says: {
      loose: 'Hub free of its splines',
      set: 'Let round to here, not tight yet',
      locked: 'Bolts are tight',
      proven: 'Pushed the run: it can still be moved',
    },
    turned: turns,
  },
}

/** Of a tensioner that nobody said the kind of. */
const anyKind: TightenerWords = {
  name: 'not said',
  how: '',
  danger: 'Springs fly. Fitted extended it strips its threads; left unreleased the loop jumps.',
  latch: 'the pin',
  says: {
    heldBack: 'Held back, its pin in',
    extended: 'It is out and not held back',
    fitted: 'Fitted, seated, held back',
    released: 'Released: heard or felt it go',
    proven: 'Pushed the run against it: it gives and comes back',
  },
  turned: turns,
}

export const tightenerWordsOf = (kind: TightenerKind | undefined): TightenerWords =>
  kind === undefined ? anyKind : tightenerWords[kind]

/** Why something may not be done with it yet. */
export function tensionerHeldWords(held: TensionerHeld): string {
  switch (held.code) {
    case 'notWoundIn':
      return 'It would go in extended: wind it in and latch it first.'
    case 'turnFirst':
      return `Its spring alone finds its place first: ${fixed(held.stillDeg, 0)}° still to go, the bolt loose.`
    case 'grubScrewsTight':
      return 'Slack the grub screws first: tight, they turn the camshaft with the pull, or hide part of it.'
    case 'levered':
      return 'Drawn tight with a lever it stays too tight: let it off, and its spring alone.'
  }
}

/** How a tensioner stands, on one line. */
export const tensionerStateWords: Readonly<Record<TensionerState, string>> = {
  extended: 'not wound in',
  heldBack: 'held back',
  fitted: 'fitted, held back',
  released: 'released',
  loose: 'slacked off',
  set: 'set, not locked',
  springOnly: 'on its spring alone',
  levered: 'drawn tight with a lever',
  locked: 'locked',
  proven: 'felt to push',
}

export const movedUnitWords = { deg: '°', notches: ' notches', flats: ' flats', mm: ' mm' } as const
