import type { ItemKind } from '../model/entry'

/** What something that is in, on or left undone means, wherever it is asked. */
export interface RegisterItemRecord {
  /** What it does to turning the crank: gently = only until the piston or the reading is met; trim = a few degrees round where the crank stood when it
   *  went in. */
  readonly turning: 'turn' | 'gently' | 'trim' | 'doNotTurn'
  /** What the guard calls it. */
  readonly reason: 'stopIn' | 'rodIn' | 'lockIn' | 'capsLoose' | 'itemIn'
  /** What the crank may be brought to with it in. */
  readonly until?: 'stop' | 'reading'
  /** It stands in a cylinder, where the piston comes. */
  readonly inCylinder?: true
  /** No camshaft may be turned against it. */
  readonly stopsCamshafts?: true
  /** A bolt that sets the drive is not tight: no turn proves anything, and those before it was tightened prove nothing either. */
  readonly loose?: true
  /** With it so, valves do not come down. */
  readonly relieves?: true
}

export const registerItems: { readonly [K in ItemKind]: RegisterItemRecord } = {
  stop: { turning: 'gently', reason: 'stopIn', until: 'stop', inCylinder: true },
  dialRod: { turning: 'gently', reason: 'rodIn', until: 'reading', inCylinder: true },
  probe: { turning: 'gently', reason: 'rodIn', until: 'reading', inCylinder: true },
  lockingPin: { turning: 'doNotTurn', reason: 'lockIn', stopsCamshafts: true },
  lock: { turning: 'doNotTurn', reason: 'lockIn', stopsCamshafts: true },
  capsLoose: { turning: 'doNotTurn', reason: 'capsLoose', stopsCamshafts: true, loose: true },
  tensionerPin: { turning: 'trim', reason: 'itemIn' },
  rag: { turning: 'trim', reason: 'itemIn' },
  tie: { turning: 'trim', reason: 'itemIn' },
  fingerTight: { turning: 'trim', reason: 'itemIn', loose: true },
  tabsNotBent: { turning: 'turn', reason: 'itemIn' },
  valvesRelieved: { turning: 'turn', reason: 'itemIn', relieves: true },
  heldTaut: { turning: 'turn', reason: 'itemIn' },
  headOff: { turning: 'turn', reason: 'itemIn', relieves: true },
  linersClamped: { turning: 'turn', reason: 'itemIn' },
  loopAway: { turning: 'turn', reason: 'itemIn' },
  underPressure: { turning: 'doNotTurn', reason: 'itemIn', stopsCamshafts: true },
  tackle: { turning: 'doNotTurn', reason: 'itemIn', stopsCamshafts: true },
  // What a reading needs live, and has to be made safe again after it: it is turned no further than the reading wants.
  pawlsOut: { turning: 'turn', reason: 'itemIn' },
  earthOff: { turning: 'trim', reason: 'itemIn' },
  ignitionOn: { turning: 'trim', reason: 'itemIn' },
  fuelAtPressure: { turning: 'trim', reason: 'itemIn' },
  gearPin: { turning: 'trim', reason: 'itemIn' },
  other: { turning: 'trim', reason: 'itemIn' },
}
