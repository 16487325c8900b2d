import { inSentence } from '../inSentence'
import { gearsOf } from '@link-count/core/drive'
import type { BuildSheet, EntryOf, Settled } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { formatLateness, formatMm, fixed } from '@link-count/core/units'
import { seenOffWords } from '../byMark'
import { passesOf } from '@link-count/core/fasteners'
import { boltDidWords, boltGroupName, boltName } from '../bolts'
import { formatClock } from '../time'
import { waitEndsWords, waitHoldsWords } from '../waits'
import { putBackWords } from '../removals'
import type { CheckId } from '@link-count/core/closing'
import { checkIsWords, checkWords } from '../closing'
import { placesWords } from '../coupling'
import { figureOfWords, followerFigure, followerWithWords, whichAimWords, zeroedWords } from '../followers'
import { itemSentence, itemWords } from '../register'
import { runWords, slackFigureWords, springWords, turnsOn } from '../slack'
import { movedUnitWords, tensionerStateWords } from '../tighteners'
import type { Lines } from '.'
import { phaseWords } from './phase'
import type { Told } from './told'

const heldByWords = {
  lock: 'a lock',
  bar: 'a bar',
  tie: 'a tie',
  hand: 'a hand',
  oneScrew: 'one of its two screws',
} as const

const camshaftWords: Record<EntryOf<'camshaft'>['is'], string> = {
  out: 'out of the engine',
  free: 'in and free',
  held: 'in and held',
  driven: 'driven',
  seenShut: 'every valve of it seen shut, and held',
}

/** What somebody saw of a part that nobody knew of. */
function settledSentence(part: Settled, { partName, itemOf }: Told): string {
  switch (part.about) {
    case 'crank':
      return 'the crank stands where it was said to, the turns written are wrong'
    case 'job':
      return 'the whole engine looked over after a job that was lost: nothing of it is left in'
    case 'item': {
      const item = itemOf(part.id)
      return `${item ? itemWords[item].name : part.id} ${part.is}`
    }
    case 'camshaft':
      return `${partName(part.id)} ${part.is === 'gone' ? 'is gone' : camshaftWords[part.is]}`
    case 'loop':
    case 'coupling':
    case 'tensioner': {
      if (part.is === 'became') return `${partName(part.id)} is now the ${inSentence(partName(part.became ?? ''))}`
      const words = { asItRan: 'on, as it ran', gone: 'is off the engine for good', heldBack: 'held back' }
      return `${partName(part.id)} ${part.is in words ? words[part.is as keyof typeof words] : part.is}`
    }
  }
}

const followerName = ({ followers }: BuildSheet, id: string) => followers?.find((one) => one.id === id)?.name ?? id

/** How far something was moved. */
function amountWords(amount: number, unit: EntryOf<'followerMoved'>['unit']): string {
  const n = fixed(amount, Number.isInteger(amount) ? 0 : 2)
  if (unit === 'mm') return `${n} mm`
  if (unit === 'deg') return `${n}° of its own`
  const one = unit === 'places' ? 'place' : 'tooth'
  return `${n} ${amount === 1 ? one : unit}`
}

