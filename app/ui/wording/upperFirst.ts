/** Words that begin a line. */
export const upperFirst = (words: string) => `${words.charAt(0).toUpperCase()}${words.slice(1)}`
