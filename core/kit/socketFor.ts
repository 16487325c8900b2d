import { readThread } from '../fasteners'

/** Across the flats of hexagon heads and nuts, mm, by diameter: as they are made today, and as they were before. Source: ISO 4014 and ISO 4032; the older ones DIN 931. */
const METRIC: Readonly<Record<number, readonly number[]>> = {
  4: [7],
  5: [8],
  6: [10],
  8: [13],
  10: [16, 17],
  12: [18, 19],
  14: [21, 22],
  16: [24],
  18: [27],
  20: [30],
  24: [36],
}

/** The same of unified threads, by diameter in sixteenths of an inch. Source: ASME B18.2.1. */
const UNIFIED: Readonly<Record<number, string>> = { 4: '7/16', 5: '1/2', 6: '9/16', 7: '5/8', 8: '3/4' }

/** What fits a hexagon of a usual size on a thread: mm across the flats, inches across the flats, or a Whitworth spanner, which is named after the thread. Undefined
 *  where the thread is not known or its hexagon not in these tables; a cap screw or a reduced head has another. */
export function socketFor(thread: string | undefined): string | undefined {
  const read = thread === undefined ? undefined : readThread(thread)
  if (!read || thread === undefined) return undefined
  const sixteenths = Math.round((read.diameterMm / 25.4) * 16)
  switch (read.standard) {
    case 'metric':
      return METRIC[read.diameterMm] && `${METRIC[read.diameterMm]?.join(' or ')} mm`
    case 'unified':
      return UNIFIED[sixteenths] && `${UNIFIED[sixteenths]} in`
    case 'whitworth':
      return /^\s*(\d+\/\d+|\d+)/.exec(thread)?.[1]?.concat(/bsf/i.test(thread) ? ' BSF' : ' Whitworth')
  }
}