export const workLines = {
  item: (entry, { sheet }) =>
    entry.change === 'in'
      ? itemSentence(entry, sheet)
      : `${itemWords[entry.item].takeOut}${entry.where ? `: ${entry.where}` : ''}`,
  camshaft: ({ shaftId, is, by }, { nameOf }) =>
    `${nameOf('shafts', shaftId)}: ${camshaftWords[is]}${by ? `, by ${heldByWords[by]}` : ''}`,
  ranUntilNow: ({ says, role }) =>
    `It ran as it stands until it came in: ${{ yes: 'yes', no: 'no', notKnown: 'not known' }[says]}${role ? `, by the word of the ${role}` : ''}`,
  settled: ({ part }, told) => `Looked at the engine: ${settledSentence(part, told)}`,
  loop: ({ loopId, change }, { nameOf }) => `${nameOf('loops', loopId)} ${change}`,
  tensioner: ({ memberId, state, by }, { nameOf }) =>
    `${nameOf('members', memberId)} ${tensionerStateWords[state]}${by ? `, ${fixed(by.amount, by.amount % 1 === 0 ? 0 : 1)}${movedUnitWords[by.unit]} ${by.towards === 'tight' ? 'tighter' : 'slacker'}` : ''}`,
  slack: (entry, { lowerName, nameOf }) =>
    `Slack ${phaseWords[entry.phase]}, ${lowerName('loops', entry.loopId)}, ${runWords(entry, (id) => nameOf('members', id))}: ${slackFigureWords(entry)}${entry.turnDeg === undefined ? '' : `, ${turnsOn(entry.turnDeg)}`}${entry.support === 'missing' ? ', with a support missing' : ''}`,
  spring: ({ memberId, what, mm }, { nameOf }) =>
    `Spring of the ${inSentence(nameOf('members', memberId))}, ${springWords[what]}: ${formatMm(mm, 1)}`,
  followerRead: (entry, { sheet, nameOf }) => {
    const { followerId, cylinderId, phase, by, value, plusMinus, bolts, zeroed, pressedInMm, pawls, control } = entry
    const parts = [
      `${followerFigure(by, value)} ${figureOfWords[by]}, cylinder ${nameOf('cylinders', cylinderId)}, ± ${followerFigure(by, plusMinus)}`,
      followerWithWords[entry.with],
      `bolts ${bolts}`,
      ...(entry.approach === 'against' ? ['come to backwards'] : []),
      ...(zeroed ? [zeroedWords[zeroed]] : []),
      ...(pressedInMm === undefined ? [] : [`needle pressed in by ${formatMm(pressedInMm, 1)} at 0`]),
      ...(pawls ? [pawls === 'heldOut' ? 'pawls held out' : 'pawls free'] : []),
      ...(control ? [`control ${control}`] : []),
    ]
    return `${followerName(sheet, followerId)} ${phaseWords[phase]}: ${parts.join(', ')}`
  },
  followerMoved: ({ followerId, amount, unit, towards, cylinderId }, { sheet, nameOf }) =>
    `${followerName(sheet, followerId)}${cylinderId ? `, cylinder ${nameOf('cylinders', cylinderId)},` : ''} moved ${amountWords(amount, unit)} ${towards === 'advance' ? 'earlier' : 'later'}`,
  followerTarget: ({ followerId, by, value, which, reason }, { sheet }) =>
    `${followerName(sheet, followerId)} is set to ${followerFigure(by, value)} ${figureOfWords[by]}, ${whichAimWords[which]}${reason ? `: ${reason}` : ''}`,
  leadsSeen: ({ followerId, phase, cylinderIds }, { sheet, nameOf }) =>
    `${followerName(sheet, followerId)}, leads ${phaseWords[phase]}: ${cylinderIds.map((id) => nameOf('cylinders', id)).join(' ')}`,
  tookOff: ({ what, bag, belongs, lies, opensCrankcase }) =>
    `Taken off: ${[what, belongs, lies].filter(Boolean).join(', ')}${bag === undefined ? '' : `, bag ${bag}`}${opensCrankcase ? ', which opens the crankcase' : ''}`,
  putBack: ({ removalId, as, reason }, { removalName }) =>
    `${putBackWords[as]}: ${removalName(removalId)}${reason ? `, ${reason}` : ''}`,
  smallParts: ({ what, where, change, n }) =>
    `${n} ${what}${where ? `, ${where},` : ''} ${change === 'out' ? 'came out' : 'fitted'}`,
  check: ({ checkId, is, goMm, noGoMm, words }) =>
    [
      `${checkWords[checkId as CheckId] ?? checkId}: ${checkIsWords[is]}`,
      goMm === undefined ? '' : `${formatMm(goMm, 2)} goes`,
      noGoMm === undefined ? '' : `${formatMm(noGoMm, 2)} does not`,
      words,
    ]
      .filter(Boolean)
      .join(', '),
  wait: ({ holds, where, beganAt, minutes, alarm }) =>
    `Wait of ${minutes} minutes from ${formatClock(beganAt)}: ${where || waitHoldsWords[holds]}${alarm && alarm !== 'no' ? `, ${alarm === 'rang' ? 'an alarm rang' : 'whether an alarm rang is not known'}` : ''}`,
  waitEnds: ({ by, reason, role, source }) =>
    [`The wait is over, ${waitEndsWords[by]}`, reason, role && `said the ${role}`, source].filter(Boolean).join(', '),
  boltGroup: ({ groupId, change, boltsAre, counterHeld }, { sheet }) =>
    change === 'loosened'
      ? `${boltGroupName(sheet, groupId)}: loosened`
      : `${boltGroupName(sheet, groupId)}: tightening begun${boltsAre ? `, ${boltsAre} ones` : ''}${counterHeld ? ', a counter-hold takes the torque' : ''}`,
  bolt: ({ groupId, boltId, pass, did, newBolt }, { sheet }) => {
    const group = sheet.boltGroups?.find(({ id }) => id === groupId)
    const one = group && passesOf(group)[pass]
    return `${boltGroupName(sheet, groupId)}, ${boltName(group, boltId)}: ${boltDidWords(did, one)}${newBolt ? ', a new one' : ''}`
  },
  adjusted: ({ words }) => `Moved: ${words}`,
  count: ({ phase, loopId, fromMarkId, toMarkId, run, counted }, { lowerName }) =>
    `Counted ${phaseWords[phase]}, ${lowerName('loops', loopId)}, from the ${lowerName('marks', fromMarkId)} to the ${lowerName('marks', toMarkId)}, ${run} run: ${counted}`,
  moved: ({ loopId, memberId, teeth, seats }, { nameOf, lowerName }) => {
    const n = Math.abs(teeth)
    const way = teeth > 0 ? 'further with' : 'back against'
    const purpose = seats ? ', its marks off the book on purpose' : ''
    return `${nameOf('loops', loopId)} laid ${n} ${n === 1 ? 'tooth' : 'teeth'} ${way} the running direction over the ${lowerName('members', memberId)}${purpose}`
  },
  coupling: ({ couplingId, change, steps, stepsTo }, { nameOf, sheet }) => {
    const kind = partsOf(sheet).coupling(couplingId)?.kind
    const isMesh = kind === 'gearMesh'
    if (change === 'apart') return `${nameOf('couplings', couplingId)} ${isMesh ? 'out of mesh' : 'drawn apart'}`
    if (isMesh) return `${nameOf('couplings', couplingId)} in mesh again, ${placesWords(steps, kind)}`
    const ends = [placesWords(steps), ...(stepsTo === undefined ? [] : [placesWords(stepsTo)])]
    return `${nameOf('couplings', couplingId)} put together ${ends.join(' and ')}`
  },
  markHidden: ({ markId, is, why }, { nameOf }) =>
    is === 'seen'
      ? `${nameOf('marks', markId)} can be seen again`
      : is === 'painted'
        ? `${nameOf('marks', markId)} cannot be seen: a painted link lies on its tooth`
        : `${nameOf('marks', markId)} cannot be seen${why ? `: ${why}` : ''}`,
  meshCount: ({ couplingId, teeth }, { nameOf, sheet }) => {
    const gears = gearsOf(sheet, { id: couplingId })
    const last = teeth > 0 ? gears?.driven : gears?.driver
    const n = Math.abs(teeth)
    return `${nameOf('couplings', couplingId)}: ${
      n === 0
        ? 'marks face each other'
        : `${n} ${n === 1 ? 'tooth' : 'teeth'} between the marks, ${last ? `that of the ${inSentence(last.name)} last` : teeth > 0 ? 'the second last' : 'the first last'}`
    }`
  },
  camSet: ({ shaftId, offDeg, off }, { nameOf }) =>
    `${nameOf('shafts', shaftId)} set: ${off ? seenOffWords(off, (id) => nameOf('cylinders', id)) : offDeg === 0 ? 'meets its mark' : formatLateness(offDeg)}`,
} satisfies Partial<Lines>
