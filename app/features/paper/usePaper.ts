import type { BuildSheet, Engine } from '@link-count/core/model'
import { otherHand, type Hand } from '@link-count/core/units'
import { useAppSelector } from '../../store'
import { useDraft } from '../../ui/fields'
import { ownAngles, typedAngles } from './rimAngles'

export interface PartOfPaper {
  readonly engine: Engine
  readonly sheet: BuildSheet
}

/** What both drawings are made from: which way it runs from here, how the tape is laid, what turns, on which paper, and the angles to mark. */
export function usePaper({ engine, sheet }: PartOfPaper) {
  const side = useAppSelector(({ screen }) => screen.side)
  const key = (name: string) => `paper:${engine.id}:${name}`
  const typed = useDraft(key('angles'))
  const turns = useDraft(key('turns'), 'rim')
  const laid = useDraft(key('laid'), 'clockwise')
  const paper = useDraft(key('paper'), 'A4')
  const more = typedAngles(typed.text)
  const angles = [...ownAngles(sheet), ...more.angles]
  return { side, key, typed, turns, laid, paper, more, angles, running: runningFrom(sheet, side) }
}

export const within = (value: number | undefined, least: number, most: number) =>
  value === undefined || value < least || value > most ? undefined : value

/** Which way it runs as seen from the side stood at; clockwise from the timing side until it is known. */
function runningFrom(sheet: BuildSheet, side: 'timing' | 'opposite'): Hand {
  const fromTiming = sheet.running?.value ?? 'clockwise'
  return side === 'timing' ? fromTiming : otherHand(fromTiming)
}
