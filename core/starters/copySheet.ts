import type { BoltGroup, BuildSheet } from '../model/buildSheet'

/** What of another engine's sheet a new one begins with. */
export type CopiedFigures = 'none' | 'toBeChecked'

/** Where a figure comes from that was taken over from another engine. */
export const FROM_ANOTHER = 'from another engine, to be checked'

/** A build sheet begun from another engine's: its shape, names and marks; its figures left out, or taken over as figures of another engine. What was found wrong
 *  with the marks of that engine stays with it. Counts of a book, lift tables and shims go where its figures go. */
export function copySheet(
  sheet: BuildSheet,
  of: Pick<BuildSheet, 'id' | 'engineId' | 'at'>,
  figures: CopiedFigures,
): BuildSheet {
  const own = { ...sheet, rimMarks: sheet.rimMarks.map(({ errorDeg: _error, ...mark }) => mark) }
  const { interference, referencePose, shims, counts, cams, cylinders, followers, boltGroups, ...rest } = own
  const keep = figures === 'toBeChecked'
  return {
    ...(without(rest, keep) as typeof rest),
    ...of,
    version: 1,
    interference: keep ? another(interference) : { value: 'unknown', typed: '', trust: 'unknown' },
    // A sheet always has a timing position.
    referencePose: { ...referencePose, crankDeg: another(referencePose.crankDeg) },
    ...(keep && shims ? { shims } : {}),
    counts: keep ? (without(counts, true) as typeof counts) : [],
    cams: cams.map(({ liftTable, ...cam }) => ({
      ...(without(cam, keep) as typeof cam),
      ...(keep && liftTable ? { liftTable } : {}),
    })),
    ...(followers
      ? {
          followers: followers.map(({ wanted, ...one }) => ({
            ...(without(one, keep) as typeof one),
            ...(keep && wanted ? { wanted: without(wanted, true) as typeof wanted } : {}),
          })),
        }
      : {}),
    // What bolts are tightened to is the figure of that engine.
    ...(boltGroups
      ? { boltGroups: keep ? (without(boltGroups, true) as typeof boltGroups) : boltGroups.map(withoutFigures) }
      : {}),
    // Where the first cylinder stands is what the others are told by.
    cylinders: cylinders.map((one) => (one.id === sheet.zeroCylinderId ? one : (without(one, keep) as typeof one))),
    notes: '',
  }
}

const withoutFigures = ({ alsoNm: _also, ...group }: BoltGroup): BoltGroup => ({ ...group, stages: [] })

interface Figure {
  readonly value: unknown
  readonly typed: string
  readonly trust: 'measured' | 'manual' | 'memory' | 'unknown'
}

const isFigure = (value: unknown): value is Figure =>
  typeof value === 'object' && value !== null && 'value' in value && 'typed' in value && 'trust' in value

const another = <T extends Figure>(figure: T) => ({ ...figure, trust: 'unknown' as const, source: FROM_ANOTHER })

/** The same with every figure taken over, or left out; a place by hand falls back to one that is not known. */
function without(value: unknown, keep: boolean): unknown {
  if (isFigure(value)) return keep ? another(value) : undefined
  if (Array.isArray(value)) return value.map((one) => without(one, keep))
  if (typeof value !== 'object' || value === null) return value
  const how = (value as { readonly how?: unknown }).how
  if (!keep && how === 'xy') return { how: 'polar', fromShaftId: 'crank' }
  if (!keep && 'fromDeg' in value && 'toDeg' in value) return undefined
  return Object.fromEntries(
    Object.entries(value).flatMap(([key, one]) => {
      const kept = without(one, keep)
      return kept === undefined ? [] : [[key, kept]]
    }),
  )
}
