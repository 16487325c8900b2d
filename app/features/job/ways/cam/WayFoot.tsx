import { Button } from '@mantine/core'
import { isSaid, type CamLateness } from '@link-count/core/cams'
import { latenessOn, type CamReadDraft } from '@link-count/core/ledger'
import type { Step } from '@link-count/core/runSheet'
import { fixed, formatLateness } from '@link-count/core/units'
import type { Taken } from '../../../../ui/fields'
import { notSaidWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { useReversingGear } from './useReversingGear'

interface Typed extends Taken {
  readonly ask: () => void
}

/** What a reading says before it is written, and the button that writes it. Fields that are not filled say so when it is pressed. */
export function WayFoot({
  step,
  way,
  read,
  fields,
  besides = [],
}: {
  readonly step: Step
  /** What it is a reading of. */
  readonly way: string
  /** Undefined until every field can be read. */
  readonly read: CamReadDraft | undefined
  readonly fields: Readonly<Record<string, Typed>>
  /** What was kept for it before and goes with it. */
  readonly besides?: readonly Taken[]
}) {
  const { view, say } = useBench()
  const gear = useReversingGear()
  const ahead = read && latenessOn(view.sheet, view.state.zeros.frames.at(-1), read)
  const said = ahead && gear.isAstern ? 'astern' : ahead
  const write = () => {
    for (const field of Object.values(fields)) field.ask()
    if (!read) return
    const typed = Object.entries(fields)
      .filter(([, { text }]) => text.trim() !== '')
      .map(([field, { text }]) => ({ field, text }))
    void say({ ...read, conditions: gear.conditions, typed, stepId: step.id }, [...Object.values(fields), ...besides])
  }
  return (
    <>
      {said !== undefined &&
        (isSaid(said) ? (
          <p>
            The cam is <span className="reading">{formatLateness(said.latenessDeg)}</span> ±{' '}
            {fixed(2 * said.sigmaDeg, 1)}° at the crank
            {said.durationDeg !== undefined && (
              <span className="soft">
                {' '}
                (opens {formatLateness(said.opensLateDeg ?? 0)}, closes {formatLateness(said.closesLateDeg ?? 0)}, open
                for {said.durationDeg >= 0 ? '+' : '−'}
                {fixed(Math.abs(said.durationDeg), 1)}°{said.converted ? ', converted to the book’s lift' : ''})
              </span>
            )}
            {said.driftsDeg && said.driftsDeg.length > 1 && (
              <span className="soft">
                {' '}
                (middles {said.driftsDeg.map((deg) => `${deg < 0 ? '−' : '+'}${fixed(Math.abs(deg), 1)}°`).join(', ')})
              </span>
            )}
            <ShapeLeftOpen said={said} />
          </p>
        ) : (
          <p className="soft">{notSaidWords[said]} It is written down all the same.</p>
        ))}
      {gear.panel}
      <Button
        variant="filled"
        disabled={gear.isOpen}
        onClick={write}
        aria-label={`Write it down: ${way.toLowerCase()}`}
      >
        Write it down
      </Button>
    </>
  )
}

/** What of the ± comes from a lobe whose shape is not known, and what the book's lift at TDC or a lift table would make of it. */
function ShapeLeftOpen({ said: { sigmaDeg, shapeDeg = 0, shapeWithTdcLiftDeg } }: { readonly said: CamLateness }) {
  const plainDeg = 2 * sigmaDeg - shapeDeg
  if (shapeDeg < 0.2 * plainDeg) return null
  const better = [
    ...(shapeWithTdcLiftDeg === undefined || shapeWithTdcLiftDeg > 0.9 * shapeDeg
      ? []
      : [`with the book’s lift at TDC it would be ± ${fixed(plainDeg + shapeWithTdcLiftDeg, 1)}°`]),
    `with a lift table of this cam ± ${fixed(plainDeg, 1)}°`,
  ]
  return (
    <span className="soft">
      {' '}
      {shapeDeg > plainDeg ? 'Most' : 'Part'} of that ± is the shape of the lobe, which the sheet leaves open:{' '}
      {better.join(', ')}.
    </span>
  )
}
