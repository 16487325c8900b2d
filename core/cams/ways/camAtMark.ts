import { crankMarkOf, isByMark, markSigmaDeg, offPlace, ROCKING_SIGMA_DEG, seenOff, tellsToothBy } from '../../byMark'
import { tdcOnOneTurn } from '../../cylinders'
import { markPoseDeg, readDrive } from '../../drive'
import type { BuildSheet, Shaft } from '../../model/buildSheet'
import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { partsOf } from '../../sheet'
import { ratioValue, wrapToSigned } from '../../units'
import { latenessFromPushrods } from './rocking'
import type { CamLateness, CamWay, NotSaid, ReadByNow, ReadLateness, ReadOf } from './way'

export const camAtMarkShape = entryShape(
  'camAtMark',
  'A camshaft seen at its place, or off it by whatever was seen, with the crank at a mark of its own or at a reading of the wheel',
  {
    shaftId: field.id('The camshaft'),
    markId: field.id('Its mark; nothing where it was told by lobes, letters, rocking or pushrods').optional(),
    phase: field.phase,
    crank: field
      .eitherBy('by', [
        field.group({
          by: field.exactly('mark'),
          markId: field.id('The mark of the crank, on a sprocket or a rim'),
          offDeg: field.between('How far past that mark the crank stands, crank degrees, + = past it', -45, 45),
        }),
        field.group({ by: field.exactly('wheel'), wheelDeg: field.onWheel('What the wheel reads') }),
      ])
      .describe('Where the crank stands'),
    off: seenOff.describe('How far off its place the camshaft stands'),
  },
)

/** Further from where it should meet than this, nothing is said: the crank stands at another mark. */
const MOST_PAST_DEG = 45
type Read = ReadOf<'camAtMark'>

/** Lateness of a camshaft seen at its place, or off it by so much: how far the crank is past the place where it should meet, and what it lacks itself
 *  over its ratio. Crank degrees, + = late. The ± holds what was seen, and what both marks may be out by. No degree wheel and no proved TDC is wanted
 *  where the crank is read by a mark: it is then lateness by those marks.
 *  Says nothing: a mark is gone from the sheet; the crank stands elsewhere; off by teeth that nobody counted; pushrods without lobes. */
export function latenessAtItsMark(by: ReadByNow, read: Read): ReadLateness {
  const { sheet } = by
  const shaft = partsOf(sheet).shaft(read.shaftId)
  const own = shaft && Math.abs(ratioValue(readDrive(sheet).ratioOf(shaft)))
  const crank = crankNow(by, read)
  if (typeof crank === 'string') return crank
  const meetsDeg = meetingPlace(sheet, read)
  if (!shaft || !own || meetsDeg === undefined) return 'noMark'
  const pastDeg = wrapToSigned(crank.placeDeg - meetsDeg, 360)
  if (Math.abs(pastDeg) > MOST_PAST_DEG) return 'crankElsewhere'
  const lacks = lackingAtCrank(sheet, shaft, read, own)
  if (typeof lacks === 'string') return lacks
  return { latenessDeg: pastDeg + lacks.latenessDeg, sigmaDeg: Math.hypot(crank.sigmaDeg, lacks.sigmaDeg) }
}

/** Where the crank stands on one turn, by its mark or by the wheel. */
function crankNow(
  { sheet, zero, wheelSigmaAt }: ReadByNow,
  { crank }: Read,
): { readonly placeDeg: number; readonly sigmaDeg: number } | NotSaid {
  if (crank.by === 'wheel') {
    if (!zero) return 'noZero'
    const { wheelDeg } = crank
    return { placeDeg: wheelDeg - zero.wheelDeg, sigmaDeg: Math.hypot(wheelSigmaAt(wheelDeg), zero.sigmaDeg) }
  }
  const mark = crankMarkOf(sheet, crank.markId)
  return mark ? { placeDeg: mark.placeDeg + crank.offDeg, sigmaDeg: mark.sigmaDeg } : 'noMark'
}

/** Where the crank has to stand for what was looked at: at the cylinder's TDC for its valves, else where the camshaft's mark meets. */
function meetingPlace(sheet: BuildSheet, { off: seen, markId, shaftId }: Read): number | undefined {
  if (seen.by === 'rocking' || seen.by === 'pushrods') return tdcOnOneTurn(sheet, seen.cylinderId)
  const mark = partsOf(sheet).mark(markId)
  if (isByMark(seen) && !mark) return undefined
  return markPoseDeg(sheet, mark ?? markOfShaft(sheet, shaftId))
}

/** The mark by which a shaft is set: the first of its marks that meets for the timing. */
export const markOfShaft = (sheet: BuildSheet, shaftId: string) =>
  sheet.marks.find(({ memberId, cutFor }) => cutFor === 'pose' && partsOf(sheet).member(memberId)?.shaftId === shaftId)

function lackingAtCrank(
  sheet: BuildSheet,
  shaft: Shaft,
  { off: seen, markId }: Read,
  own: number,
): CamLateness | NotSaid {
  if (seen.by === 'pushrods') {
    const said = latenessFromPushrods(sheet, seen.cylinderId, seen.exhaustHigherMm)
    // Level tops at overlap are what most camshafts are cut for, where the sheet does not say.
    const level = { latenessDeg: 0, sigmaDeg: ROCKING_SIGMA_DEG / own }
    return typeof said === 'string' && said !== 'twoCamshafts' && seen.exhaustHigherMm === 0 ? level : said
  }
  const off = offPlace(sheet, shaft, seen)
  if (typeof off === 'string') return off
  const mark = partsOf(sheet).mark(markId)
  const markSigma =
    mark && isByMark(seen) ? markSigmaDeg(mark.exact, partsOf(sheet).member(mark.memberId)?.teeth?.value) : 0
  return { latenessDeg: off.deg / own, sigmaDeg: Math.hypot(off.sigmaDeg, markSigma) / own }
}

export const camAtMark: CamWay<'camAtMark'> = {
  shaftOf: (_sheet, { shaftId }) => shaftId,
  thingOf: ({ shaftId }) => shaftId,
  lateness: latenessAtItsMark,
  tellsTooth: ({ off }) => tellsToothBy(off),
  leansOnWheel: ({ crank }) => crank.by === 'wheel',
  samples: [
    {
      kind: 'camAtMark',
      shaftId: 'camshaft',
      markId: 'cam-mark',
      phase: 'found',
      crank: { by: 'mark', markId: 'crank-mark', offDeg: 0 },
      off: { by: 'clock', hours: -0.5, sureToHours: 0.5 },
    },
    {
      kind: 'camAtMark',
      shaftId: 'camshaft',
      markId: 'cam-mark',
      phase: 'left',
      crank: { by: 'wheel', wheelDeg: 5 },
      off: { by: 'level' },
    },
  ],
}
