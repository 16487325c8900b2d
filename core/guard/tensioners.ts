import { tensionerStates, type Stand } from '../ledger'
import type { BuildSheet } from '../model/buildSheet'
import type { GuardReason } from './guard'
import { trimAround } from './room'

/** Tensioners that are not known to be released. With its loop off one is only told; with it on a chain may jump. */
export const tensionerReasons = (sheet: BuildSheet, stand: Stand): GuardReason[] =>
  [...stand.tensioners].flatMap(([id, { is, totalDeg }]): GuardReason[] => {
    const { guard } = tensionerStates[is]
    if (guard === 'nothing') return []
    const own = sheet.loops.filter(({ path }) => path.some(({ memberId }) => memberId === id))
    const loops = own.length > 0 ? own : sheet.loops
    const allOff = loops.length > 0 && loops.every((loop) => stand.loops.get(loop.id)?.is === 'off')
    const vanished = sheet.members.every((member) => member.id !== id) ? { vanished: stand.names.get(id) ?? id } : {}
    const reason = { targetId: id, ...vanished }
    if (allOff) return [{ ...reason, code: 'tensionerNotReleased', verdict: 'turn' }]
    if (guard === 'unknown') return [{ ...reason, code: 'tensionerNotSaid', verdict: 'unknown' }]
    if (guard === 'springOnly') return [{ ...reason, code: 'tensionerSpringOnly', verdict: 'turn' }]
    const code = codes[guard]
    return [{ ...reason, code, ...trimAround(sheet, stand, totalDeg) }]
  })

const codes = {
  notReleased: 'tensionerNotReleased',
  loose: 'tensionerLoose',
  notSaid: 'tensionerNotSaid',
} as const
