import type { BuildSheet, Cam } from '../../model/buildSheet'

export const camOf = (sheet: BuildSheet, { camId }: { readonly camId: string }): Cam | undefined =>
  sheet.cams.find(({ id }) => id === camId)

/** Of a reading made on one lobe: its camshaft, and the lobe. */
export const onLobe = {
  shaftOf: (sheet: BuildSheet, read: { readonly camId: string }) => camOf(sheet, read)?.shaftId,
  thingOf: ({ camId }: { readonly camId: string }) => camId,
}
