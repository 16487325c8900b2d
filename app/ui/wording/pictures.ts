import type { PictureMark } from '@link-count/core/model'

/** One thing drawn on a picture. */
export const pictureMarkWords = (mark: PictureMark): string =>
  mark.shape === 'word' ? `“${mark.text}”` : { arrow: 'an arrow', circle: 'a circle' }[mark.shape]
