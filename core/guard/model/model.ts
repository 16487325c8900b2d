import { readZeros, latenessOfRead } from '../../ledger'
import {
  crankPlace,
  rotationCarried,
  rotationStands,
  rotationTurned,
  rotationWitness,
  startRotation,
  type Rotation,
} from '../../ledger/rotation'
import { firingDegOf, tdcOnOneTurn } from '../../cylinders'
import { markSeat, pitchesFromCount } from '../../drive'
import { cautionsFor } from '../../runSheet/cautions'
import type { BuildSheet, Entry, Relief } from '../../model'
import { historyOf, type Begins, type Engine, type Happening } from './history'

/* What is known of an engine, from its entries alone: the measure that the guard is held against. Plain and slow: each question goes through everything that was
 * written up to a point, and nothing of the guard's fold is used. Only the crank's ledger (rotation) and what one reading says (zeros, lateness)
 * are shared, which have tests of their own. It knows loops of two wheels, couplings, camshafts on either, and marks and counts as readings. */

/** Of one thing: known safe; known safe only so far each way; known not; not known. */
export type Known =
  | { readonly is: 'safe' }
  | { readonly is: 'within'; readonly forwardDeg: number; readonly backDeg: number }
  | { readonly is: 'not' }
  | { readonly is: 'notKnown' }

export interface Knowledge {
  /** By the name of the part, the camshaft, or what is in a cylinder. */
  readonly things: ReadonlyMap<string, Known>
  /** What follows of all of them together. */
  readonly all: Known
  /** Ids of what has to be named, whether it holds anything or not: what is in, out or loose, and tensioners that are not released. */
  readonly told: ReadonlySet<string>
}

type Undone =
  { readonly at: 'pose' | 'elsewhere' | 'unknown' | 'ended'; readonly total: number | undefined } | undefined
type Is = 'on' | 'off' | 'unknown'
interface Link {
  readonly kind: 'loop' | 'coupling'
  readonly id: string
}
interface Read {
  readonly entry: Entry
  readonly shaft: string
  readonly proves: boolean
  readonly atMark: { latenessDeg: number; sigmaDeg: number } | undefined
  readonly total: number
}

const SAFE: Known = { is: 'safe' }
const NOT: Known = { is: 'not' }
const NOT_KNOWN: Known = { is: 'notKnown' }
const wrap = (deg: number, turn: number) => {
  const on = ((deg % turn) + turn) % turn
  return on > turn / 2 ? on - turn : on
}

