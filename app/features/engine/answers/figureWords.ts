import type { Figure } from '@link-count/core/answers'
import type { BuildSheet } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { inSentence, nounsOf } from '../../../ui/wording'
import { partKey } from '../parts/engineParts'

interface FigureWords {
  /** "teeth of the inlet sprocket" */
  readonly name: string
  /** How it is come by. */
  readonly how: string
  /** The part at which it is written. */
  readonly part: string
}

/** A figure that is wanted, as it is asked for. */
export function figureWords(sheet: BuildSheet, { list, id, field }: Figure): FigureWords {
  const parts = partsOf(sheet)
  switch (list) {
    case 'members':
      return {
        name: `teeth of the ${inSentence(parts.member(id)?.name ?? 'wheel')}`,
        how: 'Paint one tooth, count round to it, and count again the other way.',
        part: partKey('wheel', id),
      }
    case 'loops': {
      const loop = parts.loop(id)
      const nouns = loop ? nounsOf(loop) : undefined
      const name = inSentence(loop?.name ?? 'chain')
      return field === 'pitchMm'
        ? {
            name: `pitch of the ${name}`,
            how: 'Measure over ten pitches, pulled lightly, and divide by ten.',
            part: partKey('loop', id),
          }
        : {
            name: `${nouns?.pitches ?? 'pitches'} in the whole ${name}`,
            how: 'Paint one link or tooth, and count round to it.',
            part: partKey('loop', id),
          }
    }
    case 'shafts': {
      const shaft = parts.shaft(id)
      const from = shaft?.position?.how === 'polar' ? parts.shaft(shaft.position.fromShaftId)?.name : 'crank'
      const [own, other] = [inSentence(shaft?.name ?? 'shaft'), inSentence(from ?? 'crank')]
      return field === 'distance'
        ? {
            name: `${other} centre to ${own} centre`,
            how: 'Calliper over both shaft ends, less half of each.',
            part: partKey('shaft', id),
          }
        : {
            name: `which way the ${own} stands from the ${other}`,
            how: 'A straight edge over both centres, read as a clock face; or two more distances by calliper.',
            part: partKey('shaft', id),
          }
    }
    case 'marks':
      return {
        name: `where the ${inSentence(parts.mark(id)?.name ?? 'mark')} points`,
        how: 'With the crank at the timing position, read as a clock face from the timing side.',
        part: partKey('mark', id),
      }
    case 'counts': {
      const loop = sheet.loops.find(({ path }) => {
        const from = parts.mark(id.split('>')[0])
        return path.some(({ memberId }) => memberId === from?.memberId)
      })
      const [from, to] = id.split('>').map((mark) => inSentence(parts.mark(mark)?.name ?? 'mark'))
      return {
        name: `count from ${from} to ${to}`,
        how: 'As a book prints it, or an earlier job left it.',
        part: partKey('counts', loop?.id),
      }
    }
    case 'cams':
      return {
        ...valveFigure[field],
        part: partKey('valve', id),
        name: `${id} ${valveFigure[field]?.name ?? field}`,
        how: valveFigure[field]?.how ?? '',
      }
    case 'sheet':
      return ofSheet[field] ?? { name: field, how: '', part: partKey('running') }
  }
}

/** What a figure is told in, behind the number. */
export function unitOf(sheet: BuildSheet, { list, id, field }: Figure): string {
  if (list === 'members') return ' teeth'
  if (field.endsWith('Mm') || field === 'distance') return ' mm'
  if (field.endsWith('Deg') || field === 'direction') return '°'
  const loop = list === 'loops' ? partsOf(sheet).loop(id) : sheet.loops[0]
  return ` ${loop ? nounsOf(loop).pitches : 'pitches'}`
}

const book = 'From the book, as it is printed.'
const valveFigure: Readonly<Record<string, { readonly name: string; readonly how: string }>> = {
  opensDeg: { name: 'opening', how: book },
  closesDeg: { name: 'closing', how: book },
  centreDeg: { name: 'lobe centre', how: 'From the cam card.' },
  durationDeg: { name: 'duration', how: book },
  topLiftMm: { name: 'top lift', how: book },
  tdcLiftMm: { name: 'lift at overlap TDC', how: book },
  lashMm: { name: 'lash', how: 'From the book, cold or hot as it says.' },
}

const ofSheet: Readonly<Record<string, FigureWords>> = {
  strokeMm: {
    name: 'stroke',
    how: 'From the book, or the piston’s way from bottom to top by rule.',
    part: partKey('crank'),
  },
  rodMm: {
    name: 'rod, centre to centre',
    how: 'From the book, or by calliper on a rod that is out.',
    part: partKey('crank'),
  },
  firingOrder: { name: 'firing order', how: 'From the book, or the plate on the engine.', part: partKey('firing') },
  running: {
    name: 'which way the crank runs',
    how: 'Seen from the timing side, as it runs.',
    part: partKey('running'),
  },
  interference: {
    name: 'whether valves and pistons can meet',
    how: 'From the book, or by what somebody saw happen. Not known is treated as yes.',
    part: partKey('running'),
  },
}
