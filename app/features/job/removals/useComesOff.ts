import { nanoid } from 'nanoid'
import { useState } from 'react'
import { entryLimits } from '@link-count/core/model'
import { removalsOf } from '@link-count/core/removals'
import type { Step } from '@link-count/core/runSheet'
import { openWaits, waitsOf } from '@link-count/core/waits'
import { parseWhole, useDraft, useField } from '../../../ui/fields'
import { useBench } from '../JobContext'

/** What is asked of something that comes off; it is held while a wait keeps the crankcase shut, or which way round it was is not written. */
export function useComesOff(step: Step) {
  const { view, say } = useBench()
  const { state, job } = view
  const key = (name: string) => `${job.id}:off:${name}`
  const what = useDraft(key('what'))
  const belongs = useDraft(key('belongs'))
  const lies = useDraft(key('lies'))
  const nextBag = Math.max(0, ...removalsOf(state).map(({ entry }) => entry.bag ?? 0)) + 1
  const bag = useField(key('bag'), parseWhole(entryLimits('tookOff', 'bag')))
  const [twoWays, setTwoWays] = useState(false)
  const [crankcase, setCrankcase] = useState(false)
  const [aboveHole, setAboveHole] = useState(false)
  const [plug, setPlug] = useState(false)
  const waits = openWaits(state).some(({ entry }) => entry.holds === 'crankcase')
  const hasCoupling =
    view.sheet.starting === 'air' || waitsOf(state).some(({ entry }) => entry.holds === 'couplingPlugs')
  const held = (crankcase && waits) || what.text.trim() === '' || (twoWays && lies.text.trim() === '')
  const write = async () => {
    if (held || (bag.text.trim() !== '' && bag.value === undefined)) return bag.ask()
    const said = await say(
      {
        kind: 'tookOff',
        removalId: nanoid(8),
        what: what.text.trim(),
        belongs: belongs.text.trim(),
        lies: lies.text.trim(),
        ...(bag.value === undefined ? {} : { bag: bag.value }),
        ...(twoWays ? { fitsTwoWays: true } : {}),
        ...(crankcase ? { opensCrankcase: true } : {}),
        ...(plug ? { couplingPlug: true } : {}),
        ...(aboveHole ? { aboveHole: true } : {}),
        stepId: step.id,
      },
      [what, belongs, lies, bag],
    )
    if (!said) return
    for (const set of [setTwoWays, setCrankcase, setPlug, setAboveHole]) set(false)
  }
  return {
    what,
    belongs,
    lies,
    bag,
    nextBag,
    is: { twoWays, setTwoWays, crankcase, setCrankcase, plug, setPlug, aboveHole, setAboveHole },
    held,
    waits,
    hasCoupling,
    write,
  }
}
