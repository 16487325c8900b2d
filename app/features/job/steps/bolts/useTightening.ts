import { useState } from 'react'
import { inHand, locksBefore, stageOf, tighteningOf } from '@link-count/core/fasteners'
import type { Bolt, BoltGroup, EntryOf } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { useBench } from '../../JobContext'
import { useCountKeys } from '../useCountKeys'
import { begunLines, boltLines, standLoose } from './boltEntries'

/** A group of bolts as it is worked: what is in hand, and what is said of it. After a break the one in hand is not known. */
export function useTightening(step: Step, group: BoltGroup) {
  const { view, say } = useBench()
  const { state } = view
  const tightening = tighteningOf(group, state)
  const { lastId, next, begun, passes, through } = tightening
  // What was written before this page looked at it was written before a break.
  const [before, setBefore] = useState(lastId)
  const asked = inHand(tightening, lastId !== before)
  const pass = next && passes[next.pass]
  const locks = locksBefore(group, state, begun?.counterHeld ?? false)
  const stage = stageOf(tightening)
  const mayGoOn = stage === 'inWork' && begun !== undefined && asked === 'known' && locks === undefined
  const write = (boltId: string, pass: number, did: EntryOf<'bolt'>['did']) => {
    const newBolt = did === 'slackened' && group.stretch ? { newBolt: true as const } : {}
    const lines = boltLines(group, state, { boltId, pass, did, ...newBolt })
    return say(lines.map((line) => ({ ...line, stepId: step.id })))
  }
  const goOn = () => {
    if (mayGoOn && next) void write(next.bolt.id, next.pass, 'tightened')
  }
  useCountKeys({ active: mayGoOn, add: (by) => by === 1 && goOn() })
  return {
    tightening,
    asked,
    locks,
    stage,
    mayGoOn,
    /** Not through, and off the register all the same: after a line was struck, or by somebody’s hand. */
    notOnRegister: stage === 'inWork' && !standLoose(group, state),
    write,
    goOn,
    begin: (line: Omit<Parameters<typeof begunLines>[2], 'change'> = {}) =>
      say(begunLines(group, state, { change: 'begun', ...line }).map((one) => ({ ...one, stepId: step.id }))),
    loosen: () => say(begunLines(group, state, { change: 'loosened' }).map((one) => ({ ...one, stepId: step.id }))),
    interrupted: () => setBefore(lastId),
    drawn: (bolt: Bolt) => ({
      place: tightening.order.findIndex(({ id }) => id === bolt.id) + 1,
      through: through.get(bolt.id)?.size ?? 0,
      of: passes.length,
      inHand: stage !== 'done' && begun !== undefined && bolt.id === next?.bolt.id,
      turnDeg: pass?.by === 'angle' && asked === 'known' ? (group.leftHand ? -pass.deg : pass.deg) : undefined,
    }),
  }
}

export type InWork = ReturnType<typeof useTightening>
