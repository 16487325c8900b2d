import { cautionsFor } from '../../runSheet/cautions'
import type { BuildSheet, Entry } from '../../model'
import { camshaftQuestions } from './camshafts'
import { crankQuestions } from './crank'
import { driveQuestions } from './drive'
import { openAbove } from './heads'
import type { Engine } from './history'
import { NOT, NOT_KNOWN, SAFE, smallest, type Known } from './known'
import { linkQuestions } from './links'
import { proofQuestions } from './proof'
import { ranQuestions } from './ran'
import { readingQuestions } from './readings'
import { registerQuestions } from './register'
import { saidQuestions } from './said'
import { tensionerKnown } from './tensioners'
import { around, aroundUndone } from './trims'
import { undoneQuestions } from './undone'
import { baseOf, type ItemIn, type Link, type World } from './world'

/* What is known of an engine, from its entries alone: the measure that the guard is held against. Plain and slow: each question goes through everything
 * that was written up to a point, and nothing of the guard's fold is used. Only the crank's ledger (rotation) and what one reading says (zeros,
 * lateness) are shared, which have tests of their own. It knows loops of two wheels, couplings, camshafts on either, and marks and counts as
 * readings. A valve is as safe as the camshaft that works it, or relieved; later work extends this model, and writes no other. */

export interface Knowledge {
  /** By the name of the part, the camshaft, or what is in a cylinder. */
  readonly things: ReadonlyMap<string, Known>
  /** What follows of all of them together. */
  readonly all: Known
  /** Ids of what has to be named, whether it holds anything or not: what is in, out or loose, and tensioners that are not released. */
  readonly told: ReadonlySet<string>
}

function worldOf(engine: Engine, jobId: string): World {
  const w = { ...baseOf(engine, jobId) } as World
  return Object.assign(
    w,
    driveQuestions(),
    saidQuestions(w),
    crankQuestions(w),
    linkQuestions(w),
    undoneQuestions(w),
    camshaftQuestions(w),
    registerQuestions(w),
    readingQuestions(w),
    proofQuestions(w),
    ranQuestions(w),
  )
}

export function whatIsKnown(engine: Engine, jobId: string): Knowledge {
  const w = worldOf(engine, jobId)
  const { sheet, all } = w
  const things = new Map<string, Known>([['made safe', isMadeSafe(w, jobId) ? SAFE : NOT]])
  const told = new Set<string>()
  for (const one of w.itemsIn(all.length)) {
    const { itemId } = one.item
    told.add(itemId)
    things.set(`in: ${itemId}`, itemKnown(w, one))
    if (w.itemDisputed(itemId, all.length)) things.set(`said two ways: ${itemId}`, NOT_KNOWN)
  }
  const worked = sheetsWorkedOn(w)
  for (const [name, known] of [...driveKnown(w, worked), ...openAbove(w)]) things.set(name, known)
  const tensioners = [
    ...sheet.members.filter(({ kind }) => kind === 'tensioner').map(({ id }) => id),
    ...all.flatMap((one) => (one.kind === 'tensioner' ? [one.memberId] : [])),
  ]
  for (const id of new Set(tensioners)) {
    const { known, named } = tensionerKnown(w, id, worked)
    things.set(`tensioner ${id}`, known)
    if (named) told.add(id)
  }
  return { things, all: smallest([...things.values()]), told }
}

/** Every gate of this job ticked, and the job not signed. */
function isMadeSafe({ all, sheet }: World, jobId: string): boolean {
  const own = all.filter((one): one is Entry => one.kind !== 'begins' && one.jobId === jobId)
  const ticked = (id: string) => {
    const tick = own.findLast((one) => one.kind === 'tick' && one.cautionId === id)
    return tick?.kind === 'tick' && tick.ticked
  }
  return cautionsFor(sheet).every(({ id, gate }) => !gate || ticked(id)) && !own.some(({ kind }) => kind === 'close')
}

