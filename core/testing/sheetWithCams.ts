import type { BuildSheet, Cam } from '../model'
import { beginSheet } from '../starters'

const known = (value: number) => ({ value, typed: String(value), trust: 'manual' as const })

export interface CamFigures {
  readonly opensDeg?: number
  readonly closesDeg?: number
  readonly centreDeg?: number
  readonly durationDeg?: number
  readonly topLiftMm?: number
  readonly tdcLiftMm?: number
  readonly checkingLiftMm?: number
  readonly lashMm?: number
  readonly fullLiftClock?: number
}

/** One cylinder, one camshaft with both lobes at half speed, running clockwise, with these figures of the book. */
export function sheetWithCams(inlet: CamFigures, exhaust: CamFigures, change: Partial<BuildSheet> = {}): BuildSheet {
  const base = beginSheet({
    id: 's',
    engineId: 'e',
    at: '2026-01-01T00:00:00.000Z',
    cylinders: 1,
    guide: false,
    tensioner: false,
  })
  const figures = (one: CamFigures): Partial<Cam> =>
    Object.fromEntries(Object.entries(one).map(([key, value]) => [key, known(value)]))
  return {
    ...base,
    running: { value: 'clockwise', typed: 'clockwise', trust: 'measured' },
    cylinders: base.cylinders.map((one) => ({ ...one, firingDeg: known(0) })),
    cams: base.cams.map((cam) => ({ ...cam, ...figures(cam.valve === 'inlet' ? inlet : exhaust) })),
    ...change,
  }
}

export const camOf = (sheet: BuildSheet, valve: Cam['valve']): Cam => {
  const cam = sheet.cams.find((one) => one.valve === valve)
  if (!cam) throw new Error('Broken invariant: no such cam')
  return cam
}
