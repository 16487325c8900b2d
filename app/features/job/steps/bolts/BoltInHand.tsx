import { Button } from '@mantine/core'
import type { ReactNode } from 'react'
import type { BoltGroup } from '@link-count/core/model'
import { boltName, inHandWords, passWords, torqueWords } from '../../../../ui/wording'
import { Locks } from './BeforeTightening'
import type { InWork } from './useTightening'
import type { WrenchInHand } from './useWrench'

/** The bolt in hand and its figure; after a break what has to be found out of it first. */
export function BoltInHand({
  group,
  work,
  wrench,
  children,
}: {
  readonly group: BoltGroup
  readonly work: InWork
  readonly wrench: WrenchInHand
  /** Their drawing, between the figure and what is done with it. */
  readonly children: ReactNode
}) {
  const { tightening, asked, locks } = work
  const { next, passes, order, begun } = tightening
  const pass = next && passes[next.pass]
  if (!next || !pass) return null
  if (locks)
    return (
      <Locks
        group={group}
        work={work}
        onHeld={() => void work.begin({ ...(begun?.boltsAre ? { boltsAre: begun.boltsAre } : {}), counterHeld: true })}
      />
    )
  const name = boltName(group, next.bolt.id)
  const place = order.findIndex(({ id }) => id === next.bolt.id) + 1
  return (
    <div className="bolt-in-hand">
      {work.notOnRegister && (
        <div className="warn" role="alert">
          <p>They are not through, and the register says that they are tight.</p>
          <Button
            variant="default"
            onClick={() =>
              void work.begin({
                ...(begun?.boltsAre ? { boltsAre: begun.boltsAre } : {}),
                ...(begun?.counterHeld ? { counterHeld: true } : {}),
              })
            }
          >
            They are not tight yet
          </Button>
        </div>
      )}
      <p className="soft">
        Stage {next.pass + 1} of {passes.length}, {place} of {order.length}
      </p>
      <p className="bolt-figure">
        <strong>
          {name}: {passWords(pass, wrench.unit)}
        </strong>
      </p>
      {pass.by === 'torque' && <Setting nm={pass.nm} wrench={wrench} />}
      {children}
      {asked === 'known' ? (
        <>
          <Button variant="filled" fullWidth size="lg" onClick={work.goOn}>
            {pass.by === 'angle' ? `${name} is turned` : `${name} is tight so`}
          </Button>
          <Button variant="quiet" onClick={work.interrupted}>
            I was interrupted
          </Button>
        </>
      ) : (
        <NotKnown group={group} work={work} />
      )}
    </div>
  )
}

/** What the wrench is set to, with what is on it, and whether it goes so far. */
function Setting({ nm, wrench }: { readonly nm: number; readonly wrench: WrenchInHand }) {
  const { unit, withFoot, settingOf, reach } = wrench
  const within = reach(nm)
  return (
    <>
      {withFoot && (
        <p>
          With the crow-foot set the wrench to <strong>{torqueWords(settingOf(nm), unit)}</strong>.
        </p>
      )}
      {within && within !== 'within' && (
        <p className="warn">
          That is {within === 'below' ? 'below' : 'above'} what this wrench is made for: take another.
        </p>
      )}
      {unit !== 'N·m' && <p className="soft">{torqueWords(nm, 'N·m')}</p>}
    </>
  )
}

/** After a break: the wrench again at a torque; its paint line at an angle, and without one it starts afresh. */
export function NotKnown({ group, work }: { readonly group: BoltGroup; readonly work: InWork }) {
  const { asked, tightening, write } = work
  const { next } = tightening
  if (asked === 'known' || !next) return null
  const name = boltName(group, next.bolt.id)
  const say = (did: Parameters<typeof write>[2]) => void write(next.bolt.id, next.pass, did)
  return (
    <div className="warn" role="alert">
      <p>{inHandWords[asked]}</p>
      {asked === 'paintSays' ? (
        <div className="stack">
          <Button variant="default" fullWidth onClick={() => say('paintTurned')}>
            {name}: its paint line has turned that far
          </Button>
          <Button variant="default" fullWidth onClick={() => say('paintNotTurned')}>
            {name}: its paint line has not moved
          </Button>
          <Button variant="default" fullWidth onClick={() => say('slackened')}>
            No paint line: slackened{group.stretch ? ', a new bolt in its place' : ', it starts afresh'}
          </Button>
        </div>
      ) : (
        <Button variant="filled" fullWidth onClick={() => say('checked')}>
          {name}: {asked === 'wrenchAgain' ? 'the wrench was held to it' : 'felt, it is tight so'}
        </Button>
      )}
    </div>
  )
}
