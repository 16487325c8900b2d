import { cautionsFor } from '@link-count/core/runSheet'
import type { BuildSheet, Entry, Settled } from '@link-count/core/model'
import { showOnScale } from '@link-count/core/degreeWheel'
import { fixed, formatLateness, formatMm } from '@link-count/core/units'
import {
  cautionWords,
  couplingName,
  hourWords,
  itemSentence,
  itemWords,
  placesWords,
  stepTitle,
  stepTitles,
} from '../../ui/wording'

const phases = { found: 'as found', set: 'as set', left: 'as left' }
const evidence = {
  thumb: 'thumb on the hole',
  lobes: 'own valves',
  rocking: 'rocking',
  companionRocking: 'companion cylinder',
  lockFits: 'a lock or line fits',
}
const tools = { screwdriver: 'screwdriver', pick: 'pick', valve: 'spare valve', stick: 'marked stick' }
const tensioner = { heldBack: 'held back', fitted: 'fitted, held back', released: 'released', proven: 'felt to push' }

const camshaftWords = {
  out: 'out of the engine',
  free: 'in and free',
  held: 'in and held',
  driven: 'driven',
  seenShut: 'every valve of it seen shut, and held',
}

/** What somebody saw of a part that nobody knew of. */
function settledSentence(part: Settled, sheet: BuildSheet, entries: readonly Entry[]): string {
  const named = [...sheet.loops, ...sheet.members, ...sheet.shafts].find(({ id }) => id === part.id)?.name
  const coupling = sheet.couplings.find(({ id }) => id === part.id)
  const name = named ?? (coupling ? couplingName(coupling, sheet) : part.id)
  switch (part.about) {
    case 'crank':
      return 'the crank stands where it was said to, the turns written are wrong'
    case 'job':
      return 'the whole engine looked over after a job that was lost: nothing of it is left in'
    case 'item': {
      const item = entries.findLast((one) => one.kind === 'item' && one.itemId === part.id)
      const what = item?.kind === 'item' ? itemWords[item.item].name : part.id
      return `${what} ${part.is}`
    }
    case 'camshaft':
      return `${name} ${part.is === 'gone' ? 'is no more' : camshaftWords[part.is]}`
    default: {
      if (part.is === 'became') {
        const heir = [...sheet.loops, ...sheet.members].find(({ id }) => id === part.became)?.name ?? part.became
        return `${name} is now the ${(heir ?? '').toLowerCase()}`
      }
      const words = { asItRan: 'on, as it ran', gone: 'is off the engine for good', heldBack: 'held back' }
      return `${name} ${part.is in words ? words[part.is as keyof typeof words] : part.is}`
    }
  }
}

