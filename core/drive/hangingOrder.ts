import type { BuildSheet, Loop } from '../model/buildSheet'
import { readDrive } from './readDrive'
import { spokenOf, type Section } from './sections'

/** One part to lay a loop over, in turn. */
export interface HangingStep {
  readonly memberId: string
  readonly passed: 'inside' | 'outside'
  /** first = the driver; pulled = the run from the one before is to be kept straight; slack = all that is over lies from here on. */
  readonly how: 'first' | 'pulled' | 'slack'
  /** The section from this part's mark to the mark of the wheel laid before it, along the pulled run; undefined where there are no marks. */
  readonly toBefore: Section | undefined
}

/** The order in which a loop is laid over its wheels: the driver first, then against the travel along the runs that it pulls, so that each is
 *  straight when the next wheel takes it, and what is left over ends on the run that leaves the driver. Parts without teeth on the
 *  pulled runs are passed on the way. Source: common practice, no source; which run is pulled is handbook 7. */
export function hangingOrder(sheet: BuildSheet, loop: Loop, sections: readonly Section[]): HangingStep[] {
  const driver = readDrive(sheet).driverOf(loop)
  const at = loop.path.findIndex(({ memberId }) => memberId === driver?.id)
  if (!driver || at < 0) return []
  const fromDriver = [...loop.path.slice(at), ...loop.path.slice(0, at)]
  const [first, ...rest] = fromDriver
  const toothed = (id: string) => sheet.members.some((one) => one.id === id && one.shaftId !== undefined)
  const firstDriven = rest.findIndex(({ memberId }) => toothed(memberId))
  const backwards = rest.map((part, i) => ({ ...part, slack: i < firstDriven })).reverse()
  return [
    ...(first ? [{ ...first, how: 'first' as const, toBefore: undefined }] : []),
    ...backwards.map(({ memberId, passed, slack }) => ({
      memberId,
      passed,
      how: slack ? ('slack' as const) : ('pulled' as const),
      toBefore: sections.find(
        (section) =>
          section.from.memberId === memberId &&
          spokenOf(sheet, section, driver.id)?.run === 'tight' &&
          section.run === 'tight',
      ),
    })),
  ]
}
