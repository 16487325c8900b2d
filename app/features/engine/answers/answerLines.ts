import { answersOf, type Answer, type AnswerKind } from '@link-count/core/answers'
import { readDrive } from '@link-count/core/drive'
import type { BuildSheet } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { fixed } from '@link-count/core/units'
import { inSentence, nounsOf } from '../../../ui/wording'

/** Answers of one kind that are told in one line: alike teeth, the runs of one chain, all lengths. */
export interface AnswerLine {
  readonly name: string
  readonly answers: readonly Answer[]
  readonly status: Answer['status']
  /** Undefined while something of it is open. */
  readonly told: string | undefined
}

/** The short list of what can be answered. */
export function answerLines(sheet: BuildSheet): AnswerLine[] {
  const answers = answersOf(sheet)
  const bunches = new Map<string, Answer[]>()
  for (const answer of answers) {
    const name = bunchOf(sheet, answer)
    bunches.set(name, [...(bunches.get(name) ?? []), answer])
  }
  return [...bunches].map(([name, own]): AnswerLine => {
    const all = own.every(({ status }) => status === 'known')
    const none = own.every(({ status }) => status === 'open')
    return {
      name,
      answers: own,
      status: all ? 'known' : none ? 'open' : 'half',
      told: all ? told(sheet, own) : undefined,
    }
  })
}

/** The stretch that a count answers for. */
export const sectionOf = (sheet: BuildSheet, { targetId }: Answer) =>
  sheet.loops.flatMap((loop) => readDrive(sheet).sections(loop)).find(({ id }) => id === targetId)

const plainNames: Readonly<Record<Exclude<AnswerKind, 'count' | 'tooth'>, string>> = {
  length: 'Length',
  stop: 'TDC by stop or dial, with its ±',
  events: 'Cams by opening and closing',
  lash: 'Lash',
  meeting: 'Valves and pistons',
  firing: 'Which cylinder fires when',
}

/** The line that an answer stands in. */
function bunchOf(sheet: BuildSheet, answer: Answer): string {
  if (answer.about === 'tooth') return 'One tooth is worth'
  if (answer.about !== 'count') return plainNames[answer.about]
  const loop = partsOf(sheet).loop(sectionOf(sheet, answer)?.loopId)
  return sheet.loops.length > 1 ? `Counts, ${inSentence(loop?.name ?? 'chain')}` : 'Expected counts'
}

function told(sheet: BuildSheet, own: readonly Answer[]): string {
  const [first] = own
  switch (first?.about) {
    case 'tooth': {
      const worths = [...new Set(own.map(({ value }) => `${fixed(value ?? 0, 2)}°`))]
      return `${worths.join(', ')} crank`
    }
    case 'count': {
      const loop = partsOf(sheet).loop(sectionOf(sheet, first)?.loopId)
      return `${own.map(({ value }) => fixed(value ?? 0, 1)).join(', ')} ${loop ? nounsOf(loop).pitches : ''}`
    }
    case 'length': {
      const loop = partsOf(sheet).loop(first.targetId)
      return `${own.map(({ value }) => value ?? '').join(' and ')} ${loop ? nounsOf(loop).pitches : ''}`
    }
    case 'meeting':
      return sheet.interference.value === 'yes' ? 'can meet' : 'cannot meet'
    default:
      return 'known'
  }
}
