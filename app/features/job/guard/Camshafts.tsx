import { Button } from '@mantine/core'
import { camshaftNow, canAllBeShut } from '@link-count/core/ledger'
import type { EntryOf } from '@link-count/core/model'
import { Fold } from '../../../ui/Fold'
import { useBench } from '../JobContext'

const states: readonly [Exclude<EntryOf<'camshaft'>['is'], 'seenShut'>, string][] = [
  ['driven', 'Driven'],
  ['held', 'In and held'],
  ['free', 'In and free'],
  ['out', 'Out'],
]

/** How each camshaft is: driven by its loop, in and held, in and free to spring round, or out; and, held, whether every valve of it was seen shut. */
export function Camshafts() {
  const { view, say } = useBench()
  const { sheet, state } = view
  const camshafts = sheet.shafts.filter(({ kind }) => kind === 'cam')
  const changed = camshafts.filter(({ id }) => camshaftNow(sheet, state.stand, id).is !== 'driven').length
  if (camshafts.length === 0) return null
  return (
    <Fold title="Camshafts" note={changed === 0 ? 'all driven' : `${changed} held, free or out`} open={changed > 0}>
      {camshafts.map(({ id, name }) => {
        const { is, loose, seenShut } = camshaftNow(sheet, state.stand, id)
        return (
          <fieldset className="look" key={id}>
            <legend>{name}</legend>
            <div className="row">
              {states
                .filter(([value]) => value !== 'driven' || !loose)
                .map(([value, words]) => (
                  <Button
                    key={value}
                    variant={is === value ? 'filled' : 'quiet'}
                    aria-pressed={is === value}
                    onClick={() => void say({ kind: 'camshaft', shaftId: id, is: value })}
                  >
                    {words}
                  </Button>
                ))}
            </div>
            {is === 'held' && <HeldBy shaftId={id} />}
            {is === 'held' && canAllBeShut(sheet, id) && (
              <>
                <Button
                  variant={seenShut ? 'filled' : 'default'}
                  aria-pressed={seenShut}
                  onClick={() => void say({ kind: 'camshaft', shaftId: id, is: 'seenShut' })}
                >
                  Every valve of it seen shut
                </Button>
                <p className="soft">
                  Each valve looked at, lash felt, decompressor off. It counts while the camshaft is held.
                </p>
              </>
            )}
          </fieldset>
        )
      })}
    </Fold>
  )
}

const holds: readonly [NonNullable<EntryOf<'camshaft'>['by']>, string][] = [
  ['lock', 'A lock'],
  ['bar', 'A bar'],
  ['tie', 'A tie'],
  ['hand', 'A hand'],
  ['oneScrew', 'One of two screws'],
]

/** What holds a camshaft still. */
function HeldBy({ shaftId }: { readonly shaftId: string }) {
  const { view, say } = useBench()
  const said = view.state.live.findLast((entry) => entry.kind === 'camshaft' && entry.shaftId === shaftId)
  const by = said?.kind === 'camshaft' ? said.by : undefined
  return (
    <>
      <p className="soft">Held by</p>
      <div className="row">
        {holds.map(([value, words]) => (
          <Button
            key={value}
            variant={by === value ? 'filled' : 'quiet'}
            aria-pressed={by === value}
            onClick={() => void say({ kind: 'camshaft', shaftId, is: 'held', by: value })}
          >
            {words}
          </Button>
        ))}
      </div>
    </>
  )
}
