type Random = () => number
const pick = <T>(random: Random, list: readonly T[]): T => list[Math.floor(random() * list.length)] as T
/** As `pick`, of a list that spoiling may have emptied. */
const some = <T>(random: Random, list: readonly T[]): T | undefined => list[Math.floor(random() * list.length)]

const ABSURD: readonly unknown[] = [
  null,
  true,
  false,
  0,
  -1,
  1e308,
  -1e308,
  1e9,
  1.5,
  '',
  'x',
  'x'.repeat(5000),
  '<img src=x onerror=alert(1)>',
  'toString',
  '__proto__',
  [],
  [null],
  {},
  { value: 1 },
  { constructor: 1 },
  '2026-13-45T99:99:99Z',
  '2026-01-01T00:00:00.000Z',
  [[[[[]]]]],
]

interface Place {
  readonly holder: Record<string, unknown> | unknown[]
  readonly key: string | number
}

function placesIn(value: unknown, into: Place[] = []): Place[] {
  if (typeof value !== 'object' || value === null) return into
  const keys = Array.isArray(value) ? value.map((_one, i) => i) : Object.keys(value)
  for (const key of keys) {
    into.push({ holder: value as Record<string, unknown>, key })
    placesIn((value as Record<string | number, unknown>)[key], into)
  }
  return into
}

const get = (place: Place | undefined) => place && (place.holder as Record<string | number, unknown>)[place.key]
const put = (place: Place | undefined, value: unknown) => {
  if (place) (place.holder as Record<string | number, unknown>)[place.key] = value
}

/** Ways to spoil what a file says. */
const spoilers: readonly ((file: Record<string, unknown>, random: Random) => void)[] = [
  (file, random) => put(some(random, placesIn(file)), pick(random, ABSURD)),
  (file, random) => {
    const places = placesIn(file)
    put(some(random, places), structuredClone(get(some(random, places))))
  },
  (file, random) => {
    const place = some(random, placesIn(file))
    if (!place) return
    if (Array.isArray(place.holder)) place.holder.splice(Number(place.key), 1)
    else Reflect.deleteProperty(place.holder, place.key)
  },
  (file, random) => {
    const lists = placesIn(file).filter((place) => Array.isArray(get(place)) && (get(place) as unknown[]).length > 0)
    const list = get(some(random, lists)) as unknown[] | undefined
    list?.push(structuredClone(some(random, list)))
  },
  (file, random) => {
    const ids = placesIn(file).filter(({ key }) => /(^id|Id)$/.test(String(key)))
    put(some(random, ids), get(some(random, ids)))
  },
  (file, random) => {
    const numbers = placesIn(file).filter((place) => typeof get(place) === 'number')
    const place = some(random, numbers)
    put(place, pick(random, [-1, 0, 0.5, 2, 10, 1e6, -1e6]) * (get(place) as number))
  },
  (file, random) => {
    const { holder } = pick(random, placesIn(file))
    if (!Array.isArray(holder))
      holder[pick(random, ['extra', 'toString', 'prototype', 'valueOf'])] = pick(random, ABSURD)
  },
  (file, random) => void (file['version'] = pick(random, [0, -1, 1, 2, 3, 4, 5, 6, 1.5, '5', null, 1e9])),
]

/** Ways to spoil its bytes. */
const damages: readonly ((text: string, random: Random) => string)[] = [
  (text, random) => text.slice(0, Math.floor(random() * text.length)),
  (text, random) => {
    const at = Math.floor(random() * text.length)
    return text.slice(0, at) + String.fromCharCode(32 + Math.floor(random() * 95)) + text.slice(at + 1)
  },
  (text, random) => {
    const [a, b] = [random(), random()].map((share) => Math.floor(share * text.length)).sort((x, y) => x - y)
    return text.slice(0, a) + text.slice(b)
  },
  (text, random) => {
    const at = Math.floor(random() * text.length)
    return (
      text.slice(0, at) +
      pick(random, ['"', '}', ']', ',', '[[[[', '\u0000', '{"__proto__":1}', '1e999']) +
      text.slice(at)
    )
  },
]

/** Records spoilt in one to four places, as a damaged store may hold them. */
export function spoilRecords<T extends object>(records: T, random: Random): T {
  const copy = structuredClone(records) as Record<string, unknown>
  const lists = new Map(Object.entries(copy))
  for (let i = 0; i <= random() * 3; i++) pick(random, spoilers)(copy, random)
  // The store has its tables whatever is in them.
  for (const [name, list] of lists) if (!Array.isArray(copy[name])) copy[name] = list
  return Object.fromEntries([...lists.keys()].map((name) => [name, copy[name]])) as T
}

/** A file spoilt in one to four places: what it says, then perhaps its bytes. */
export function spoil(file: object, random: Random): string {
  const copy = structuredClone(file) as Record<string, unknown>
  const times = Math.floor(random() * 4)
  for (let i = 0; i < times; i++) pick(random, spoilers)(copy, random)
  const text = JSON.stringify(copy)
  return times === 0 || random() < 0.3 ? pick(random, damages)(text, random) : text
}
