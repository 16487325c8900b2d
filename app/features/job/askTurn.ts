import { showOnScale } from '@link-count/core/degreeWheel'
import type { GuardReason } from '@link-count/core/guard'
import { fixed, type Side } from '@link-count/core/units'
import type { JobView } from '../../domain/views'
import { inSentence, handWords, partOfTurn, reasonWords, sideName, turnWords } from '../../ui/wording'
import { crankMarkAt, planTo, wheelAt, type TurnTarget } from './turnPlan'

/** What somebody may be asked to turn, and what for. */
export type TurnAsk =
  | { readonly to: TurnTarget }
  /** Onto the stop, the first contact or the second. */
  | { readonly ontoStop: 'first' | 'second' }
  | { readonly untilMarkMeets: { readonly mark: string; readonly meets: string } }
  | { readonly camshaftTo: { readonly mark: string; readonly meets: string } }
  | { readonly forReading: 'feel' | 'dialPairs' | 'lobeTop' | 'marksAgain' }
  | { readonly proof: { readonly turnedDeg: number } }
  /** On by so much, the running way, to the next place of a round. */
  | { readonly onBy: number }
  | { readonly again: 'oneMoreTurn' | 'seatShims' | 'readAsLeft' }
  /** Until the needle on a plunger falls no more: back, or on past the delivery before where it never goes back. */
  | { readonly pumpZero: 'back' | 'forward' }
  /** Kept turning while a tightener is set. */
  | { readonly keepTurning: true }

export interface Asked {
  readonly words: string
  /** The guard lets it be done now. */
  readonly may: boolean
}

/** Every sentence of a job that asks for a turn is made here, and here the guard is asked: where it holds the engine, the sentence says what
 *  to free first instead. */
export function askTurn(ask: TurnAsk, view: JobView, side: Side): Asked {
  if ('to' in ask) return askTo(ask.to, view, side)
  if ('camshaftTo' in ask) return askCamshaft(ask.camshaftTo, view, side)
  const { guard } = view
  // A tool in a cylinder is turned onto gently; anything else asks for a free engine.
  const freely = guard.verdict === 'turn'
  const gently = guard.verdict === 'trim' && guard.limit?.forwardDeg === undefined
  if ('ontoStop' in ask)
    return freely || (gently && guard.limit?.until === 'stop')
      ? may(stopWords(ask.ontoStop, view, side))
      : wait(view, 'onto the stop')
  if ('forReading' in ask && (ask.forReading === 'feel' || ask.forReading === 'dialPairs'))
    return freely || (gently && guard.limit?.until === 'reading')
      ? may(readingWords[ask.forReading])
      : wait(view, 'for the reading')
  if (!freely) return wait(view)
  const seen = `${handWords(1, view.sheet, side)}, seen from the ${sideName(view.sheet, side)}`
  if ('untilMarkMeets' in ask) {
    const { mark, meets } = ask.untilMarkMeets
    const again =
      guard.onlyRunning || view.schools.reversing === 'never'
        ? 'Gone past: go on all the way round.'
        : 'Gone past: back off 30° or more, then come up again.'
    return may(`Turn slowly ${seen}, until the ${mark} meets ${meets}. ${again}`)
  }
  if ('proof' in ask)
    return may(
      `Turn by hand ${seen}: ${view.schools.turns === 2 ? 'two' : view.schools.turns} full turns. Turned so far ${fixed(ask.proof.turnedDeg, 0)}° of ${view.schools.turns * 360}°. Resistance is information: stop, go back, find out.`,
    )
  if ('onBy' in ask)
    return may(
      `Turn ${turnWords(ask.onBy, view.sheet, side)}, ${partOfTurn(ask.onBy)}, seen from the ${sideName(view.sheet, side)}.`,
    )
  if ('keepTurning' in ask)
    return may(`Keep it turning ${seen}: the slack then lies at the tightener. Nobody at the chain while it turns.`)
  if ('pumpZero' in ask)
    return may(
      ask.pumpZero === 'back'
        ? `Turn back slowly, ${handWords(-1, view.sheet, side)}, seen from the ${sideName(view.sheet, side)}, until the needle falls no more. A tensioner that only its spring holds is held first. Set the dial to 0 there.`
        : `Turn on slowly ${seen}, past the delivery before, until the needle falls no more. Set the dial to 0 there.`,
    )
  if ('again' in ask) return may(againWords[ask.again])
  return may(readingWords[ask.forReading])
}

const may = (words: string): Asked => ({ words, may: true })

