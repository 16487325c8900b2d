import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { takeSettled } from '../stand/settled'
import { byTheStand, type LedgerKind } from './kind'

const is = <const T extends readonly [string, ...string[]]>(values: T) => field.oneOf('What was seen of it', values)
const id = field.id('The part')
const became = field.id('The part of the build sheet of today that it is').optional()

/** What was seen on the engine of a part that lines disagree on, that vanished from the build sheet, or that is new on it. */
export const settledPart = field.eitherBy('about', [
  field.group({ about: field.exactly('item'), id, is: is(['in', 'out']) }),
  field.group({ about: field.exactly('loop'), id, is: is(['on', 'off', 'asItRan', 'gone', 'became']), became }),
  field.group({
    about: field.exactly('coupling'),
    id,
    is: is(['together', 'apart', 'asItRan', 'gone', 'became']),
    became,
  }),
  field.group({ about: field.exactly('tensioner'), id, is: is(['released', 'heldBack', 'gone', 'became']), became }),
  field.group({ about: field.exactly('camshaft'), id, is: is(['out', 'free', 'held', 'driven', 'gone']) }),
  /** A job that could not be read or was taken out: somebody looked over the whole engine, and nothing of that job is left in it. */
  field.group({ about: field.exactly('job'), id, is: field.exactly('nothingInside') }),
  /** The crank stands where the named line says, whatever turns are written. */
  field.group({ about: field.exactly('crank'), id, is: field.exactly('asSeen') }),
])

export const settledShape = entryShape(
  'settled',
  'What was seen on the engine of a part that lines disagree on, that is no longer on the build sheet, or that is new on it',
  { part: settledPart.describe('The part, and what was seen of it'), role: field.words('Who looked') },
)

export type Settled = field.ValueOf<typeof settledPart>

export const settled: LedgerKind<'settled'> = {
  inJob: byTheStand,
  onEngine: takeSettled,
  leansOnWheel: false,
  samples: [
    { kind: 'settled', part: { about: 'loop', id: 'chain', is: 'off' }, role: 'fitter' },
    { kind: 'settled', part: { about: 'loop', id: 'nowhere', is: 'became', became: 'chain' }, role: '' },
  ],
}
