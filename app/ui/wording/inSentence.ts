/** A name in the middle of a sentence: "Exhaust sprocket" becomes "exhaust sprocket", "Chain A" "chain A". What somebody wrote in capitals stays, and so
 *  does a name that is a letter or a number. */
export function inSentence<T extends string | undefined>(name: T): T {
  if (name === undefined) return name
  const [first = ''] = name.split(/[\s-]/, 1)
  const isPlainWord = first.length > 1 && first.slice(1) === first.slice(1).toLowerCase()
  return (isPlainWord ? name.charAt(0).toLowerCase() + name.slice(1) : name) as T
}
