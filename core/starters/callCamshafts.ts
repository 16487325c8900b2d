import type { BuildSheet } from '../model/buildSheet'

/** Words by which a shape tells its camshafts, or its banks, apart: of two of each the banks. */
const PAIRS = [
  ['First', 'Second'],
  ['Exhaust', 'Inlet'],
  ['Exhaust', 'Fuel'],
] as const

/** By which words the camshafts of a sheet are told apart; none where there is one. */
export function camshaftWords({ shafts }: Pick<BuildSheet, 'shafts'>): readonly string[] {
  const names = shafts.flatMap(({ kind, name }) => (kind === 'cam' ? [name] : []))
  return PAIRS.find((pair) => pair.every((word) => names.some((name) => hasWord(name, word)))) ?? []
}

/** A sheet on which other words stand for these, in every name of a part; as a name begins or as it goes on, the new word does so too. Empty words change nothing. */
export function calledOtherwise(sheet: BuildSheet, words: Readonly<Record<string, string>>): BuildSheet {
  const called = Object.entries(words).flatMap(([word, instead]) =>
    instead.trim() ? [[word, instead.trim()] as const] : [],
  )
  if (called.length === 0) return sheet
  // In one go, so that two words can change places.
  const any = new RegExp(`\\b(${called.map(([word]) => word).join('|')})\\b`, 'gi')
  const other = new Map(called.map(([word, instead]) => [word.toLowerCase(), instead]))
  const say = <T extends { readonly name: string }>(part: T): T => ({
    ...part,
    name: part.name.replace(any, (found, _word, at: number) => {
      const instead = other.get(found.toLowerCase()) ?? found
      return at === 0 ? instead.charAt(0).toUpperCase() + instead.slice(1) : instead
    }),
  })
  return {
    ...sheet,
    shafts: sheet.shafts.map(say),
    members: sheet.members.map(say),
    loops: sheet.loops.map(say),
    marks: sheet.marks.map(say),
  }
}

const hasWord = (name: string, word: string) => new RegExp(`\\b${word}\\b`, 'i').test(name)
