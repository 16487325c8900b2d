/** Words of the trade that the screen explains at a touch; the same as in docs/glossary.md, which a test holds them to. */
export const explained = {
  witness:
    'Something that shows the same thing by another way. Two witnesses that do not lean on each other prove it; one alone is only read.',
  decoy: 'A line that looks like a timing mark and is none: a casting line, an assembly mark, another version’s.',
  trim: 'A turn of a few degrees about where the crank stands, and back. No more, until what is said to free it is done.',
  'overlap TDC':
    'Top dead centre between exhaust and inlet: both valves of the cylinder a little open, rocking over. A whole turn from firing TDC.',
  guard:
    'The bar that says whether the engine may be turned now, how far, and what would free it. What it does not know it takes as not safe.',
  'timing position': 'Where the crank stands when the marks meet, by this engine’s book.',
} as const

export type ExplainedWord = keyof typeof explained
