import type { BuildSheet, Follower } from '../model/buildSheet'

/** Turning is refused until each of these that applies is ticked. */
const GATES = [
  'manualFirst',
  'airOff',
  'startingOff',
  'ignitionOff',
  'magnetoDead',
  'fuelOff',
  'outOfGear',
  'takeOffOut',
  'propellerStill',
  'plugsOut',
  'injectorsOut',
  'oilInHanging',
  'handsClear',
] as const
/** These are only to be read. */
const READ = [
  'turnsWithIt',
  'turningGear',
  'wetLiners',
  'springsFly',
  'fuelPierces',
  'kickback',
  'oneSideBelow',
  'asbestos',
] as const

export type CautionId = (typeof GATES)[number] | (typeof READ)[number]

export interface Caution {
  readonly id: CautionId
  /** Turning is refused until a gate is ticked; the others are only to be read. */
  readonly gate: boolean
}

type Known = Pick<BuildSheet, 'starting' | 'fuel'> &
  Partial<Pick<BuildSheet, 'turnsWith' | 'wetLiners' | 'layout' | 'banks' | 'cylinders' | 'members'>> & {
    readonly followers?: readonly Pick<Follower, 'kind'>[] | undefined
  }

/** The cautions that apply to this engine, in the order they are done; what nobody said of it is named, and never taken as no. Source: handbook 16. */
export function cautionsFor(sheet: Known): Caution[] {
  const { starting, fuel, followers, turnsWith, wetLiners, members = [] } = sheet
  const large = starting === 'air'
  const applies: Readonly<Record<CautionId, boolean>> = {
    manualFirst: true,
    airOff: large,
    startingOff: starting === 'battery',
    ignitionOff: fuel !== 'diesel',
    magnetoDead: followers?.some(({ kind }) => kind === 'magneto') ?? false,
    fuelOff: true,
    outOfGear: turnsWith?.includes('vehicle') ?? false,
    takeOffOut: turnsWith?.includes('takeOff') ?? false,
    propellerStill: turnsWith?.includes('propeller') ?? false,
    plugsOut: fuel !== 'diesel',
    injectorsOut: fuel === 'diesel',
    oilInHanging: hasHanging(sheet),
    handsClear: true,
    turnsWithIt: turnsWith === undefined,
    turningGear: large,
    wetLiners: wetLiners ?? false,
    springsFly: members.some(({ kind }) => kind === 'tensioner'),
    fuelPierces: fuel === 'diesel',
    kickback: starting === 'hand',
    oneSideBelow: large,
    asbestos: true,
  }
  return [
    ...GATES.filter((id) => applies[id]).map((id) => ({ id, gate: true })),
    ...READ.filter((id) => applies[id]).map((id) => ({ id, gate: false })),
  ]
}

/** Whether a cylinder points below level, where oil runs to its head and locks it; a radial has such cylinders, whatever is known of its axes. */
function hasHanging({ layout, banks = [], cylinders = [] }: Known): boolean {
  const axes = [...banks, ...cylinders].flatMap(({ axisDeg }) => (axisDeg ? [axisDeg.value] : []))
  return layout === 'radial' || axes.some((deg) => deg > 181 && deg < 359)
}
