/** Chain or belt, as it is here. */
export const ofLoop = (words: string, noun: string) => words.replaceAll('the loop', `the ${noun}`)
