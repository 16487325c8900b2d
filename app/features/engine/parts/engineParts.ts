import { readDrive } from '@link-count/core/drive'
import type { BuildSheet, Member } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import {
  boltOrderWords,
  couplingName,
  fastenedWords,
  followerKindWords,
  inSentence,
  nounsOf,
  upperFirst,
} from '../../../ui/wording'

export type PartKind =
  | 'running'
  | 'allowed'
  | 'timing'
  | 'shaft'
  | 'wheel'
  | 'plain'
  | 'mark'
  | 'loop'
  | 'counts'
  | 'coupling'
  | 'follower'
  | 'bolts'
  | 'boltGroup'
  | 'crank'
  | 'bank'
  | 'cylinder'
  | 'firing'
  | 'valve'
  | 'cams'
  | 'rim'
  | 'rimMark'
export type View = 'drive' | 'cylinders' | 'valves' | 'rim'

/** Something of the engine that has a panel of its own. */
export interface EnginePart {
  /** Kind and id: `wheel:cam-sprocket`. */
  readonly key: string
  readonly kind: PartKind
  readonly id: string
  readonly name: string
  /** What it is, in a few words. */
  readonly what: string
  /** What of it is written down, to be found by. */
  readonly figures: string
  readonly view: View
}

export const partKey = (kind: PartKind, id = '') => `${kind}:${id}`

type Made = Omit<EnginePart, 'key'>

/** Every part of an engine in the order in which a mechanic meets it. */
export function enginePartsOf(sheet: BuildSheet): EnginePart[] {
  const made = [...wholeEngine(sheet), ...drive(sheet), ...cylinders(sheet), ...valves(sheet), ...rim(sheet)]
  return made.map((part) => ({ ...part, key: partKey(part.kind, part.id) }))
}

const wholeEngine = (sheet: BuildSheet): Made[] => [
  {
    kind: 'running',
    id: '',
    name: 'How it runs',
    what: 'direction, fuel, whether valves and pistons meet',
    figures:
      'The crank runs, seen from the timing side It runs reversing gear Can valves and pistons meet? interference Burns Started by Valves are shut by Liners',
    view: 'drive',
  },
  {
    kind: 'allowed',
    id: '',
    name: 'Sides and limits',
    what: 'what its sides are called, trim, how far out a cam may read',
    figures:
      'You call the timing side And the other side Trim allowed Cam may read out by, and still be turned Cam may be out by, at the crank tolerance A late cam is judged by school',
    view: 'drive',
  },
  {
    kind: 'timing',
    id: '',
    name: 'The timing position',
    what: placeWords(sheet),
    figures: 'The marks are cut for The timing position, crank degrees after firing TDC',
    view: 'drive',
  },
]

const placeWords = ({ referencePose, cylinders }: BuildSheet) => {
  const of = cylinders.find(({ id }) => id === referencePose.cylinderId)?.name ?? ''
  return referencePose.event === 'other'
    ? `${referencePose.crankDeg.value}° of the crank`
    : `${referencePose.event === 'firingTdc' ? 'firing' : 'overlap'} TDC of ${of}`
}

function drive(sheet: BuildSheet): Made[] {
  const parts = partsOf(sheet)
  const shafts = sheet.shafts.flatMap((shaft): Made[] => [
    {
      kind: 'shaft',
      id: shaft.id,
      name: shaft.name,
      what: shaftWords[shaft.kind],
      figures: `You call the ${shaft.name} turns is a is set at lobes point placed by stands towards Centre of to centre of the ${shaft.name} distance joined to gear in mesh mark on the end`,
      view: 'drive',
    },
  ])
  const members = sheet.members.map((member): Made => ({
    kind: member.shaftId ? 'wheel' : 'plain',
    id: member.id,
    name: member.name,
    what: memberWords(sheet, member),
    figures: member.shaftId
      ? `Teeth, ${member.name} hub places to the turn adjuster key slots mark`
      : `${member.name}, radius where the loop touches it From there to the pin or pitch line Teeth, ${member.name} stands towards distance first end other end arc`,
    view: 'drive',
  }))
  const loops = sheet.loops.flatMap((loop): Made[] => {
    const nouns = nounsOf(loop)
    const stretches = readDrive(sheet)
      .sections(loop)
      .map(({ from, to }) => `From ${from.name} to ${to.name}`)
    return [
      {
        kind: 'loop',
        id: loop.id,
        name: loop.name,
        what: `${nouns.loop} over ${loop.path.length} parts`,
        figures: `${loop.name} pitch ${upperFirst(nouns.pitches)} in the whole ${loop.name} length links teeth of the belt paint link map passes idler guide tensioner`,
        view: 'drive',
      },
      {
        kind: 'counts',
        id: loop.id,
        name: sheet.loops.length > 1 ? `Counts of the ${inSentence(loop.name)}` : 'Counts by the book',
        what: 'from mark to mark, as a book or an earlier job has them',
        figures: stretches.join(' '),
        view: 'drive',
      },
    ]
  })
  const marks = sheet.marks.map((mark): Made => ({
    kind: 'mark',
    id: mark.id,
    name: mark.name,
    what: `mark on the ${inSentence(parts.member(mark.memberId)?.name ?? 'part')}`,
    figures: `${mark.name} points to, in the timing position stands at a gap tip meets is cut on the face meets at`,
    view: 'drive',
  }))
  const couplings = sheet.couplings.map((coupling): Made => ({
    kind: 'coupling',
    id: coupling.id,
    name: couplingName(coupling, sheet),
    what: coupling.kind === 'gearMesh' ? 'gears in mesh' : 'can be drawn apart and put together in another place',
    figures: `${parts.shaft(coupling.fromId)?.name ?? ''} to ${parts.shaft(coupling.toId)?.name ?? ''}, joined by splines dogs places first end other end`,
    view: 'drive',
  }))
  const followers = (sheet.followers ?? []).map((one): Made => ({
    kind: 'follower',
    id: one.id,
    name: one.name,
    what: `${followerKindWords[one.kind]} on the ${inSentence(parts.shaft(one.shaftId)?.name ?? 'shaft')}`,
    figures: `${one.name} fuel spark pump magneto distributor points lift before TDC impulse coupling lag advance drive end slots outlets leads plugs`,
    view: 'drive',
  }))
  return [...shafts, ...members, ...loops, ...marks, ...couplings, ...followers, ...bolts(sheet)]
}

