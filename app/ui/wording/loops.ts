import type { Loop } from '@link-count/core/model'

/** What a loop and its parts are called. */
export interface LoopNouns {
  readonly loop: string
  /** What it runs on, one and many. */
  readonly wheel: string
  readonly wheels: string
  /** What it is a whole number of. */
  readonly link: string
  readonly links: string
  /** What is counted along it by eye. */
  readonly counted: { readonly one: string; readonly many: string }
  /** Lengths along it that need not be whole. */
  readonly pitches: string
  /** What a maker paints or prints on it. */
  readonly painted: string
  /** It and what it runs on. */
  readonly drive: string
}

const chain: LoopNouns = {
  loop: 'chain',
  wheel: 'sprocket',
  wheels: 'sprockets',
  link: 'link',
  links: 'links',
  counted: { one: 'link', many: 'links' },
  pitches: 'pitches',
  painted: 'Painted links',
  drive: 'chain and sprockets',
}

const nouns: { readonly [K in Loop['kind']]: LoopNouns } = {
  rollerChain: { ...chain, counted: { one: 'pin', many: 'pins' } },
  invertedToothChain: chain,
  toothedBelt: {
    loop: 'belt',
    wheel: 'pulley',
    wheels: 'pulleys',
    link: 'tooth',
    links: 'teeth',
    counted: { one: 'tooth', many: 'teeth' },
    pitches: 'teeth',
    painted: 'Lines printed on it',
    drive: 'belt and pulleys',
  },
}

const either: LoopNouns = {
  ...chain,
  loop: 'chain or belt',
  wheel: 'sprocket or pulley',
  wheels: 'sprockets and pulleys',
  link: 'link or tooth',
  links: 'links or teeth',
  drive: 'chain, belt and what they run on',
}

export const nounsOf = ({ kind }: Pick<Loop, 'kind'>): LoopNouns => nouns[kind]

/** Of all the loops of an engine at once: its chain where it has chains only, its belt where it has belts only. */
export function nounsOfAll(loops: readonly Pick<Loop, 'kind'>[]): LoopNouns {
  const kinds = new Set(loops.map(({ kind }) => nouns[kind].loop))
  const [first] = loops
  return first === undefined ? chain : kinds.size === 1 ? nouns[first.kind] : either
}
