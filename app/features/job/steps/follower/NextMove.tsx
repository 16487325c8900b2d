import { handAtDriveEnd, handFromSide, swingHand, type FollowerOfJob } from '@link-count/core/followers'
import type { PlacesMoved } from '@link-count/core/drive'
import { fixed, formatMm } from '@link-count/core/units'
import { followerFigure, sideName } from '../../../../ui/wording'
import { useBench } from '../../JobContext'

/** Which way to move it for what is wanted, as it is seen from where one stands, and how far. */
export function NextMove({ of }: { readonly of: FollowerOfJob }) {
  const { view, side } = useBench()
  const { follower, move, now, aim, pull } = of
  if (!move || !now || !aim) return null
  const atAim = Math.abs(move.short) < now.plusMinus / 4
  if (now.against?.is === 'in' && (now.against.sure === 'sure' || atAim))
    return (
      <p className="result">
        {now.entry.bolts === 'tight'
          ? 'In its band and tight: nothing to move.'
          : 'In its band. Tighten it, and read it again.'}
        {now.entry.bolts === 'loose' && pull === undefined && ' Tightening can carry the body with it.'}
      </p>
    )
  const hand = handFromSide(view.sheet, follower, side) ?? handAtDriveEnd(view.sheet, follower)
  const seen =
    follower.driveEnd === 'across' ? 'looking at its drive end' : `seen from the ${sideName(view.sheet, side)}`
  const wayWords = move.towards === 'advance' ? 'earlier' : 'later'
  const swung = hand
    ? `${swingHand(hand, move.towards)}, ${seen}`
    : `${move.towards === 'advance' ? 'against' : 'with'} the way it runs`
  const far = move.slotMm === undefined ? undefined : Math.abs(move.slotMm)
  const degrees =
    move.ownDeg === undefined || move.crankDeg === undefined
      ? ''
      : ` (${fixed(Math.abs(move.ownDeg), 2)}° of its own, ${fixed(Math.abs(move.crankDeg), 2)}° of the crank)`
  return (
    <div className="warn">
      <p>
        <strong>
          {followerFigure(aim.by, Math.abs(move.short))} {move.towards === 'advance' ? 'late' : 'early'}: move it{' '}
          {wayWords}.
        </strong>
      </p>
      {(follower.setBy.includes('swing') || follower.setBy.length === 0) && (
        <p>
          Its body goes {swung}
          {far === undefined
            ? `${degrees}: a little, about 1 mm, and what that gives tells how far`
            : `, ${formatMm(far, 2)} at the slots${degrees}`}
          .
        </p>
      )}
      {move.insideTeeth !== undefined && (
        <p>
          That is {Math.abs(move.insideTeeth)} {Math.abs(move.insideTeeth) === 1 ? 'tooth' : 'teeth'} of the gear hidden
          inside it: look whether it was put together so far out.
        </p>
      )}
      {move.places && <p>{placesWords(move.places, move.towards, follower.placesTo !== undefined)}</p>}
      {move.perMm !== undefined && (
        <p className="soft">
          By the last two readings 1 mm at the slots is worth {followerFigure(aim.by, move.perMm)}
          {move.perCrankDeg !== undefined && `, and 1° of the crank ${fixed(move.perCrankDeg, 3)} mm`}.
        </p>
      )}
      {pull !== undefined && Math.abs(pull) > LEAST_PULL && (
        <p>
          Tightening took {followerFigure(aim.by, Math.abs(pull))} {pull < 0 ? 'off it' : 'and gave it more'}: with its
          bolts loose set it to <strong className="reading">{followerFigure(aim.by, move.looseTo)}</strong>.
        </p>
      )}
    </div>
  )
}

/** A pull smaller than the eye is none. */
const LEAST_PULL = 0.005

function placesWords(
  { steps, stepsTo, leftoverDeg }: PlacesMoved,
  towards: 'advance' | 'retard',
  two: boolean,
): string {
  const left = `leaves ${fixed(Math.abs(leftoverDeg), 2)}° of its own`
  const way = (n: number) => (n > 0 === (towards === 'advance') ? 'with the way it runs' : 'against it')
  const one = (n: number, row: string) =>
    n === 0
      ? ''
      : `${Math.abs(n)} ${Math.abs(n) === 1 ? 'place' : 'places'}${row} ${way(towards === 'advance' ? n : -n)}`
  const moves = [one(steps, two ? ' of the first row' : ''), one(stepsTo, ' of the other row')].filter(Boolean)
  return moves.length === 0
    ? `No place of its coupling comes nearer: it ${left}.`
    : `Its coupling: ${moves.join(' and ')}, which ${left}.`
}
