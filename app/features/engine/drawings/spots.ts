import { hangs } from '@link-count/core/drive'
import { polar, type Point } from '@link-count/core/geometry'
import type { BuildSheet, Loop } from '@link-count/core/model'
import type { DriveScene } from '@link-count/core/scene'
import { partsOf } from '@link-count/core/sheet'

/** A part that has no teeth to be drawn by: a shaft joined to another, the end of a shaft, an idler, guide or tensioner. */
export interface Spot {
  readonly kind: 'shaft' | 'plain'
  readonly id: string
  readonly at: Point
  /** What it hangs on, to be joined with by a line. */
  readonly from: Point
  /** It bears on its loop where it is known to stand. */
  readonly placed: boolean
}

/** Where those parts are drawn so that they can be touched. */
export function spotsOf(sheet: BuildSheet, scene: DriveScene): Spot[] {
  return [...shaftSpots(sheet, scene), ...plainSpots(sheet, scene)]
}

function shaftSpots(sheet: BuildSheet, scene: DriveScene): Spot[] {
  const shaftOf = (memberId: string) => partsOf(sheet).member(memberId)?.shaftId
  const drawn = new Map(scene.toothed.map((part) => [shaftOf(part.memberId), part]))
  const largest = Math.max(20, ...scene.toothed.map(({ radiusMm }) => radiusMm))
  const found = new Map<string, Point>()
  return [...hangs(sheet)].flatMap(([id, { fromShaftId, towardsDeg }]): Spot[] => {
    if (drawn.has(id)) return []
    const from = drawn.get(fromShaftId)?.centre ?? found.get(fromShaftId)
    if (!from) return []
    const at = polar(from, largest * 2, towardsDeg)
    found.set(id, at)
    return [{ kind: 'shaft', id, at, from, placed: false }]
  })
}

function plainSpots(sheet: BuildSheet, scene: DriveScene): Spot[] {
  return scene.loops.flatMap(({ loop, solved }) =>
    loop.path.flatMap(({ memberId }, i): Spot[] => {
      const member = partsOf(sheet).member(memberId)
      if (!member || member.shaftId || member.teeth) return []
      const arc = solved.path.pieces.find((piece) => piece.kind === 'arc' && piece.memberId === memberId)
      const laid = solved.members.find((one) => one.memberId === memberId)
      if (laid && arc?.kind === 'arc') {
        const at = polar(laid.centre, laid.radiusMm, arc.fromDeg + arc.sweepDeg / 2)
        return [{ kind: 'plain', id: memberId, at, from: at, placed: true }]
      }
      const at = besideRun(loop, i, scene)
      return at ? [{ kind: 'plain', id: memberId, at, from: at, placed: false }] : []
    }),
  )
}

/** On the run on which a part that is not placed comes in the order of the path, apart from others there. */
function besideRun(loop: Loop, i: number, scene: DriveScene): Point | undefined {
  const solved = scene.loops.find((one) => one.loop.id === loop.id)?.solved
  const laid = new Set(solved?.members.map(({ memberId }) => memberId))
  const n = loop.path.length
  const idAt = (k: number) => loop.path[((k % n) + n) % n]?.memberId ?? ''
  let before = i - 1
  while (before > i - n && !laid.has(idAt(before))) before--
  let after = i + 1
  while (after < i + n && !laid.has(idAt(after))) after++
  const run = solved?.path.pieces.find((piece) => piece.kind === 'run' && piece.fromMemberId === idAt(before))
  if (run?.kind !== 'run') return undefined
  const share = (i - before) / (after - before)
  return { x: run.from.x + share * (run.to.x - run.from.x), y: run.from.y + share * (run.to.y - run.from.y) }
}
