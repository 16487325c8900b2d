import type { BoltGroup } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { boltName, passWords, torqueWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { NotKnown } from './BoltInHand'
import { useTightening } from './useTightening'
import { useWrench } from './useWrench'

/** Bench mode while bolts are tightened: the one in hand and its figure; a touch is the next. */
export function BoltFigure({ step, group }: { readonly step: Step; readonly group: BoltGroup }) {
  const { view } = useBench()
  const work = useTightening(step, group)
  const { unit, withFoot, settingOf } = useWrench(view.job.id)
  const { next, passes, order } = work.tightening
  const pass = next && passes[next.pass]
  if (!next || !pass) return <p className="bench-mode-words">All {group.bolts.length} are through.</p>
  const place = order.findIndex(({ id }) => id === next.bolt.id) + 1
  const set = pass.by === 'torque' && withFoot ? `, wrench at ${torqueWords(settingOf(pass.nm), unit)}` : ''
  const words = `${boltName(group, next.bolt.id)}: ${passWords(pass, unit)}${set}`
  return (
    <>
      {work.mayGoOn ? (
        <button type="button" className="bench-mode-words" onClick={work.goOn} data-autofocus>
          {words}
        </button>
      ) : (
        <p className="bench-mode-words">{words}</p>
      )}
      <p className="bench-mode-step">
        Stage {next.pass + 1} of {passes.length}, {place} of {order.length}
      </p>
      <NotKnown group={group} work={work} />
    </>
  )
}
