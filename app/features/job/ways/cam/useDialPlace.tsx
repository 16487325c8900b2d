import { SegmentedControl } from '@mantine/core'
import { liftAtBookPlace } from '@link-count/core/cams'
import type { Cam } from '@link-count/core/model'
import { formatMm } from '@link-count/core/units'
import { useDraft } from '../../../../ui/fields'

/** Where the dial stands, and a lift read there as the sheet would have it. */
export function useDialPlace(key: string, cam: Cam | undefined) {
  const at = useDraft(`${key}:dial-at`, cam?.measuredAt ?? 'valve')
  const place = at.text as 'valve' | 'follower'
  const atBook = (liftMm: number | undefined) =>
    cam && liftMm !== undefined ? liftAtBookPlace(cam, liftMm, place) : liftMm
  const elsewhere = cam && place !== (cam.measuredAt ?? 'valve')
  const words = (liftMm: number | undefined) =>
    elsewhere && liftMm !== undefined
      ? `= ${formatMm(atBook(liftMm) ?? 0, 3)} at the ${cam.measuredAt ?? 'valve'}, where the book tells it${cam.rockerRatio ? '' : '; the sheet has no rocker ratio, taken as one to one'}.`
      : undefined
  const choice = (
    <SegmentedControl
      aria-label="The dial stands on"
      value={place}
      onChange={at.setText}
      data={[
        { value: 'valve', label: 'Dial on the valve' },
        { value: 'follower', label: 'On the follower' },
      ]}
    />
  )
  return { choice, atBook, words }
}
