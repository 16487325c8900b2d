import { crowFootSetting, wrenchReaches } from '@link-count/core/fasteners'
import { parseDegrees, torqueIn, type TorqueUnit } from '@link-count/core/units'
import { useDraft, useField, useLengthField } from '../../../../ui/fields'
import { TORQUE_UNITS } from '../../../../ui/wording'

const POSITIVE = { least: 0.1, most: 5000 }
const LENGTH = { least: 1, most: 3000 }

/** The wrench in hand: what it reads in, from where to where it goes, and the crow-foot on it. Kept for the job. */
export function useWrench(jobId: string) {
  const key = (name: string) => `${jobId}:wrench:${name}`
  const unitText = useDraft(key('unit'), 'N·m')
  const unit: TorqueUnit = TORQUE_UNITS.find((one) => one === unitText.text) ?? 'N·m'
  const least = useField(key('least'), (text) => parseDegrees(text, POSITIVE))
  const most = useField(key('most'), (text) => parseDegrees(text, POSITIVE))
  const wrench = useLengthField(key('length'), LENGTH)
  const foot = useLengthField(key('foot'), LENGTH)
  const angle = useField(key('angle'), (text) => parseDegrees(text, { least: 0, most: 180 }), '0')
  const [wrenchMm, footMm] = [wrench.value?.value, foot.value?.value]
  const withFoot = wrenchMm !== undefined && footMm !== undefined && angle.value !== undefined
  const settingOf = (nm: number) =>
    withFoot ? crowFootSetting(nm, { wrenchMm, footMm, angleDeg: angle.value ?? 0 }) : nm
  const reach = (nm: number) =>
    least.value === undefined || most.value === undefined
      ? undefined
      : wrenchReaches(torqueIn(settingOf(nm), unit), { least: least.value, most: most.value })
  return { unitText, unit, least, most, wrench, foot, angle, withFoot, settingOf, reach }
}

export type WrenchInHand = ReturnType<typeof useWrench>