function stopWords(which: 'first' | 'second', { sheet }: JobView, side: Side): string {
  return which === 'first'
    ? `turn ${handWords(1, sheet, side)} onto the stop`
    : `turn back, ${handWords(-1, sheet, side)}, onto the stop`
}

const readingWords = {
  feel: 'Turn gently.',
  dialPairs: 'Turn slowly, and read the wheel where it shows the drop, coming up and going down.',
  lobeTop: 'Turn on past the top and read the wheel at the same lift going up and coming down, at two heights or more.',
  marksAgain:
    'Come to the marks again turning the running way, the tensioner released: slack then cannot lie on the pulled run.',
}

const againWords = {
  oneMoreTurn: 'Go on one more full turn.',
  readAsLeft: 'Turn it twice, and read it as left.',
  seatShims: 'Then turn it twice and measure again: a shim seats only when it was turned.',
}

/** What has to be freed before anything is turned. */
function wait(
  { guard, sheet }: JobView,
  to?: string,
  reasons: readonly GuardReason[] = holding(guard.reasons),
  end = '.',
): Asked {
  const [first] = reasons
  const free = first ? lower(reasonWords(first, sheet).free) : ''
  return { words: `Before turning${to ? ` ${to}` : ''}: ${free || 'see the guard'}${end}`, may: false }
}

const holding = (reasons: readonly GuardReason[]) => reasons.filter(({ verdict }) => verdict !== 'turn')

function askTo(target: TurnTarget, view: JobView, side: Side): Asked {
  const { sheet, state } = view
  const seen = `seen from the ${sideName(sheet, side)}`
  const plan = planTo(view, target.deg)
  // Nobody has looked in this job yet: the place is where the last one left it.
  const carried = state.stand.rotation.reference === undefined
  switch (plan.kind) {
    case 'there':
      return carried
        ? { words: `By the last job it stands at ${target.words}. Look, and say so`, may: false }
        : may(`At ${target.words}. Hold it here`)
    case 'turn':
      return may(
        `Turn ${turnWords(plan.deg, sheet, side)}, ${seen}, to ${target.words}${carried ? ', by where the last job left it' : ''}`,
      )
    case 'backFirst':
      return may(`Gone past: back off ${turnWords(-plan.backDeg, sheet, side)}, then come up again to ${target.words}`)
    case 'freeFirst':
      return { ...wait(view, `to ${target.words}`, plan.reasons, ''), may: false }
    case 'placeUnknown': {
      const { zero, crank, zeros } = state
      if (crank.contradictedBy !== undefined)
        return { words: 'Where the crank stands and the turns written disagree: say which is wrong first', may: false }
      if (zeros.life === 'inDoubt') return { words: 'The zero is in doubt: read it again first', may: false }
      if (!zero && state.zeroBefore)
        return { words: 'The zero of an earlier job is in doubt: read it again first', may: false }
      const mark = zero ? undefined : crankMarkAt(view, target.deg)
      if (mark) {
        const meets = mark.meets.trim() || 'its pointer'
        const words = `Turn slowly ${handWords(1, sheet, side)}, ${seen}, until the ${inSentence(mark.name)} is at ${meets}`
        return may(crank.byMark || sheet.cycleDeg === 360 ? words : `${words}. Which turn it is on is not known`)
      }
      if (!zero) return { words: 'Where the crank stands is not known yet: find TDC first', may: false }
      if (crank.wheelDisagreesDeg !== undefined)
        return may(
          `Wheel and turns disagree by ${fixed(crank.wheelDisagreesDeg, 1)}°: bring it to TDC and say so again`,
        )
      return may(
        `To ${target.words}: bring the wheel to ${showOnScale(wheelAt(view, target.deg), state.degreeWheel)}. Which turn it is on is not known`,
      )
    }
  }
}

/** A camshaft, by itself, to its mark. */
function askCamshaft({ mark, meets }: { mark: string; meets: string }, view: JobView, side: Side): Asked {
  const { guard, sheet } = view
  const words = `Bring the ${mark} to ${meets}, the last movement ${handWords(1, sheet, side)}, seen from the ${sideName(sheet, side)}.`
  switch (guard.camshafts) {
    case 'doNotTurn':
      return wait(view, 'the camshaft')
    case 'unknown':
      return {
        words: `Before moving the camshaft: relieve its valves, or see the crank at the timing position and say so. What its valves would meet is not known.`,
        may: false,
      }
    case 'trim':
      return may(`${words} A few degrees at a time; resistance is information: stop.`)
    case 'turn':
      return may(words)
  }
}

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)