function itemKnown(w: World, { item, since }: ItemIn): Known {
  switch (item.item) {
    case 'lock':
    case 'lockingPin':
    case 'capsLoose':
    case 'underPressure':
    case 'tackle':
      return NOT
    case 'stop':
    case 'dialRod':
    case 'probe':
      return { is: 'within', forwardDeg: Infinity, backDeg: Infinity }
    case 'valvesRelieved':
    case 'headOff':
    case 'linersClamped':
    case 'loopAway':
    case 'heldTaut':
    case 'tabsNotBent':
    case 'pawlsOut':
    case 'notTight':
    case 'toBeChanged':
    case 'airShut':
    case 'batteryOff':
    case 'fuelShut':
    case 'oilShut':
    case 'turningGear':
    case 'startBlocked':
    case 'magnetoEarthed':
    case 'propellerHeld':
      return SAFE
    default:
      return around(w, w.stoodThen(since, w.all.length))
  }
}

/** Build sheets on which something of the drive was said. */
function sheetsWorkedOn(w: World): BuildSheet[] {
  const ids = w.all.flatMap((one, i) => {
    if (one.kind === 'begins') return one.job.arrival === 'everyLoopOff' ? [one.job.sheetId] : []
    const ofTensioner =
      one.kind === 'tensioner' ||
      (one.kind === 'settled' && one.part.about === 'tensioner' && !w.tensionerDisputed(one.part.id, i + 1))
    return ofTensioner || w.touchesDrive(one, i) ? [one.sheetId] : []
  })
  return w.history.sheets.filter(({ id }) => ids.includes(id))
}

/** Every link that is not on, every camshaft that is held and driven, or not proved where its valves may meet something. */
function driveKnown(w: World, worked: readonly BuildSheet[]): [string, Known][] {
  const { sheet, all } = w
  const n = all.length
  const mayMeet = (shaft: string) => sheet.interference.value !== 'no' && !w.relieved(shaft, n, sheet)
  const onSheet = (link: Link) => w.isOnSheet(link, sheet)
  const isNew = (link: Link) =>
    w.lastChangedIn(link, n) === undefined && onSheet(link) && worked.some((on) => !w.isOnSheet(link, on))
  const isNow = (link: Link) => (w.linkIs(link, n) === 'on' && isNew(link) ? 'unknown' : w.linkIs(link, n))
  const links = w
    .linksAt(n)
    .filter((link) => onSheet(link) || w.linkIs(link, n) !== 'on' || w.suspect(link, n) || !w.linkProved(link, n))
  const loose = links
    .filter((link) => isNow(link) !== 'on' && w.behind(link, sheet).some(mayMeet))
    .map((link): [string, Known] => [
      `${link.kind} ${link.id}`,
      isNow(link) === 'unknown' ? NOT_KNOWN : aroundUndone(w, link, w.undoneAt(link, n)),
    ])
  const camshafts = w.shaftsOn(sheet).flatMap((shaft): [string, Known][] => {
    const way = links.filter((link) => !onSheet(link) || w.wayTo(shaft, sheet).some(({ id }) => id === link.id))
    const { is } = w.camshaftAt(shaft, n)
    const held: [string, Known][] =
      is === 'held' && way.every((link) => w.linkIs(link, n) !== 'off') ? [[`held ${shaft}`, NOT]] : []
    if (!mayMeet(shaft) || way.some((link) => isNow(link) !== 'on')) return held
    return [...held, [`camshaft ${shaft}`, is === 'unknown' ? NOT_KNOWN : camshaftKnown(w, shaft, way)]]
  })
  return [...loose, ...camshafts]
}

/** A camshaft that everything on its way holds to the crank. */
function camshaftKnown(w: World, shaft: string, way: readonly Link[]): Known {
  const n = w.all.length
  const out = w.outOf(shaft, n, w.sheet)
  if (out ? w.ranSo(shaft, n) : w.provedAt(n, w.sheet).has(shaft)) return SAFE
  const undone = way.filter((link) => w.undoneAt(link, n) !== undefined)
  return smallest(
    undone.length > 0 ? undone.map((link) => aroundUndone(w, link, w.undoneAt(link, n))) : [around(w, out?.total)],
  )
}
