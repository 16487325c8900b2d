import { readDrive } from '../drive'
import type { BuildSheet, Member } from '../model/buildSheet'
import { oncePerSheet, partsOf } from '../sheet'
import { ratioValue } from '../units'

/** A build sheet of which every loop can be drawn, and what in it is only there to be drawn. */
export interface Drawable {
  readonly sheet: BuildSheet
  /** Toothed parts whose teeth nobody counted. */
  readonly standIns: ReadonlySet<string>
  /** Loops that do not lie as the sheet has them, so that they are drawn without their length, or not where their shafts stand. */
  readonly bent: ReadonlySet<string>
}

/** Teeth of a driving wheel that nobody counted, to draw it by. */
const USUAL_TEETH = 20

/** A build sheet as it can be drawn: teeth that are not counted stand in by the ratios of their shafts, a length that does not close is left out, and a loop that
 *  does not lie at all stands where there is room. Never to be judged by. */
export const asDrawable = oncePerSheet((sheet): Drawable => {
  const { counted, standIns } = withTeeth(sheet)
  const bent = new Set<string>()
  let drawn = counted
  for (const change of [withoutLength, withoutPlaces]) {
    const wrong = drawn.loops.filter((loop) => !readDrive(drawn).solved(loop).ok)
    for (const { id } of wrong) {
      bent.add(id)
      drawn = change(drawn, id)
    }
  }
  return { sheet: drawn, standIns, bent }
})

function withTeeth(sheet: BuildSheet): { readonly counted: BuildSheet; readonly standIns: ReadonlySet<string> } {
  const standIns = new Set<string>()
  const speeds = pitchSpeeds(sheet)
  const members = sheet.members.map((member): Member => {
    const shaft = partsOf(sheet).shaft(member.shaftId)
    if (member.teeth || !shaft || member.kind === 'hub') return member
    standIns.add(member.id)
    const speed = speeds.get(member.id) ?? USUAL_TEETH
    const teeth = Math.min(200, Math.max(8, Math.round(speed / Math.abs(ratioValue(shaft.ratio)))))
    return { ...member, teeth: { value: teeth, typed: '', trust: 'unknown' } }
  })
  return { counted: standIns.size === 0 ? sheet : { ...sheet, members }, standIns }
}

/** Teeth that pass for one turn of the crank, alike for all that run together: by the first of them that is counted. */
function pitchSpeeds(sheet: BuildSheet): ReadonlyMap<string, number> {
  const parts = partsOf(sheet)
  const together = [
    ...sheet.loops.map(({ path }) => path.map(({ memberId }) => memberId)),
    ...sheet.couplings.flatMap(({ kind, fromId, toId }) => (kind === 'gearMesh' ? [[fromId, toId]] : [])),
  ]
  const speeds = new Map<string, number>()
  const speedOf = (id: string) => {
    const shaft = parts.shaftOfMember(id)
    const teeth = parts.member(id)?.teeth?.value
    return shaft && teeth ? teeth * Math.abs(ratioValue(shaft.ratio)) : undefined
  }
  // Gears hang on gears: what is known of one goes on to the next.
  for (let again = true; again;) {
    again = false
    for (const ids of together) {
      const known = ids.map((id) => speedOf(id) ?? speeds.get(id)).find((one) => one !== undefined)
      for (const id of ids) {
        if (known === undefined || speeds.has(id)) continue
        speeds.set(id, known)
        again = true
      }
    }
  }
  return speeds
}

const withoutLength = (sheet: BuildSheet, loopId: string): BuildSheet => ({
  ...sheet,
  loops: sheet.loops.map((loop) => {
    if (loop.id !== loopId) return loop
    const { pitches: _pitches, ...rest } = loop
    return rest
  }),
})

/** The shafts of a loop but the crank without their places, and without its pitch: it is drawn as a schematic. */
function withoutPlaces(sheet: BuildSheet, loopId: string): BuildSheet {
  const loop = partsOf(sheet).loop(loopId)
  const own = new Set(loop?.path.map(({ memberId }) => partsOf(sheet).member(memberId)?.shaftId))
  return {
    ...sheet,
    shafts: sheet.shafts.map((shaft) => {
      if (!own.has(shaft.id) || shaft.kind === 'crank') return shaft
      const { position: _position, ...rest } = shaft
      return rest
    }),
  }
}
