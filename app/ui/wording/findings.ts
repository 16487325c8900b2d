import type { BuildSheet, LookedAt } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'

/** What was looked at, as it is called where it has no name of its own. */
export const lookedAtWords: Readonly<Record<LookedAt, string>> = {
  camshaft: 'camshaft',
  loop: 'chain or belt',
  tensioner: 'tensioner',
  sprocket: 'sprocket or pulley',
  rocker: 'rocker',
  plates: 'chain plates and pins',
  rollers: 'rollers',
  guide: 'guide',
  bearing: 'bearing',
  seal: 'seal',
  spring: 'spring',
  clip: 'clip',
  washer: 'washer',
  key: 'key',
  gear: 'gear',
  coupling: 'coupling',
  decompressor: 'decompressor',
}

/** What is seen on such a part, the good first. */
export const seenOn: Readonly<Record<LookedAt, readonly string[]>> = {
  camshaft: ['bright all over', 'pitted', 'a groove a nail catches in', 'tip worn flat', 'blued'],
  loop: ['bends freely everywhere', 'a tight joint', 'cracked across', 'teeth missing', 'oily', 'edge chewed'],
  tensioner: ['gives and comes back', 'sticks', 'far out', 'worn through', 'bearing rough'],
  sprocket: ['teeth even', 'teeth hooked', 'a tooth nicked', 'worn on one side', 'mark not readable'],
  rocker: ['pad smooth', 'pad grooved', 'loose on its shaft', 'cracked'],
  plates: ['all whole', 'one cracked', 'pins proud', 'rivet loose'],
  rollers: ['all turn', 'one split', 'one stiff', 'worn oval'],
  guide: ['lining even', 'grooved', 'lining loose', 'cracked'],
  bearing: ['runs smooth', 'rough', 'play to feel', 'dry'],
  seal: ['dry', 'weeps', 'lip hard', 'lip torn'],
  spring: ['straight, and long enough', 'shortened', 'bent', 'rusty'],
  clip: ['whole', 'cracked', 'lost its spring', 'an end missing'],
  washer: ['stands proud', 'pressed flat', 'cracked', 'tab broken'],
  key: ['sits tight', 'a step worn in it', 'sheared'],
  gear: ['teeth even', 'a tooth nicked', 'pitted', 'play too wide'],
  coupling: ['no play', 'rubber cracked', 'bolts loose', 'worn at its dogs'],
  decompressor: ['snaps back', 'sticks at its pivot', 'spring weak'],
}

/** A shaft, chain, belt or other part of the drive by its name; undefined where it is not on the build sheet. */
export function partNameOf(sheet: BuildSheet, id: string): string | undefined {
  const parts = partsOf(sheet)
  return (parts.shaft(id) ?? parts.loop(id) ?? parts.member(id))?.name
}
