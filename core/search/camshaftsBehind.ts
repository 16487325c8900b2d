import { type DriveLink, readDrive } from '../drive'
import type { BuildSheet } from '../model'

/** The steps from the crank to a shaft. */
export const wayTo = (sheet: BuildSheet, shaftId: string): readonly DriveLink[] => readDrive(sheet).ways[shaftId] ?? []

/** Camshafts that are turned through some step of the drive. */
export const camshaftsBehind = (sheet: BuildSheet, through: (link: DriveLink) => boolean): string[] =>
  sheet.shafts.flatMap(({ id, kind }) => (kind === 'cam' && wayTo(sheet, id).some(through) ? [id] : []))

/** The loops on the way to a shaft, the one at the crank first. */
export const loopsTo = (sheet: BuildSheet, shaftId: string): string[] =>
  wayTo(sheet, shaftId).flatMap(({ by }) => (by.kind === 'loop' ? [by.id] : []))
