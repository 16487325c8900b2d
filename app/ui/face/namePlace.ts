export interface Circle {
  readonly x: number
  readonly y: number
  readonly r: number
}
export interface NamePlace {
  readonly x: number
  readonly y: number
  readonly textAnchor: 'start' | 'middle' | 'end'
}

/** A letter of the bench's words, px, on average. */
const LETTER = 8.4
const LINE = 18
/** The readout of the crank stands at the upper left. */
const READOUT = { left: 0, right: 250, top: 0, bottom: 165 }

/** Where a wheel's name stands beside it without lying on another wheel or on the crank's readout: the sides in the order given, the first that is
 *  free, else the first of all. */
export function namePlace(
  part: Circle,
  others: readonly Circle[],
  { words, gap, order }: { readonly words: string; readonly gap: number; readonly order: readonly Side[] },
): NamePlace {
  const width = words.length * LETTER
  const places = order.map((side) => placeAt(part, side, gap))
  const free = places.find((place) => {
    const left = place.x - { start: 0, middle: width / 2, end: width }[place.textAnchor]
    const box = { left, right: left + width, top: place.y - LINE * 0.8, bottom: place.y + LINE * 0.2 }
    return !others.some((other) => touches(box, other)) && !overlaps(box, READOUT)
  })
  return free ?? places[0] ?? placeAt(part, 'below', gap)
}

type Side = 'right' | 'left' | 'above' | 'below'

function placeAt({ x, y, r }: Circle, side: Side, gap: number): NamePlace {
  switch (side) {
    case 'right':
      return { x: x + r + gap, y: y + 5, textAnchor: 'start' }
    case 'left':
      return { x: x - r - gap, y: y + 5, textAnchor: 'end' }
    case 'above':
      return { x, y: y - r - gap, textAnchor: 'middle' }
    case 'below':
      return { x, y: y + r + gap + 10, textAnchor: 'middle' }
  }
}

interface Box {
  readonly left: number
  readonly right: number
  readonly top: number
  readonly bottom: number
}

const overlaps = (a: Box, b: Box) => a.left < b.right && a.right > b.left && a.top < b.bottom && a.bottom > b.top

function touches(box: Box, { x, y, r }: Circle): boolean {
  const dx = x - Math.min(box.right, Math.max(box.left, x))
  const dy = y - Math.min(box.bottom, Math.max(box.top, y))
  return dx * dx + dy * dy < r * r
}
