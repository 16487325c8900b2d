import type { BuildSheet, Cam } from '../../model/buildSheet'
import { partsOf } from '../../sheet'

export const camOf = (sheet: BuildSheet, { camId }: { readonly camId: string }): Cam | undefined =>
  partsOf(sheet).cam(camId)

/** Of a reading made on one lobe: its camshaft, and the lobe. */
export const onLobe = {
  shaftOf: (sheet: BuildSheet, read: { readonly camId: string }) => camOf(sheet, read)?.shaftId,
  thingOf: ({ camId }: { readonly camId: string }) => camId,
}