export function whatIsKnown(engine: Engine, jobId: string): Knowledge {
  const history = historyOf(engine, jobId)
  const { all, knew } = history
  const sheet = history.sheetOf(jobId)
  const trim = sheet.trimDeg?.value ?? 4
  const answers = new Map<string, unknown>()
  /** Every question is answered once for each point in time. */
  const ask = <T>(question: string, n: number, answer: () => T): T => {
    const key = `${question} ${n}`
    if (!answers.has(key)) answers.set(key, answer())
    return answers.get(key) as T
  }
  const sheetAt = (n: number): BuildSheet => {
    const last = all.slice(0, n).findLast((one): one is Entry => one.kind !== 'begins')
    const begins = all[n - 1]
    return begins?.kind === 'begins' ? begins.sheet : last ? history.sheetOf(last.jobId) : sheet
  }
  const isFirst = (n: number) => all.findIndex(({ kind }) => kind === 'begins') === n

  // ---- who holds which camshaft
  const shaftsOn = (on: BuildSheet) => [
    ...new Set([
      ...on.shafts.filter(({ kind }) => kind === 'cam').map(({ id }) => id),
      ...on.cams.map(({ shaftId }) => shaftId),
    ]),
  ]
  const wayTo = (shaft: string, on: BuildSheet): Link[] => {
    const coupling = on.couplings.find(({ toId, kind }) => kind !== 'gearMesh' && toId === shaft)
    if (coupling) return [...wayTo(coupling.fromId, on), { kind: 'coupling', id: coupling.id }]
    const loop = on.loops.find(({ path }) =>
      path.some(({ memberId }) => on.members.some((one) => one.id === memberId && one.shaftId === shaft)),
    )
    return loop ? [{ kind: 'loop', id: loop.id }] : []
  }
  const isOnSheet = ({ kind, id }: Link, on: BuildSheet) =>
    (kind === 'loop' ? on.loops : on.couplings).some((one) => one.id === id)
  const behind = (link: Link, on: BuildSheet) =>
    isOnSheet(link, on)
      ? shaftsOn(on).filter((shaft) => wayTo(shaft, on).some(({ id }) => id === link.id))
      : shaftsOn(on)

  // ---- what people who did not know of each other said of one thing
  const disputed = (
    name: string,
    n: number,
    {
      says,
      disagree,
      settles,
    }: {
      says: (one: Happening) => string | undefined
      disagree: (a: string, b: string) => boolean
      settles: (one: Happening) => boolean
    },
  ): boolean =>
    ask(`disputed ${name}`, n, () => {
      let open = false
      for (let j = 0; j < n; j++) {
        const one = all[j] as Happening
        const unknown = (value?: string) =>
          all.slice(0, j).some((other, i) => {
            const said = says(other)
            const overtaken = all.slice(i + 1, j).some((later) => says(later) !== undefined && knew(later, other))
            return (
              said !== undefined && !knew(one, other) && !overtaken && (value === undefined || disagree(said, value))
            )
          })
        const value = says(one)
        if (value !== undefined && unknown(value)) open = true
        if (settles(one) && !unknown()) open = false
      }
      return open
    })
  const differ = (a: string, b: string) => a !== b
  const settledOf = (about: string, id: string) => (one: Happening) =>
    one.kind === 'settled' && one.part.about === about && one.part.id === id
  const linkDisputed = ({ kind, id }: Link, n: number) =>
    disputed(`${kind} ${id}`, n, {
      says: (one) =>
        one.kind === 'loop' && kind === 'loop' && one.loopId === id
          ? one.change
          : one.kind === 'moved' && kind === 'loop' && one.loopId === id
            ? 'on'
            : one.kind === 'coupling' && kind === 'coupling' && one.couplingId === id
              ? one.change
              : undefined,
      disagree: differ,
      settles: settledOf(kind, id),
    })
  const itemDisputed = (id: string, n: number) =>
    disputed(`item ${id}`, n, {
      says: (one) => (one.kind === 'item' && one.itemId === id ? one.change : undefined),
      disagree: differ,
      settles: settledOf('item', id),
    })
  const tensionerDisputed = (id: string, n: number) =>
    disputed(`tensioner ${id}`, n, {
      says: (one) => (one.kind === 'tensioner' && one.memberId === id ? one.state : undefined),
      disagree: differ,
      settles: settledOf('tensioner', id),
    })
  const camshaftDisputed = (id: string, n: number) =>
    disputed(`camshaft ${id}`, n, {
      says: (one) => (one.kind === 'camshaft' && one.shaftId === id && one.is !== 'seenShut' ? one.is : undefined),
      disagree: differ,
      settles: settledOf('camshaft', id),
    })
  const crankSays = (one: Happening) =>
    one.kind === 'turned'
      ? 'turned'
      : one.kind === 'witness'
        ? 'witness'
        : one.kind === 'stands'
          ? `${one.place} ${one.cylinderId}`
          : undefined
  const crankDisputed = (n: number) =>
    disputed('crank', n, {
      says: crankSays,
      disagree: (a, b) => a === 'turned' || b === 'turned' || (a !== b && a !== 'witness' && b !== 'witness'),
      settles: (one) => one.kind === 'stands',
    })

  // ---- the crank
  interface Crank {
    readonly rotation: Rotation
    readonly poseSeen: number | undefined
    readonly against: { entry: Entry; placeDeg: number; pose: boolean } | undefined
  }
  const crankAt = (n: number): Crank =>
    ask('crank', n, (): Crank => {
      if (n === 0) return { rotation: startRotation, poseSeen: undefined, against: undefined }
      const one = all[n - 1] as Happening
      const before = crankAt(n - 1)
      const on = sheetAt(n)
      const inDoubt = crankSays(one) !== undefined && crankDisputed(n)
      const poseSeen = inDoubt ? undefined : before.poseSeen
      if (one.kind === 'begins') {
        const rotation = before.against
          ? { ...startRotation, totalDeg: before.rotation.totalDeg }
          : rotationCarried(before.rotation, true, on.cycleDeg)
        return { rotation, poseSeen: undefined, against: undefined }
      }
      if (one.kind === 'turned') {
        const zero = undefined
        return { ...before, poseSeen, rotation: rotationTurned(before.rotation, one, zero, on.cycleDeg) }
      }
      if (one.kind === 'witness') {
        const firing = firingDegOf(on, one.cylinderId)
        if (firing === undefined || one.says === 'undecided') return { ...before, poseSeen }
        const placeDeg = firing + (one.says === 'firing' ? 0 : 360)
        return {
          ...before,
          poseSeen,
          rotation: rotationWitness(before.rotation, {
            entryId: one.id,
            evidence: one.evidence,
            placeDeg,
            cycleDeg: on.cycleDeg,
          }),
        }
      }
      if (one.kind === 'stands') {
        const pose = one.place === 'pose'
        const placeDeg = pose ? on.referencePose.crankDeg.value : tdcOnOneTurn(on, one.cylinderId)
        if (placeDeg === undefined || inDoubt)
          return { ...before, poseSeen: placeDeg === undefined ? before.poseSeen : undefined }
        const anyUndone = linksAt(n - 1).some((link) => undoneAt(link, n - 1, { afterDoubtOf: n }) !== undefined)
        const most = anyUndone ? trim : 45
        const { deg } = crankPlace(before.rotation, on, undefined).place
        const { reference, totalDeg, wheelDisagreesDeg } = before.rotation
        const off =
          pose && deg !== undefined
            ? Math.abs(wrap(placeDeg - deg, on.cycleDeg))
            : reference && wheelDisagreesDeg === undefined
              ? Math.abs(wrap(placeDeg - reference.originDeg - totalDeg, 360))
              : 0
        if (before.against || off > most)
          return { ...before, poseSeen: undefined, against: { entry: one, placeDeg, pose } }
        return stood(before, on, placeDeg, pose, n, jobOf(one)?.job.arrival === 'chainOff')
      }
      if (one.kind === 'settled' && one.part.about === 'crank' && before.against?.entry.id === one.part.id)
        return stood({ ...before, against: undefined }, on, before.against.placeDeg, before.against.pose, n, false)
      if (one.kind === 'ranUntilNow' && ranHolds(n - 1))
        return { ...before, rotation: { ...before.rotation, carriedOriginDeg: undefined } }
      return before
    })
  const stood = (
    before: Crank,
    on: BuildSheet,
    placeDeg: number,
    pose: boolean,
    n: number,
    arrivedOff: boolean,
  ): Crank => {
    const allOff = on.loops.length > 0 && on.loops.every(({ id }) => linkIs({ kind: 'loop', id }, n - 1) === 'off')
    const rotation = rotationStands(before.rotation, placeDeg, pose && arrivedOff && allOff, on.cycleDeg)
    return { ...before, rotation, poseSeen: pose ? rotation.totalDeg : before.poseSeen }
  }
  const jobOf = (one: Entry) =>
    all.find((other): other is Begins => other.kind === 'begins' && other.job.id === one.jobId)
  const total = (n: number) => crankAt(n).rotation.totalDeg

  // ---- loops and couplings
  const linksAt = (n: number): Link[] =>
    ask('links', n, () => {
      const seen = new Map<string, Link>()
      const add = (link: Link) => seen.set(`${link.kind} ${link.id}`, link)
      for (let i = 0; i < n; i++) {
        const one = all[i] as Happening
        if (one.kind === 'begins') {
          for (const { id } of one.sheet.loops) add({ kind: 'loop', id })
          for (const { id } of one.sheet.couplings) add({ kind: 'coupling', id })
        }
        if (one.kind === 'loop' || one.kind === 'moved') add({ kind: 'loop', id: one.loopId })
        if (one.kind === 'coupling') add({ kind: 'coupling', id: one.couplingId })
        if (one.kind !== 'settled') continue
        const { part } = one
        if (part.about !== 'loop' && part.about !== 'coupling') continue
        const link: Link = { kind: part.about, id: part.id }
        if (linkDisputed(link, i + 1)) continue
        const on = sheetAt(i + 1)
        if (part.is === 'gone' && !isOnSheet(link, on)) seen.delete(`${part.about} ${part.id}`)
        else if (part.is === 'became') {
          const heir = part.became === undefined ? undefined : { kind: part.about, id: part.became }
          if (!heir || !isOnSheet(heir, on) || isOnSheet(link, on)) continue
          seen.delete(`${part.about} ${part.id}`)
          add(heir)
        } else if (part.is !== 'gone') add(link)
      }
      return [...seen.values()]
    })
  /** The entry, if it does something to the link: undoes it, puts it back, lays it otherwise, or touches the camshaft at its end. */
  const acts = (link: Link, i: number): 'off' | 'on' | 'moved' | 'end' | undefined => {
    const one = all[i] as Happening
    if (one.kind === 'loop' && link.kind === 'loop' && one.loopId === link.id) return one.change
    if (one.kind === 'moved' && link.kind === 'loop' && one.loopId === link.id) return 'moved'
    if (one.kind === 'coupling' && link.kind === 'coupling' && one.couplingId === link.id)
      return one.change === 'apart' ? 'off' : 'on'
    const shaft =
      one.kind === 'camshaft' && one.is !== 'seenShut'
        ? one.shaftId
        : one.kind === 'settled' && one.part.about === 'camshaft' && one.part.is !== 'gone'
          ? one.part.id
          : undefined
    if (shaft === undefined || (one.kind === 'settled' && camshaftDisputed(shaft, i + 1))) return undefined
    const last = wayTo(shaft, sheetAt(i + 1)).at(-1)
    const [was, is] = [camshaftAt(shaft, i).is, camshaftAt(shaft, i + 1).is]
    return last?.id === link.id && (is === 'out' || was === 'out' || is === 'unknown') ? 'end' : undefined
  }
  /** What a settled entry makes of the link; `became` of the part that it now is. */
  const settles = (link: Link, i: number): string | undefined => {
    const one = all[i] as Happening
    if (one.kind !== 'settled' || one.part.about !== link.kind) return undefined
    const old: Link = { kind: link.kind, id: one.part.id }
    if (linkDisputed(old, i + 1)) return undefined
    if (one.part.is === 'became')
      return 'became' in one.part &&
        one.part.became === link.id &&
        isOnSheet(link, sheetAt(i + 1)) &&
        !isOnSheet(old, sheetAt(i + 1))
        ? 'became'
        : undefined
    if (one.part.id !== link.id || one.part.is === 'gone') return undefined
    if (one.part.is === 'asItRan')
      return changesOf(link, i).length === 0 && linkIs(link, i) !== 'off' ? 'asItRan' : undefined
    return one.part.is === 'off' || one.part.is === 'apart' ? 'off' : 'on'
  }
  const heirOf = (link: Link, i: number): Link => ({
    kind: link.kind,
    id: (all[i] as Entry & { part: { id: string } }).part.id,
  })
  const linkIs = (link: Link, n: number): Is =>
    ask(`is ${link.kind} ${link.id}`, n, () => {
      if (n === 0) return 'on'
      const was = linkIs(link, n - 1)
      const one = all[n - 1] as Happening
      if (one.kind === 'begins')
        return one.job.arrival === 'chainOff' && link.kind === 'loop' && isOnSheet(link, one.sheet) && was === 'on'
          ? 'off'
          : was
      const settled = settles(link, n - 1)
      if (settled === 'became') return linkIs(heirOf(link, n - 1), n - 1)
      if (settled) return settled === 'off' ? 'off' : 'on'
      const act = acts(link, n - 1)
      if (act === undefined || act === 'end') return was
      if (linkDisputed(link, n)) return 'unknown'
      return act === 'moved' ? was : act
    })
  const changesOf = (link: Link, n: number): Entry[] =>
    ask(`changes ${link.kind} ${link.id}`, n, () => {
      if (n === 0) return []
      const one = all[n - 1] as Happening
      const were = changesOf(link, n - 1)
      if (one.kind === 'begins') return !isFirst(n - 1) && linkProved(link, n - 1) ? [] : were
      const settled = settles(link, n - 1)
      if (settled === 'became') return [...changesOf(heirOf(link, n - 1), n - 1), one]
      if (settled) return settled === 'asItRan' ? [] : [one]
      if (one.kind === 'ranUntilNow' && ranHolds(n - 1)) return []
      return acts(link, n - 1) ? [...were.filter((other) => !knew(one, other)), one] : were
    })
  const lastChangedIn = (link: Link, n: number): string | undefined => {
    for (let i = n - 1; i >= 0; i--) {
      const one = all[i] as Happening
      if (one.kind !== 'begins' && (acts(link, i) || settles(link, i))) return one.jobId
    }
    return undefined
  }
  const undoneNow = (i: number): Undone => {
    const one = all[i] as Entry
    const unknown: Undone = { at: 'unknown', total: undefined }
    const blind = all.slice(0, i).some((other, k) => {
      const overtaken = all.slice(k + 1, i).some((later) => crankSays(later) !== undefined && knew(later, other))
      return crankSays(other) !== undefined && !overtaken && !knew(one, other)
    })
    if (blind || crankDisputed(i)) return unknown
    const { rotation, poseSeen, against } = crankAt(i)
    const here = rotation.totalDeg
    if (poseSeen !== undefined && Math.abs(here - poseSeen) <= trim) return { at: 'pose', total: here }
    const on = sheetAt(i + 1)
    const { deg } = crankPlace(rotation, on, undefined).place
    if (deg === undefined || against || !rotation.reference) return unknown
    return {
      at: Math.abs(wrap(deg - on.referencePose.crankDeg.value, on.cycleDeg)) <= trim ? 'pose' : 'elsewhere',
      total: here,
    }
  }
  const undoneAt = (link: Link, n: number, { afterDoubtOf }: { afterDoubtOf?: number } = {}): Undone => {
    const found = ask(`undone ${link.kind} ${link.id}`, n, (): Undone => {
      if (n === 0) return undefined
      const one = all[n - 1] as Happening
      const was = undoneAt(link, n - 1)
      const unknown: Undone = { at: 'unknown', total: undefined }
      const ended: Undone = { at: 'ended', total: undefined }
      if (one.kind === 'begins') {
        if (
          one.job.arrival === 'chainOff' &&
          link.kind === 'loop' &&
          isOnSheet(link, one.sheet) &&
          linkIs(link, n - 1) === 'on'
        )
          return unknown
        if (isFirst(n - 1) || !was) return was
        return linkProved(link, n - 1) ? undefined : was.at === 'pose' ? ended : was
      }
      const settled = settles(link, n - 1)
      if (settled === 'became') return undoneAt(heirOf(link, n - 1), n - 1)
      if (settled === 'asItRan') return undefined
      if (settled) return settled === 'off' || was ? ended : undefined
      if (one.kind === 'ranUntilNow' && ranHolds(n - 1)) return undefined
      let now = was
      if (acts(link, n - 1) && (!was || linkProved(link, n - 1))) now = undoneNow(n - 1)
      if (
        now &&
        crankSays(one) !== undefined &&
        (crankDisputed(n) || (one.kind === 'turned' && changesOf(link, n).some((change) => !knew(one, change))))
      )
        now = unknown
      if (
        now &&
        one.kind === 'settled' &&
        one.part.about === 'crank' &&
        crankAt(n - 1).against?.entry.id === one.part.id
      )
        now = ended
      if (now && now.at !== 'elsewhere' && endsTrim(n - 1).some((shaft) => behind(link, sheetAt(n)).includes(shaft)))
        now = ended
      return now
    })
    return found && afterDoubtOf !== undefined && crankDisputed(afterDoubtOf)
      ? { at: 'unknown', total: undefined }
      : found
  }
  /** Camshafts that this entry moved, put in, or left without what relieved them. */
  const endsTrim = (i: number): string[] => {
    const one = all[i] as Happening
    const on = sheetAt(i + 1)
    if (one.kind === 'camSet') return isLoose(one.shaftId, i) ? [one.shaftId] : []
    return shaftsOn(on).filter(
      (shaft) =>
        (relieved(shaft, i, on) && !relieved(shaft, i + 1, on)) ||
        (camshaftAt(shaft, i).is === 'out' && camshaftAt(shaft, i + 1).is !== 'out') ||
        (goesIn(one, i, shaft) && camshaftAt(shaft, i).is === 'out'),
    )
  }
  const goesIn = (one: Happening, _i: number, shaft: string) =>
    one.kind === 'camshaft' && one.shaftId === shaft && one.is !== 'seenShut'

  // ---- camshafts
  const camshaftAt = (shaft: string, n: number): { is: string; shut: boolean } =>
    ask(`camshaft ${shaft}`, n, () => {
      if (n === 0) return { is: 'driven', shut: false }
      const was = camshaftAt(shaft, n - 1)
      const one = all[n - 1] as Happening
      if (one.kind === 'camshaft' && one.shaftId === shaft) {
        if (one.is === 'seenShut') return { ...was, shut: was.is === 'held' || was.shut }
        if (camshaftDisputed(shaft, n)) return { is: 'unknown', shut: false }
        return { is: one.is, shut: was.is === 'held' && one.is === 'held' && was.shut }
      }
      if (
        one.kind === 'settled' &&
        one.part.about === 'camshaft' &&
        one.part.id === shaft &&
        !camshaftDisputed(shaft, n)
      ) {
        if (one.part.is === 'gone') return { is: 'driven', shut: false }
        return { is: one.part.is, shut: was.is === 'held' && one.part.is === 'held' && was.shut }
      }
      if (one.kind === 'camSet' && one.shaftId === shaft && isLoose(shaft, n - 1)) return { ...was, shut: false }
      const on = (link: Link) => acts(link, n - 1) === 'on'
      return linksAt(n).some((link) => on(link) && behind(link, sheetAt(n)).includes(shaft))
        ? { ...was, shut: false }
        : was
    })
  const isLoose = (shaft: string, n: number) =>
    camshaftAt(shaft, n).is === 'out' || wayTo(shaft, sheetAt(n + 1)).some((link) => linkIs(link, n) !== 'on')
  const relieved = (shaft: string, n: number, on: BuildSheet): boolean => {
    const { is, shut } = camshaftAt(shaft, n)
    const works = on.cams.filter((cam) => cam.shaftId === shaft)
    if (is === 'out') return true
    if (is === 'held' && shut && new Set(works.map(({ cylinderId }) => cylinderId)).size === 1) return true
    const reliefs = itemsIn(n).flatMap(({ item, of, where }): Relief[] =>
      item !== 'valvesRelieved' ? [] : of ? [of] : where.trim() === '' ? [{ what: 'all' }] : [],
    )
    if (reliefs.some((one) => one.what === 'all' || (one.what === 'camshaft' && one.id === shaft))) return true
    return (
      works.length > 0 &&
      works.every((cam) =>
        reliefs.some(
          (one) =>
            one.what !== 'all' &&
            (one.id === cam.id ||
              one.id === cam.cylinderId ||
              one.id === on.cylinders.find(({ id }) => id === cam.cylinderId)?.bankId),
        ),
      )
    )
  }

  // ---- the register
  type Item = Extract<Entry, { kind: 'item' }>
  const itemsIn = (n: number): Item[] =>
    ask('items', n, () => {
      const ids = [...new Set(all.slice(0, n).flatMap((one) => (one.kind === 'item' ? [one.itemId] : [])))]
      return ids.flatMap((id) => {
        const lines = all
          .slice(0, n)
          .flatMap((one, i) => (one.kind === 'item' && one.itemId === id ? [{ one, i }] : []))
        const wentIn = lines.findLast(({ one }) => one.change === 'in') ?? lines.at(-1)
        const last = lines.at(-1)
        const settled = all
          .slice(0, n)
          .findLastIndex((one, i) => settledOf('item', id)(one) && !itemDisputed(id, i + 1))
        const isIn =
          itemDisputed(id, n) ||
          (settled > (last?.i ?? -1)
            ? (all[settled] as { part: { is: string } } & Entry).part.is === 'in'
            : last?.one.change === 'in')
        return isIn && wentIn ? [wentIn.one] : []
      })
    })
  /** Where the crank stood when something was put in or let go, while that can be told. */
  const stoodThen = (i: number, n: number): number | undefined => {
    const doubts = all.slice(0, n).map((one, k) => k >= i && crankSays(one) !== undefined && crankDisputed(k + 1))
    const lastDoubt = doubts.lastIndexOf(true)
    if (lastDoubt < 0) return total(i)
    const seen = all.slice(0, n).findIndex((one, k) => k > lastDoubt && standsTaken(k, one))
    return seen < 0 ? undefined : total(seen + 1)
  }
  const standsTaken = (k: number, one: Happening) =>
    (one.kind === 'stands' && !crankDisputed(k + 1) && !crankAt(k + 1).against && tdcOf(one, k) !== undefined) ||
    (one.kind === 'settled' && one.part.about === 'crank' && crankAt(k).against?.entry.id === one.part.id)
  const tdcOf = (one: Extract<Entry, { kind: 'stands' }>, k: number) =>
    one.place === 'pose' ? 0 : tdcOnOneTurn(sheetAt(k + 1), one.cylinderId)

  // ---- what was read and counted
  const readsAt = (n: number): Read[] =>
    ask('reads', n, (): Read[] => {
      if (n === 0) return []
      const one = all[n - 1] as Happening
      const were = readsAt(n - 1)
      if (one.kind === 'begins') return one.job.arrival === 'chainOff' ? [] : were
      if (one.kind === 'ranUntilNow' && ranHolds(n - 1)) return []
      const on = sheetAt(n)
      const touchedNow = linksAt(n)
        .concat(linksAt(n - 1))
        .filter((link) => acts(link, n - 1) !== undefined)
      const settledNow =
        one.kind === 'settled' &&
        (one.part.about === 'loop' || one.part.about === 'coupling') &&
        !linkDisputed({ kind: one.part.about, id: one.part.id }, n)
          ? [{ kind: one.part.about, id: one.part.id }]
          : []
      const dropped = [...touchedNow, ...settledNow].flatMap((link) => behind(link, on))
      const kept = were.filter(({ shaft }) => !dropped.includes(shaft))
      if (one.kind !== 'camMark' && one.kind !== 'camSet') return kept
      if (one.kind === 'camSet' && isLoose(one.shaftId, n - 1)) return kept
      const way = wayTo(one.shaftId, on)
      if (
        one.kind === 'camMark' &&
        one.phase === 'found' &&
        way.some((link) => lastChangedIn(link, n - 1) === one.jobId)
      )
        return kept
      const proves = way.every(
        (link) => linkIs(link, n - 1) === 'on' && changesOf(link, n - 1).every((change) => knew(one, change)),
      )
      const atMark = one.kind === 'camSet' ? markSeen(one, n - 1) : undefined
      if (one.kind === 'camSet' && !atMark) return kept
      return [...kept, { entry: one, shaft: one.shaftId, proves, atMark, total: total(n - 1) }]
    })
  const markSeen = (one: Extract<Entry, { kind: 'camSet' }>, n: number) => {
    const { rotation, poseSeen, against } = crankAt(n)
    const on = sheetAt(n + 1)
    const { deg } = crankPlace(rotation, on, undefined).place
    const pose = on.referencePose.crankDeg.value
    const at =
      rotation.reference && deg !== undefined
        ? deg
        : poseSeen === undefined
          ? undefined
          : pose + rotation.totalDeg - poseSeen
    if (at === undefined || against) return undefined
    const past = wrap(at - pose, on.cycleDeg)
    return Math.abs(past) > 45 ? undefined : { latenessDeg: past + one.offDeg * 2, sigmaDeg: 2 }
  }
  const zerosOf = (id: string) =>
    ask(`zeros ${id}`, 0, () =>
      readZeros(
        all.filter((one): one is Entry => one.kind !== 'begins' && one.jobId === id),
        history.sheetOf(id),
      ),
    )
  const saidBy = (read: Read): { latenessDeg: number; sigmaDeg: number } | undefined => {
    if (read.atMark) return read.atMark
    if (read.entry.kind !== 'camMark') return undefined
    const said = latenessOfRead(history.sheetOf(read.entry.jobId), zerosOf(read.entry.jobId), read.entry)
    return typeof said === 'string' ? undefined : said
  }
  const countsAt = (loopId: string, n: number): Extract<Entry, { kind: 'count' }>[] =>
    ask(`counts ${loopId}`, n, () => {
      if (n === 0) return []
      const one = all[n - 1] as Happening
      const were = countsAt(loopId, n - 1)
      const link: Link = { kind: 'loop', id: loopId }
      if (one.kind === 'begins')
        return one.job.arrival === 'chainOff' && isOnSheet(link, one.sheet) && linkIs(link, n - 1) === 'on' ? [] : were
      if (one.kind === 'ranUntilNow' && ranHolds(n - 1)) return []
      if (settles(link, n - 1)) return []
      const act = acts(link, n - 1)
      // A loop of two wheels: whichever it was moved over, every count ends on it.
      if (act) return []
      if (one.kind !== 'count' || one.loopId !== loopId) return were
      if (one.phase === 'found' && lastChangedIn(link, n - 1) === one.jobId) return were
      return changesOf(link, n - 1).every((change) => knew(one, change)) ? [...were, one] : were
    })
  const teethLate = (loopId: string, n: number): { teeth: number; exact: number; total: number } | undefined => {
    const counts = countsAt(loopId, n)
    const count = counts.at(-1)
    const on = count && history.sheetOf(count.jobId)
    const book = on?.counts.find((one) => one.fromMarkId === count?.fromMarkId && one.toMarkId === count.toMarkId)
    if (!count || !on || !book) return undefined
    const seat = (id: string) => markSeat(on.marks.find((mark) => mark.id === id) as never)
    const found = pitchesFromCount({
      counted: count.counted,
      rule: count.rule,
      from: seat(count.fromMarkId),
      to: seat(count.toMarkId),
    })
    const exact = found - book.pitches.value
    return { teeth: Math.round(exact), exact, total: total(all.indexOf(count)) }
  }
  const toothOf = (shaft: string, on: BuildSheet) => {
    const loop = wayTo(shaft, on).findLast(({ kind }) => kind === 'loop')
    const path = on.loops.find(({ id }) => id === loop?.id)?.path ?? []
    const wheel = on.members.find(
      ({ id, shaftId, teeth }) =>
        teeth &&
        path.some(({ memberId }) => memberId === id) &&
        on.shafts.some((one) => one.id === shaftId && one.kind !== 'crank'),
    )
    return (360 / (wheel?.teeth?.value ?? 36)) * 2
  }
  const safeOut = (shaft: string, on: BuildSheet) => on.safeOutDeg?.value ?? Math.min(20, toothOf(shaft, on))
  const says = ({ latenessDeg, sigmaDeg }: { latenessDeg: number; sigmaDeg: number }, safe: number) =>
    Math.abs(latenessDeg) + 2 * sigmaDeg <= safe
      ? 'in'
      : 2 * sigmaDeg <= safe || Math.abs(latenessDeg) > safe
        ? 'out'
        : 'cannotTell'
  const lastOfEach = (shaft: string, n: number) => {
    const own = readsAt(n).filter((read) => read.shaft === shaft)
    return own.filter((read) => own.findLast((other) => other.entry.kind === read.entry.kind) === read)
  }
  const outOf = (
    shaft: string,
    n: number,
    on = sheetAt(n),
  ): { total: number | undefined; by: 'read' | 'count'; size: number } | undefined => {
    const safe = safeOut(shaft, on)
    const read = lastOfEach(shaft, n).flatMap((one) => {
      const said = saidBy(one)
      return said && says(said, safe) === 'out'
        ? [{ total: one.total as number | undefined, by: 'read' as const, size: Math.abs(said.latenessDeg) }]
        : []
    })
    const counted = wayTo(shaft, on).flatMap((link) => {
      const late = link.kind === 'loop' ? teethLate(link.id, n) : undefined
      if (!late || countRight(late, shaft, on, safe)) return []
      return [
        {
          total: late.total as number | undefined,
          by: 'count' as const,
          size: Math.abs(late.exact) * toothOf(shaft, on),
        },
      ]
    })
    return [...read, ...counted].sort((a, b) => b.size - a.size)[0]
  }
  const countRight = (late: { teeth: number; exact: number }, shaft: string, on: BuildSheet, safe: number) =>
    late.teeth === 0 || Math.abs(late.exact) * toothOf(shaft, on) + toothOf(shaft, on) / 2 <= safe
  const suspect = (link: Link, n: number): boolean =>
    ask(`suspect ${link.kind} ${link.id}`, n, () => {
      if (n === 0) return false
      const one = all[n - 1] as Happening
      if (one.kind === 'begins') return suspect(link, n - 1)
      const settled = settles(link, n - 1)
      if (settled === 'asItRan') return false
      if (settled === 'became') return suspect(heirOf(link, n - 1), n - 1)
      if (one.kind === 'ranUntilNow' && ranHolds(n - 1)) return false
      const on = sheetAt(n)
      const touched = linksAt(n).filter((other) => other.id !== link.id && acts(other, n - 1) !== undefined)
      const accused = touched.some((other) =>
        behind(other, on).some((shaft) => outOf(shaft, n - 1, on) && wayTo(shaft, on).some(({ id }) => id === link.id)),
      )
      return accused || suspect(link, n - 1)
    })
  const linkRight = (link: Link, shaft: string, n: number, on: BuildSheet): boolean => {
    if (linkIs(link, n) !== 'on') return false
    const late = link.kind === 'loop' ? teethLate(link.id, n) : undefined
    if (late) return countRight(late, shaft, on, safeOut(shaft, on))
    return changesOf(link, n).length === 0 && !suspect(link, n)
  }
  const provedAt = (n: number, on = sheetAt(n)): Set<string> =>
    ask(`proved on ${on.id}`, n, () => {
      const shafts = shaftsOn(on)
      const good = shafts.filter(
        (shaft) =>
          !outOf(shaft, n, on) &&
          lastOfEach(shaft, n).some(
            (read) => read.proves && saidBy(read) && says(saidBy(read) as never, safeOut(shaft, on)) === 'in',
          ),
      )
      const proved = new Set(['crank', ...good])
      for (let again = true; again;) {
        again = false
        for (const shaft of shafts) {
          const link = wayTo(shaft, on).at(-1)
          const from =
            link?.kind === 'coupling' ? (on.couplings.find(({ id }) => id === link.id)?.fromId ?? '') : 'crank'
          if (
            !link ||
            outOf(shaft, n, on) ||
            (from !== 'crank' && outOf(from, n, on)) ||
            !linkRight(link, shaft, n, on)
          )
            continue
          for (const [a, b] of [
            [from, shaft],
            [shaft, from],
          ] as const)
            if (proved.has(a) && !proved.has(b)) {
              proved.add(b)
              again = true
            }
        }
      }
      return proved
    })
  const linkProved = (link: Link, n: number): boolean => {
    if (linkIs(link, n) !== 'on') return false
    const on = sheetAt(n)
    return behind(link, on).every((shaft) => provedAt(n, on).has(shaft))
  }

  // ---- somebody's word that it ran so
  const touchesDrive = (one: Happening, i: number) =>
    one.kind === 'settled'
      ? (['loop', 'coupling'].includes(one.part.about) &&
          !linkDisputed({ kind: one.part.about as 'loop', id: one.part.id }, i + 1) &&
          settledTouches(i)) ||
        linksAt(i + 1).some((link) => acts(link, i))
      : linksAt(i + 1).some((link) => acts(link, i))
  const settledTouches = (i: number) => {
    const one = all[i] as Extract<Entry, { kind: 'settled' }>
    return !(one.part.is === 'asItRan' && settles({ kind: one.part.about as 'loop', id: one.part.id }, i) === 'asItRan')
  }
  const ranHolds = (i: number): boolean => {
    const one = all[i] as Happening
    if (one.kind !== 'ranUntilNow' || one.says !== 'yes') return false
    const begun = all.slice(0, i).findLastIndex((other) => other.kind === 'begins')
    const start = all
      .slice(0, i)
      .findLastIndex((other, k) => k >= 0 && other.kind === 'begins' && other.job.id === one.jobId)
    const from = Math.max(begun, start)
    return (
      !all.slice(from, i).some((other, k) => other.kind !== 'begins' && touchesDrive(other, from + k)) &&
      linksAt(i).every((link) => linkIs(link, i) === 'on' && changesOf(link, i).every((change) => knew(one, change))) &&
      !anyDispute(i) &&
      allShafts(i).every((shaft) => camshaftAt(shaft, i).is === 'driven')
    )
  }
  const allShafts = (n: number) => [
    ...new Set(
      all
        .slice(0, n)
        .flatMap((one) =>
          one.kind === 'camshaft'
            ? [one.shaftId]
            : one.kind === 'settled' && one.part.about === 'camshaft'
              ? [one.part.id]
              : [],
        ),
    ),
  ]
  const anyDispute = (n: number) =>
    crankDisputed(n) ||
    linksAt(n).some((link) => linkDisputed(link, n)) ||
    all
      .slice(0, n)
      .some(
        (one) =>
          (one.kind === 'item' && itemDisputed(one.itemId, n)) ||
          (one.kind === 'tensioner' && tensionerDisputed(one.memberId, n)) ||
          (one.kind === 'camshaft' && camshaftDisputed(one.shaftId, n)),
      )
  const ranSo = (n: number): boolean => {
    for (let i = n - 1; i >= 0; i--) {
      const one = all[i] as Happening
      if (one.kind === 'begins' && one.job.arrival === 'chainOff') return false
      if (one.kind === 'ranUntilNow') return ranHolds(i) || (one.says === 'yes' && ranSo(i))
      if (one.kind !== 'begins' && touchesDrive(one, i)) return false
    }
    return false
  }

  // ---- and so
  const n = all.length
  const around = (centre: number | undefined): Known => {
    const { rotation, against } = crankAt(n)
    if (centre === undefined || against || rotation.wheelDisagreesDeg !== undefined || crankDisputed(n))
      return NOT_KNOWN
    const away = rotation.totalDeg - centre
    return Math.abs(away) > trim + 1e-9 ? NOT : { is: 'within', forwardDeg: trim - away, backDeg: trim + away }
  }
  const aroundUndone = (undone: Undone): Known => {
    const { poseSeen } = crankAt(n)
    if (undone?.at === 'pose') return around(undone.total)
    if (poseSeen !== undefined && (undone?.at === 'ended' || around(poseSeen).is === 'within')) return around(poseSeen)
    return undone?.at === 'elsewhere' ? NOT : NOT_KNOWN
  }
  const things = new Map<string, Known>()
  const told = new Set<string>()
  const begun = all.find((one): one is Begins => one.kind === 'begins' && one.job.id === jobId)
  const own = all.filter((one): one is Entry => one.kind !== 'begins' && one.jobId === jobId)
  const ticked = (id: string) => own.findLast((one) => one.kind === 'tick' && one.cautionId === id)
  const safe = cautionsFor(sheet).every(({ id, gate }) => {
    const tick = ticked(id)
    return !gate || (tick?.kind === 'tick' && tick.ticked)
  })
  things.set('made safe', safe && begun && !own.some(({ kind }) => kind === 'close') ? SAFE : NOT)
  for (const item of itemsIn(n)) {
    const name = `in: ${item.itemId}`
    told.add(item.itemId)
    if (itemDisputed(item.itemId, n)) things.set(`said two ways: ${item.itemId}`, NOT_KNOWN)
    if (item.item === 'lock' || item.item === 'lockingPin' || item.item === 'capsLoose') things.set(name, NOT)
    else if (item.item === 'stop' || item.item === 'dialRod' || item.item === 'probe')
      things.set(name, { is: 'within', forwardDeg: Infinity, backDeg: Infinity })
    else
      things.set(
        name,
        item.item === 'valvesRelieved' || item.item === 'tabsNotBent' ? SAFE : around(stoodThen(all.indexOf(item), n)),
      )
  }
  const mayMeet = (shaft: string) => sheet.interference.value !== 'no' && !relieved(shaft, n, sheet)
  const workedOn = new Set(
    all
      .slice(0, n)
      .flatMap((one, i) =>
        one.kind === 'begins'
          ? one.job.arrival === 'chainOff'
            ? [one.job.sheetId]
            : []
          : touchesDrive(one, i) ||
              one.kind === 'tensioner' ||
              (one.kind === 'settled' && one.part.about === 'tensioner' && !tensionerDisputed(one.part.id, i + 1))
            ? [one.sheetId]
            : [],
      ),
  )
  const sheetsWorkedOn = history.sheets.filter(({ id }) => workedOn.has(id))
  const newOnSheet = (link: Link) =>
    lastChangedIn(link, n) === undefined &&
    isOnSheet(link, sheet) &&
    linkIs(link, n) === 'on' &&
    sheetsWorkedOn.some((on) => !isOnSheet(link, on))
  const links = linksAt(n).filter(
    (link) => isOnSheet(link, sheet) || linkIs(link, n) !== 'on' || suspect(link, n) || !linkProved(link, n),
  )
  for (const link of links) {
    const threatens = behind(link, sheet).some(mayMeet)
    const is = newOnSheet(link) ? 'unknown' : linkIs(link, n)
    if (is !== 'on' && threatens)
      things.set(`${link.kind} ${link.id}`, is === 'unknown' ? NOT_KNOWN : aroundUndone(undoneAt(link, n)))
  }
  for (const shaft of shaftsOn(sheet)) {
    const way = links.filter((link) => !isOnSheet(link, sheet) || wayTo(shaft, sheet).some(({ id }) => id === link.id))
    if (camshaftAt(shaft, n).is === 'held' && way.every((link) => linkIs(link, n) !== 'off'))
      things.set(`held ${shaft}`, NOT)
    if (!mayMeet(shaft) || way.some((link) => newOnSheet(link) || linkIs(link, n) !== 'on')) continue
    if (camshaftAt(shaft, n).is === 'unknown') {
      things.set(`camshaft ${shaft}`, NOT_KNOWN)
      continue
    }
    const out = outOf(shaft, n, sheet)
    if (out ? ranSo(n) : provedAt(n, sheet).has(shaft)) continue
    const undone = way.map((link) => undoneAt(link, n)).filter((one) => one !== undefined)
    const each = undone.length > 0 ? undone.map(aroundUndone) : [around(out?.total)]
    things.set(`camshaft ${shaft}`, smallest(each))
  }
  for (const id of new Set([
    ...sheet.members.filter(({ kind }) => kind === 'tensioner').map((one) => one.id),
    ...all.flatMap((one) => (one.kind === 'tensioner' ? [one.memberId] : [])),
  ])) {
    things.set(`tensioner ${id}`, tensionerKnown(id))
  }
  return { things, all: smallest([...things.values()]), told }

  function tensionerKnown(id: string): Known {
    let is = 'asArrived'
    let letGo: number | undefined
    let gone = false
    for (let i = 0; i < n; i++) {
      const one = all[i] as Happening
      const released = is === 'asArrived' || is === 'released' || is === 'proven'
      const on = sheetAt(i + 1)
      if (
        one.kind === 'begins' &&
        one.job.arrival === 'chainOff' &&
        released &&
        on.members.some((member) => member.id === id)
      )
        [is, letGo] = ['out', i]
      if (one.kind === 'loop' && one.change === 'off' && released) {
        const cited = history.sheets.find((other) => other.id === one.sheetId) ?? on
        const loop = cited.loops.find((other) => other.id === one.loopId)
        if (
          cited.members.some((member) => member.id === id) &&
          (!loop || loop.path.some(({ memberId }) => memberId === id))
        )
          [is, letGo] = ['notSaid', i]
      }
      if (one.kind === 'tensioner' && one.memberId === id) {
        if (released) letGo = i
        is = tensionerDisputed(id, i + 1) ? 'unknown' : one.state
        gone = false
      }
      if (settledOf('tensioner', id)(one) && one.kind === 'settled' && !tensionerDisputed(id, i + 1)) {
        if (one.part.is === 'gone' && !on.members.some((member) => member.id === id)) gone = true
        else if (one.part.is === 'released' || one.part.is === 'heldBack') {
          if (released) letGo = i
          is = one.part.is
        }
      }
    }
    const there = sheet.members.some((member) => member.id === id)
    if (is === 'asArrived' && there && sheetsWorkedOn.some((on) => !on.members.some((member) => member.id === id)))
      is = 'unknown'
    if (gone || is === 'asArrived' || is === 'released' || is === 'proven') return SAFE
    told.add(id)
    const own = sheet.loops.filter(({ path }) => path.some(({ memberId }) => memberId === id))
    const loops = own.length > 0 ? own : sheet.loops
    if (loops.length > 0 && loops.every((loop) => linkIs({ kind: 'loop', id: loop.id }, n) === 'off')) return SAFE
    return is === 'unknown' ? NOT_KNOWN : around(letGo === undefined ? undefined : stoodThen(letGo, n))
  }
}

const rank = { safe: 0, within: 1, notKnown: 2, not: 3 } as const

/** What holds of all of them: the worst, and of several that are safe only so far the smallest. */
export function smallest(known: readonly Known[]): Known {
  const worst = known.reduce<Known>((bad, one) => (rank[one.is] > rank[bad.is] ? one : bad), SAFE)
  if (worst.is !== 'within') return worst
  const within = known.flatMap((one) => (one.is === 'within' ? [one] : []))
  return {
    is: 'within',
    forwardDeg: Math.min(...within.map(({ forwardDeg }) => forwardDeg)),
    backDeg: Math.min(...within.map(({ backDeg }) => backDeg)),
  }
}
