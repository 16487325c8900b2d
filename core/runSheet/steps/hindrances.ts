import type { StepKindRecord } from './step'
import { camshaftsOf } from './targets'

type Says = NonNullable<StepKindRecord['hindrance']>

/** Of a step on one camshaft: it is out, its head off, or nothing drives it. */
export const undrivenSays: Says = (came, sheet, [shaftId = '']) => {
  if (came.camshaftOut(shaftId)) return 'camshaftOut'
  if (!came.undriven(shaftId)) return undefined
  // A camshaft in the block is driven with its head off, and can be read.
  return banksOf(sheet, shaftId).some((id) => came.headOff(id)) ? 'headOff' : 'chainAlreadyOff'
}

/** Of what is read off any camshaft: none of them is driven. */
export const noneDrivenSays: Says = (came, sheet) => {
  const camshafts = camshaftsOf(sheet)
  if (camshafts.length === 0 || !camshafts.every(({ id }) => came.undriven(id))) return undefined
  return sheet.loops.length > 0 && sheet.loops.every(({ id }) => came.loopOff(id)) ? 'chainAlreadyOff' : 'nothingDriven'
}

/** Of what is measured at the valves: every camshaft out, or every head off. */
export const noValveSays: Says = (came, sheet) => {
  const camshafts = camshaftsOf(sheet)
  if (camshafts.length === 0) return undefined
  if (sheet.banks.every(({ id }) => came.headOff(id))) return 'headOff'
  return camshafts.every(({ id }) => came.camshaftOut(id)) ? 'camshaftOut' : undefined
}

/** Of what wants the cylinders shut: a head is off, or nothing works the valves. */
export const noCompressionSays: Says = (came, sheet, targetIds) =>
  sheet.banks.every(({ id }) => came.headOff(id)) ? 'headOff' : noneDrivenSays(came, sheet, targetIds)

const banksOf = ({ cams, cylinders }: Parameters<Says>[1], shaftId: string) =>
  cylinders
    .filter(({ id }) => cams.some((cam) => cam.shaftId === shaftId && cam.cylinderId === id))
    .map(({ bankId }) => bankId)