/** One line of the ledger in words. */
export function entryWords(entry: Entry, sheet: BuildSheet, entries: readonly Entry[]): string {
  const nameOf = (list: readonly { id: string; name: string }[], id: string) =>
    list.find((one) => one.id === id)?.name ?? id
  const scale = entries.findLast((one) => one.kind === 'degreeWheel' && one.counter <= entry.counter)
  const wheel = (deg: number, decimals = 1) =>
    showOnScale(deg, scale?.kind === 'degreeWheel' ? scale.scale : undefined, decimals)
  switch (entry.kind) {
    case 'strike': {
      const target = entries.find(({ id }) => id === entry.targetId)
      return `Struck: ${
        target
          ? entryWords(
              target,
              sheet,
              entries.filter(({ id }) => id !== entry.id),
            )
          : entry.targetId
      }`
    }
    case 'tick': {
      const caution = cautionsFor(sheet).find(({ id }) => id === entry.cautionId)
      return `${entry.ticked ? 'Ticked' : 'Unticked'}: ${caution ? cautionWords[caution.id] : entry.cautionId}`
    }
    case 'step': {
      const kind = entry.target.split('-')[0] as keyof typeof stepTitles
      const outcome = { done: 'done', skipped: 'passed over', reopened: 'opened again' }[entry.outcome]
      const targetIds = entry.target.split('-').length > 1 ? [entry.target.slice(kind.length + 1)] : []
      return `${kind in stepTitles ? stepTitle({ kind, targetIds }, sheet) : entry.target}: ${outcome}${entry.reason ? `, ${entry.reason}` : ''}`
    }
    case 'item':
      return entry.change === 'in'
        ? itemSentence(entry, sheet)
        : `${itemWords[entry.item].takeOut}${entry.where ? `: ${entry.where}` : ''}`
    case 'camshaft':
      return `${nameOf(sheet.shafts, entry.shaftId)}: ${camshaftWords[entry.is]}`
    case 'ranUntilNow':
      return `It ran as it stands until it came in: ${{ yes: 'yes', no: 'no', notKnown: 'not known' }[entry.says]}${entry.role ? `, by the word of the ${entry.role}` : ''}`
    case 'settled':
      return `Looked at the engine: ${settledSentence(entry.part, sheet, entries)}`
    case 'loop':
      return `${nameOf(sheet.loops, entry.loopId)} ${entry.change}`
    case 'tensioner':
      return `${nameOf(sheet.members, entry.memberId)} ${tensioner[entry.state]}`
    case 'degreeWheel':
      return `${entry.scale.kind === 'rim' ? 'Tape on the rim' : 'Degree wheel fitted'}, read to ${entry.scale.kind === 'rim' ? `${entry.scale.readToMm} mm` : `${entry.scale.readToDeg}°`}`
    case 'dial':
      return `Dial read to ${entry.readToMm} mm`
    case 'dialPair':
      return `Dial, ${formatMm(entry.dropMm)} down, at ${wheel(entry.beforeDeg, 2)} and ${wheel(entry.afterDeg, 2)}, cylinder ${nameOf(sheet.cylinders, entry.cylinderId)}`
    case 'dwell':
      return `Dwell by ${tools[entry.tool]} from ${wheel(entry.beforeDeg)} to ${wheel(entry.afterDeg)}, cylinder ${nameOf(sheet.cylinders, entry.cylinderId)}`
    case 'wheelKnocked':
      return `Disturbed: ${{ wheel: 'the wheel', pointer: 'the pointer', notSure: 'wheel or pointer' }[entry.what]}`
    case 'contactAgain':
      return `${entry.which === 'first' ? 'First' : 'Second'} contact again, ${wheel(entry.wheelDeg, 2)}`
    case 'leaning':
      return entry.how === 'shift'
        ? 'Readings since the slip shifted by it'
        : 'Readings since the slip to be taken again'
    case 'stopContacts':
      return `Stop contacts at ${wheel(entry.firstDeg, 2)} and ${wheel(entry.secondDeg, 2)}, cylinder ${nameOf(sheet.cylinders, entry.cylinderId)}`
    case 'factoryMark':
      return `${entry.name || 'Mark'} at its pointer, wheel ${wheel(entry.wheelDeg, 2)}`
    case 'stands':
      return entry.place === 'pose'
        ? 'Stands at the timing position'
        : `Stands at TDC of cylinder ${nameOf(sheet.cylinders, entry.cylinderId)}`
    case 'turned':
      return `Turned ${fixed(Math.abs(entry.deg), 1)}°${entry.deg < 0 ? ' back' : ''}, ${{ onMark: 'on the mark', short: 'short of it', past: 'past it' }[entry.ended]}${entry.wheelDeg === undefined ? '' : `, wheel ${wheel(entry.wheelDeg, 1)}`}`
    case 'witness':
      return `Witness, ${evidence[entry.evidence]}: ${entry.says}`
    case 'camMark':
      return `Cam mark ${phases[entry.phase]}, wheel ${wheel(entry.wheelDeg, 2)}${entry.approach === 'against' ? ', came to it backwards' : ''}`
    case 'valveEvents':
      return `${nameOf(sheet.cams, entry.camId)} ${phases[entry.phase]}: opens at wheel ${wheel(entry.opensWheelDeg, 1)}, closes at ${wheel(entry.closesWheelDeg, 1)}`
    case 'lobeCentre':
      return `${nameOf(sheet.cams, entry.camId)} ${phases[entry.phase]}: lobe centre from ${entry.pairs.length} ${entry.pairs.length === 1 ? 'height' : 'heights'}`
    case 'tdcLift':
      return `${nameOf(sheet.cams, entry.camId)} ${phases[entry.phase]}: ${formatMm(entry.liftMm)} at overlap TDC`
    case 'rocking':
      return `Rocking ${phases[entry.phase]}, cylinder ${nameOf(sheet.cylinders, entry.cylinderId)}: ${
        entry.read.by === 'lifts'
          ? `inlet ${formatMm(entry.read.inletMm)}, exhaust ${formatMm(entry.read.exhaustMm)}`
          : `alike at wheel ${wheel(entry.read.wheelDeg, 1)}`
      }`
    case 'camGauge':
      return `${nameOf(sheet.shafts, entry.shaftId)} ${phases[entry.phase]}: ${entry.what} ${formatMm(Math.abs(entry.offMm))} ${entry.offMm < 0 ? 'early' : 'late'} at ${formatMm(entry.radiusMm)}`
    case 'lobeClock':
      return `${nameOf(sheet.cams, entry.camId)} ${phases[entry.phase]}: points to ${hourWords(entry.hour)} at ${fixed(entry.crankDeg, 0)}°, from the timing side`
    case 'lash':
      return `Lash ${phases[entry.phase]}, ${nameOf(sheet.cams, entry.camId)}: ${formatMm(entry.gapMm)}${entry.noGoMm === undefined ? '' : ` goes, ${formatMm(entry.noGoMm)} does not`}`
    case 'shim':
      return `Shim ${phases[entry.phase]}, ${nameOf(sheet.cams, entry.camId)}: ${formatMm(entry.sizeMm)}`
    case 'topLift':
      return `Top lift ${phases[entry.phase]}, ${nameOf(sheet.cams, entry.camId)}: ${formatMm(entry.liftMm, 2)}`
    case 'headHeight':
      return `Head or block${entry.bankId ? ` of ${nameOf(sheet.banks, entry.bankId).toLowerCase()}` : ''} lower than its book height by ${formatMm(entry.lowerMm, 2)}`
    case 'chainLength':
      return `${nameOf(sheet.loops, entry.loopId)} measured: ${formatMm(entry.measuredMm)} over ${entry.overPitches} pitches`
    case 'adjusted':
      return `Moved: ${entry.words}`
    case 'target':
      return `${nameOf(sheet.shafts, entry.shaftId)} to be set ${formatLateness(entry.latenessDeg)}: ${entry.reason}`
    case 'walk':
      return `At ${fixed(entry.crankDeg, 0)}°, ${entry.what} of cylinder ${nameOf(sheet.cylinders, entry.cylinderId)}: ${entry.saw === 'asExpected' ? 'as it should be' : 'otherwise'}`
    case 'count':
      return `Counted ${phases[entry.phase]}, ${nameOf(sheet.loops, entry.loopId).toLowerCase()}, from the ${nameOf(sheet.marks, entry.fromMarkId).toLowerCase()} to the ${nameOf(sheet.marks, entry.toMarkId).toLowerCase()}, ${entry.run} run: ${entry.counted}`
    case 'moved':
      return `${nameOf(sheet.loops, entry.loopId)} laid ${Math.abs(entry.teeth)} ${Math.abs(entry.teeth) === 1 ? 'tooth' : 'teeth'} ${entry.teeth > 0 ? 'further with' : 'back against'} the running direction over the ${nameOf(sheet.members, entry.memberId).toLowerCase()}${entry.seats ? ', its marks off the book on purpose' : ''}`
    case 'coupling': {
      const coupling = sheet.couplings.find(({ id }) => id === entry.couplingId)
      const name = coupling ? couplingName(coupling, sheet) : entry.couplingId
      if (entry.change === 'apart') return `${name} drawn apart`
      const ends = [placesWords(entry.steps), ...(entry.stepsTo === undefined ? [] : [placesWords(entry.stepsTo)])]
      return `${name} put together ${ends.join(' and ')}`
    }
    case 'camSet':
      return `${nameOf(sheet.shafts, entry.shaftId)} set: ${entry.offDeg === 0 ? 'meets its mark' : formatLateness(entry.offDeg)}`
    case 'deviation':
      return `Left ${formatLateness(entry.latenessDeg)} on purpose: ${entry.reason}`
    case 'note':
      return entry.text
    case 'picture':
      return `Picture${entry.caption ? `: ${entry.caption}` : ''}`
    case 'sheet':
      return 'Went on with a newer build sheet'
    case 'close':
      return `Closed, signed: ${entry.role}${entry.reason ? `, ${entry.reason}` : ''}`
  }
}
