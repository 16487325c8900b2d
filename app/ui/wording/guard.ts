import type { Guard, GuardReason, GuardVerdict } from '@link-count/core/guard'
import type { BuildSheet } from '@link-count/core/model'
import { fixed } from '@link-count/core/units'
import { asBelt } from './belt'
import { itemSentence, itemWords } from './register'

export const verdictTitle = ({ verdict, limit }: Guard): string => {
  if (verdict === 'turn') return 'May be turned by hand'
  if (verdict === 'doNotTurn') return 'Do not turn'
  if (verdict === 'unknown') return 'Not known: do not turn yet'
  if (limit?.kind === 'stop') return 'Gently onto the stop only'
  if (limit?.kind === 'reading') return 'Gently, for the reading only'
  if (limit && limit.forwardDeg === limit.backDeg) return `Trim only: ${fixed(limit.forwardDeg, 0)}° either way`
  return limit ? `Trim only: ${fixed(limit.forwardDeg, 1)}° on, ${fixed(limit.backDeg, 1)}° back` : 'Trim only'
}

interface ReasonWords {
  readonly why: string
  readonly free: string
}

const collide = (sheet: BuildSheet) =>
  sheet.interference.value === 'yes' ? 'Interference engine' : 'Interference not known, so treated as yes'

const freeItem = (item: keyof typeof itemWords) =>
  ({
    stop: 'Take the stop out',
    dialRod: 'Take the dial out',
    probe: 'Take the probe out',
    lockingPin: 'Take the pin out',
    tensionerPin: 'Release the tensioner',
    rag: 'Take the rag out',
    tie: 'Take the tie off',
    lock: 'Take the lock off',
    capsLoose: 'Tighten the caps',
    fingerTight: 'Tighten the bolts',
    tabsNotBent: 'Bend the tabs',
    valvesRelieved: 'Put the rockers back',
    other: 'Take it out',
  })[item]

/** Why the guard says what it says, and what would free it. */
export function reasonWords(reason: GuardReason, sheet: BuildSheet): ReasonWords {
  const { why, free } = chainReason(reason, sheet)
  return { why: asBelt(why, sheet), free: asBelt(free, sheet) }
}

function chainReason({ code, item }: GuardReason, sheet: BuildSheet): ReasonWords {
  switch (code) {
    case 'makeSafeNotDone':
      return { why: 'Make-safe is not done', free: 'Tick what is left in Make safe' }
    case 'stopIn':
    case 'rodIn':
    case 'lockIn':
    case 'capsLoose':
    case 'itemIn':
      return item
        ? { why: itemSentence(item.item, item.where), free: freeItem(item.item) }
        : { why: 'Something is in', free: 'Take it out' }
    case 'loopOff':
      return { why: `${collide(sheet)}, chain off at the pose`, free: 'Chain on and counted, or every valve relieved' }
    case 'loopOffAwayFromPose':
      return {
        why: `${collide(sheet)}, chain off away from the pose`,
        free: 'Relieve every valve before the crank moves',
      }
    case 'loopOffPlaceUnknown':
      return {
        why: `${collide(sheet)}, chain off, and nobody knows where the crank stands`,
        free: 'Relieve every valve (rockers off), then find TDC',
      }
    case 'loopOffTrimUsed':
      return { why: `${collide(sheet)}, chain off, the trim is used up`, free: 'Relieve every valve before going on' }
    case 'loopOffFree':
      return { why: 'Chain off; valves and pistons cannot meet', free: '' }
    case 'couplingApart':
      return {
        why: `${collide(sheet)}, coupling apart at the pose`,
        free: 'Coupling together and its camshaft read, or every valve relieved',
      }
    case 'couplingApartAwayFromPose':
      return {
        why: `${collide(sheet)}, coupling apart away from the pose`,
        free: 'Relieve every valve before the crank moves',
      }
    case 'couplingApartPlaceUnknown':
      return {
        why: `${collide(sheet)}, coupling apart, and nobody knows where the crank stands`,
        free: 'Relieve every valve (rockers off), then find TDC',
      }
    case 'couplingApartTrimUsed':
      return {
        why: `${collide(sheet)}, coupling apart, the trim is used up`,
        free: 'Relieve every valve before going on',
      }
    case 'couplingApartFree':
      return { why: 'Coupling apart; valves and pistons cannot meet', free: '' }
    case 'couplingNotRead':
      return {
        why: `${collide(sheet)}, coupling together but its camshaft not read since`,
        free: 'See whether its mark meets',
      }
    case 'tensionerNotReleased':
      return { why: 'Tensioner not released', free: 'Release the tensioner' }
    case 'loopNotCounted':
      return { why: `${collide(sheet)}, chain on but not counted`, free: 'Count the run' }
    case 'loopCountedOut':
      return { why: `${collide(sheet)}, chain counted out`, free: 'Move the chain and count again' }
  }
}

export const verdictShapeName: Record<GuardVerdict, string> = {
  turn: 'turn',
  trim: 'trim only',
  doNotTurn: 'do not turn',
  unknown: 'not known',
}

/** The guard's line: what holds it, and the first thing that would free it. What is on the register stands beside it by name. */
export function guardSentence({ verdict, reasons }: Guard, sheet: BuildSheet): string {
  const holding = reasons.filter((reason) => reason.verdict !== 'turn')
  if (verdict === 'turn' || holding.length === 0)
    return 'Nothing holds it. Plugs out, slowly, and stop at any resistance.'
  const named = holding.filter(({ item }) => !item)
  const whys = [...new Set((named.length > 0 ? named : holding).map((reason) => reasonWords(reason, sheet).why))]
  const first = (named[0] ?? holding[0]) as GuardReason
  return `${whys.slice(0, 2).join('. ')}. ${reasonWords(first, sheet).free}.`
}
