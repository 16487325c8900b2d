import type { CountRule } from '@link-count/core/model'

export const ruleWords = (rule: CountRule, unit: string) =>
  ({
    both: `The ${unit} under each mark is counted.`,
    firstOnly: `The ${unit} under the first mark is counted, the one under the last is not.`,
    lastOnly: `The ${unit} under the first mark is not counted, the one under the last is.`,
    neither: `The ${unit} under neither mark is counted.`,
  })[rule]
