import type { JobView } from '../../domain/views'
import { schoolAnswer, schoolQuestions, SCHOOL_QUESTIONS } from '../../ui/wording'

/** How it was done, where good mechanics differ: what bears on the steps of the job. */
export function schoolLine({ schools, steps }: Pick<JobView, 'schools' | 'steps'>): string {
  const kinds = new Set(steps.map(({ step }) => step.kind))
  const said = SCHOOL_QUESTIONS.flatMap((question) => {
    const { asks, bearsOn } = schoolQuestions[question]
    const answer = schools[question]
    return answer && bearsOn.some((kind) => kinds.has(kind))
      ? [`${asks.replace(/\?$/, ':')} ${schoolAnswer(question, answer)?.name ?? answer}`]
      : []
  })
  const turns = kinds.has('twoTurns') ? [`${schools.turns} full turns prove it`] : []
  return [...said, ...turns].join('; ') + (said.length + turns.length > 0 ? '.' : '')
}
