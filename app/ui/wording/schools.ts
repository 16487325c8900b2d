import type { StepKind } from '@link-count/core/model'
import type { Schools } from '@link-count/core/runSheet'

/** The questions in which good mechanics differ, but for how many turns and whose bands, which are numbers. */
export type SchoolQuestion =
  'lashSet' | 'tdcBy' | 'reversing' | 'trusts' | 'tensionBy' | 'wearBy' | 'dryRun' | 'loopGoesOn' | 'followers'

type Answers<Q extends SchoolQuestion> = Readonly<
  Record<NonNullable<Schools[Q]>, { readonly name: string; readonly why: string }>
>

interface Question<Q extends SchoolQuestion> {
  readonly asks: string
  /** The steps that it bears on: where a job has none of them it is not asked. */
  readonly bearsOn: readonly StepKind[]
  readonly answers: Answers<Q>
  /** Where nobody need choose. */
  readonly none?: { readonly name: string; readonly why: string }
}

/** Each question, its answers, and in one sentence why one would. */
export const schoolQuestions: { readonly [Q in SchoolQuestion]: Question<Q> } = {
  tdcBy: {
    asks: 'True TDC is proved by',
    bearsOn: ['trueTdc', 'asFound', 'twoTurns', 'setCam'],
    none: { name: 'whatever serves', why: 'Every way stands beside the others, the sharpest that is told first.' },
    answers: {
      stop: { name: 'a positive stop', why: 'Sharp, and it needs no feel.' },
      dial: { name: 'a dial at equal drops', why: 'The sharpest, where a dial reaches the piston.' },
      feel: { name: 'feel at the top', why: 'Quick and blunt: good for finding which TDC, poor for degrees.' },
      marks: { name: 'the marks alone', why: 'Nothing comes off; it stays by the mark, never proved.' },
    },
  },
  reversing: {
    asks: 'May it be turned back?',
    bearsOn: ['trueTdc', 'asFound', 'poseChainOff', 'setCam', 'twoTurns', 'tensioner'],
    answers: {
      never: { name: 'never', why: 'Slack stays on one side; past the mark means all the way round.' },
      fewDegrees: { name: 'a few degrees', why: 'Back past the mark and up to it again takes the slack out.' },
      free: { name: 'yes, as the work asks', why: 'A stop or a pump is set from both sides.' },
    },
  },
  trusts: {
    asks: 'A camshaft is set by',
    bearsOn: ['asFound', 'setCam', 'twoTurns'],
    none: { name: 'whatever can be read', why: 'Marks and lobes stand beside each other, and what disagrees is told.' },
    answers: {
      cam: { name: 'the camshaft itself', why: 'A mark on a sprocket can sit elsewhere; a lobe cannot.' },
      marks: { name: 'the marks', why: 'Quick, and right once they were proved on this engine.' },
    },
  },
  lashSet: {
    asks: 'Lash is taken',
    bearsOn: ['lashFound', 'lashLeft'],
    answers: {
      beforeAndAfter: { name: 'before and after', why: 'It bears on every valve reading, and moves when the cams do.' },
      before: { name: 'before timing', why: 'Set first, it leaves valve readings alone.' },
      after: { name: 'after the cams are timed', why: 'Set last, it is what the engine runs with.' },
    },
  },
  tensionBy: {
    asks: 'Tension is judged by',
    bearsOn: ['tensioner', 'slackFound', 'slackSet'],
    answers: {
      play: { name: 'play at the tightest place', why: 'A drive has tight and loose places; one reading misses them.' },
      feel: { name: 'feel, and a twist', why: 'Quick: tight, and it can still be moved.' },
      links: { name: 'links at the middle of a run', why: 'Half to one link to and fro, on long chains.' },
      spring: { name: 'the spring’s length', why: 'A measured spring keeps its work as the chain grows.' },
      pitch: { name: 'pitch in hertz', why: 'A belt sounds; its own run, its own place, cold.' },
      springAlone: { name: 'the spring alone, never a lever', why: 'A live spring sets itself in two turns.' },
    },
  },
  wearBy: {
    asks: 'Wear is judged by',
    bearsOn: ['asFound', 'wear', 'twoTurns'],
    none: { name: 'nobody’s bands', why: 'The lateness is told, and nobody’s limits are held against it.' },
    answers: {
      roadDiesel: {
        name: 'road diesel, single chain',
        why: 'Degrees at the cam mark: under 3 leave, 8 and over renew.',
      },
      marine: { name: 'large marine, chain', why: 'Up to 2° trim at the pumps, over that re-set the camshaft.' },
      own: { name: 'bands of our own', why: 'Yours, with where they come from.' },
    },
  },
  dryRun: {
    asks: 'Dry run first',
    bearsOn: ['chainOnCount'],
    answers: {
      no: { name: 'no', why: 'Laid once, and counted.' },
      yes: {
        name: 'yes',
        why: 'Laid, counted and turned a few degrees before it is laid for good: cheap where valves can hit.',
      },
    },
  },
  loopGoesOn: {
    asks: 'The chain goes on',
    bearsOn: ['poseChainOff', 'chainOnCount'],
    answers: {
      whole: { name: 'whole', why: 'No link is opened, so every link stays sound.' },
      opened: { name: 'opened at a link', why: 'Easier to hang; the link and its clip want care.' },
    },
  },
  followers: {
    asks: 'The pump is set',
    bearsOn: ['pumpSet'],
    answers: {
      last: {
        name: 'last, from the proved timing',
        why: 'What moves the drive moves the pump: it is read once all else holds.',
      },
      beforeLoop: { name: 'before its chain or belt goes on', why: 'Pinned at its place it need not be swung after.' },
    },
  },
}

/** In the order in which they are asked. */
export const SCHOOL_QUESTIONS = Object.keys(schoolQuestions) as SchoolQuestion[]

/** An answer in words, and why one would. */
export function schoolAnswer(question: SchoolQuestion, answer: string | undefined) {
  const { answers, none } = schoolQuestions[question]
  return (answers as Readonly<Record<string, { name: string; why: string }>>)[answer ?? ''] ?? none
}