const shaftWords = {
  crank: 'crankshaft',
  cam: 'camshaft',
  intermediate: 'intermediate shaft',
  idler: 'idler shaft',
  pump: 'pump',
  magneto: 'magneto or distributor',
  balance: 'balance shaft',
} as const

/** "sprocket on the inlet camshaft, 27 teeth". */
function memberWords(sheet: BuildSheet, { id, kind, shaftId, teeth }: Member): string {
  const shaft = partsOf(sheet).shaft(shaftId)
  const loop = sheet.loops.find(({ path }) => path.some(({ memberId }) => memberId === id))
  const on = shaft ? ` on the ${inSentence(shaft.name)}` : loop ? ` on the ${inSentence(loop.name)}` : ''
  const counted = teeth ? `, ${teeth.value} teeth` : shaft && kind !== 'hub' ? ', teeth not counted' : ''
  return `${kind === 'hub' ? 'end of a shaft' : kind}${on}${counted}`
}

/** Bolts and nuts that are tightened in an order. */
function bolts(sheet: BuildSheet): Made[] {
  const all: Made = {
    kind: 'bolts',
    id: '',
    name: 'Bolts and nuts',
    what: sheet.boltGroups?.length
      ? `${sheet.boltGroups.length} groups that are tightened in an order`
      : 'caps, covers, head, flywheel: none written down',
    figures: 'torque stages angle thread fasteners caps cover head flywheel sprocket',
    view: 'drive',
  }
  const groups = (sheet.boltGroups ?? []).map((one): Made => ({
    kind: 'boltGroup',
    id: one.id,
    name: one.name,
    what: `${one.bolts.length} on ${fastenedWords[one.on]}, ${boltOrderWords[one.order]}`,
    figures: `You call the ${one.name} torque angle stage thread strength order left-hand stretch new each time locker oil`,
    view: 'drive',
  }))
  return [all, ...groups]
}

function cylinders(sheet: BuildSheet): Made[] {
  const view = 'cylinders' as const
  return [
    {
      kind: 'crank',
      id: '',
      name: 'Stroke and rod',
      what: 'crank, piston and what a stop or dial needs',
      figures:
        'Stroke Rod, centre to centre Plug seat to crown, at the top That hole leans off the bore by A rod down it meets Wrist-pin offset',
      view,
    },
    ...(sheet.cylinders.length > 1
      ? [
          {
            kind: 'firing' as const,
            id: '',
            name: 'Crankpins and firing order',
            what: 'when each cylinder comes to its top and fires',
            figures: 'Crankpins Firing order',
            view,
          },
        ]
      : []),
    ...(sheet.banks.length > 1
      ? sheet.banks.map(({ id, name }) => ({
          kind: 'bank' as const,
          id,
          name,
          what: 'bank of cylinders',
          figures: `${name} stands towards You call the bank`,
          view,
        }))
      : []),
    ...sheet.cylinders.map(({ id, name }) => ({
      kind: 'cylinder' as const,
      id,
      name: `Cylinder ${name}`,
      what: id === sheet.zeroCylinderId ? 'the cylinder whose firing TDC is 0' : 'cylinder',
      figures: `You call cylinder ${name} Crankpin of ${name} Firing TDC of ${name}, if it is known`,
      view,
    })),
  ]
}

function valves(sheet: BuildSheet): Made[] {
  if (sheet.cams.length === 0) return []
  const has = (valve: 'inlet' | 'exhaust') => sheet.cams.some((cam) => cam.valve === valve)
  const figures = (name: string) =>
    `${name} opens, before TDC BDC ${name} closes, after BDC TDC ${name}: at a lift of ${name} lash, cold ${name} lash, up to ${name} top lift lobe centre open for rocker lift table`
  return [
    ...(['inlet', 'exhaust'] as const).filter(has).map((valve) => ({
      kind: 'valve' as const,
      id: valve,
      name: valve === 'inlet' ? 'Inlet valves' : 'Exhaust valves',
      what: 'openings, lift and lash',
      figures: `${figures(valve === 'inlet' ? 'Inlet' : 'Exhaust')} These figures are for`,
      view: 'valves' as const,
    })),
    {
      kind: 'cams',
      id: '',
      name: 'All cams',
      what: 'cam card, shims, which camshaft works which valve',
      figures: 'Lobe separation, cam degrees Advance on the cam card Lash by shims worked by',
      view: 'valves',
    },
  ]
}

const rim = (sheet: BuildSheet): Made[] => [
  {
    kind: 'rim',
    id: '',
    name: 'The rim',
    what: 'once round it, and paper to print for it',
    figures: 'Once round the rim tape degree wheel on paper A mark on the rim',
    view: 'rim',
  },
  ...sheet.rimMarks.map(({ id, name, where }) => ({
    kind: 'rimMark' as const,
    id,
    name,
    what: where || 'mark on the rim',
    figures: 'claim decoy cut for',
    view: 'rim' as const,
  })),
]
