import type { BuildSheet } from '../model/buildSheet'
import { walkDrive } from './walkDrive'

/** What stands on the way from the crank to a shaft and can come undone, or be laid otherwise. */
export interface WayLink {
  readonly kind: 'loop' | 'coupling' | 'mesh'
  readonly id: string
  readonly fromShaftId: string
  readonly toShaftId: string
  /** The sprocket, pulley or gear of the shaft it leads to; undefined for a coupling. */
  readonly memberId: string | undefined
}

/** Who holds which camshaft, for asking what is loose when something comes undone. */
export interface Holding {
  /** Shafts that work valves. One with an empty id where the sheet names none: an engine has valves all the same. */
  readonly camshafts: readonly string[]
  /** The links that hold a shaft to the crank; undefined where the sheet does not tell them for sure. */
  readonly holdsBy: (shaftId: string) => readonly WayLink[] | undefined
  /** Camshafts that a link holds to the crank; all of them where that cannot be told. */
  readonly behind: (linkId: string) => readonly string[]
}

/** Who holds which camshaft. What the sheet does not tell counts as everything. */
export function readHolding(sheet: BuildSheet): Holding {
  const named = sheet.shafts.filter(({ kind }) => kind === 'cam').map(({ id }) => id)
  const all = [...new Set([...named, ...sheet.cams.map(({ shaftId }) => shaftId)])]
  const camshafts = all.length > 0 ? all : ['']
  const walked = walkDrive(sheet)
  const ways = new Map(
    Object.entries(walked.ways).map(([shaftId, steps]) => [
      shaftId,
      steps.map(({ by, fromShaftId, toShaftId, teeth }): WayLink => ({
        kind: by.kind,
        id: by.id,
        fromShaftId,
        toShaftId,
        memberId: teeth?.driven.id,
      })),
    ]),
  )
  const told = camshafts.every((id) => ways.has(id)) && walked.conflicts.length === 0
  const links = [...sheet.loops, ...sheet.couplings].map(({ id }) => id)
  const behind = new Map(
    links.map((linkId) => [
      linkId,
      told ? camshafts.filter((id) => ways.get(id)?.some((link) => link.id === linkId)) : camshafts,
    ]),
  )
  return {
    camshafts,
    holdsBy: (shaftId) => (told ? ways.get(shaftId) : undefined),
    behind: (linkId) => behind.get(linkId) ?? camshafts,
  }
}
