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
  /** It keeps the engine from being started, and stays so after the job where that is wanted. */
  readonly isolates?: true
}

export type HeldBy = 'turning' | 'torquing' | 'closing' | 'starting'

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
  towel: { turning: 'trim', reason: 'itemIn' },
  magnet: { turning: 'trim', reason: 'itemIn' },
  notTight: { turning: 'turn', reason: 'itemIn' },
  toBeChanged: { turning: 'turn', reason: 'itemIn' },
  airShut: { turning: 'turn', reason: 'itemIn', isolates: true },
  batteryOff: { turning: 'turn', reason: 'itemIn', isolates: true },
  fuelShut: { turning: 'turn', reason: 'itemIn', isolates: true },
  oilShut: { turning: 'turn', reason: 'itemIn', isolates: true },
  turningGear: { turning: 'turn', reason: 'itemIn', isolates: true },
  startBlocked: { turning: 'turn', reason: 'itemIn', isolates: true },
  magnetoEarthed: { turning: 'turn', reason: 'itemIn', isolates: true },
  propellerHeld: { turning: 'turn', reason: 'itemIn', isolates: true },
  gearPin: { turning: 'trim', reason: 'itemIn' },
  other: { turning: 'trim', reason: 'itemIn' },
}

/** What something on the register holds: nothing starts while anything is on it; a job is not closed over it but for what isolates; timing locks take no torque; turning is the
 *  guard's to say. */
export function holdsOf(item: ItemKind): readonly HeldBy[] {
  const { turning, isolates } = registerItems[item]
  return [
    ...(turning === 'turn' ? [] : (['turning'] as const)),
    ...(item === 'lock' || item === 'lockingPin' ? (['torquing'] as const) : []),
    ...(isolates ? [] : (['closing'] as const)),
    'starting',
  ]
}
