import { Button } from '@mantine/core'
import { useRef } from 'react'
import type { Sound, Together } from '@link-count/core/ear'
import type { Loop, NewEntry } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { pitchFromPull, pullFromPitch, type PluckedRun } from '@link-count/core/tension'
import { fixed } from '@link-count/core/units'
import { addSound } from '../../../domain/writes'
import { useAppDispatch } from '../../../store'
import { Figure } from '../../../ui/Figure'
import { useAttempt } from '../../../ui/useAttempt'
import { earNoWords, leftOutWords } from '../../../ui/wording'
import { useBench } from '../JobContext'
import { SpectrumNow, Trace } from './Trace'
import { useEar } from './useEar'
import './ear.css'

/** The span by the drive's places, two sigma, and the weight where nobody says how well it was taken. Ours. */
const SPAN_OFF_MM = 1.5
const MASS_OFF_SHARE = 0.03
/** No chain or belt of an engine is pulled less or more than this at rest, newtons: what its run can sound at. Ours. */
const [LEAST_N, MOST_N] = [8, 2500]

/** A run listened to: by the microphone, in a file, or simulated; every pluck with its pitch, the mean of those that agree, and the pull it tells. */
export function Ear({
  step,
  loop,
  spanMm,
  mayWrite,
  entryOf,
}: {
  readonly step: Step
  readonly loop: Loop
  readonly spanMm: number | undefined
  /** False while something typed beside it cannot be read. */
  readonly mayWrite: boolean
  /** The line that is written, with what was heard put in. */
  readonly entryOf: (heard: Together, soundId: string) => NewEntry
}) {
  const { view } = useBench()
  const dispatch = useAppDispatch()
  const attempt = useAttempt()
  const run = runOf(loop, spanMm)
  const { state, start, stop, open, simulate, asWav, clear } = useEar(run && canBeOf(run))
  const wanted = loop.slackWanted?.by === 'pitch' ? loop.slackWanted : undefined
  const target = wanted?.least && wanted.most ? (wanted.least.value + wanted.most.value) / 2 : 96
  const write = async (sound: Sound, together: Together) => {
    const said = { caption: `${loop.name}, plucked`, stepId: step.id }
    const done = await attempt('The recording', async () => {
      const blob = await asWav(sound)
      return dispatch(addSound(view.job.id, blob, said, (soundId) => [entryOf(together, soundId)]))
    })
    if (done) clear()
  }
  const count = view.entries.length
  return (
    <div className="stack ear">
      {state.is === 'listening' ? (
        <>
          <p role="status">
            Listening: pluck the run, wait until it is still, pluck again. {state.together.plucks.length} heard.
          </p>
          <Trace samples={lastSeconds(state.sound)} sampleRate={state.sound.sampleRate} />
          <SpectrumNow samples={state.sound.samples} sampleRate={state.sound.sampleRate} />
          <Plucks together={state.together} />
          <Button variant="filled" fullWidth onClick={() => void stop()}>
            Stop listening
          </Button>
        </>
      ) : (
        <>
          <p className="soft">Pluck in the middle of the longest run that no tensioner stands on.</p>
          <Sources
            again={state.is === 'heard'}
            start={() => void start()}
            open={(picked) => void open(picked)}
            simulate={() => void simulate(target * (0.94 + (count % 7) * 0.02), count)}
          />
          {state.is === 'working' && <p role="status">Listening to it…</p>}
          {state.is === 'none' && (
            <p className="warn" role="alert">
              {earNoWords[state.why]}
            </p>
          )}
          {state.is === 'heard' && (
            <>
              {state.from === 'simulated' && <p className="soft">Simulated: no engine was listened to.</p>}
              <Trace samples={state.sound.samples} sampleRate={state.sound.sampleRate} plucks={state.together.plucks} />
              <Plucks together={state.together} />
              <Answer together={state.together} run={run} wanted={wanted} />
              {state.together.hz !== undefined && (
                <WriteIt mayWrite={mayWrite} write={() => void write(state.sound, state.together)} />
              )}
            </>
          )}
        </>
      )}
    </div>
  )
}

const WriteIt = ({ mayWrite, write }: { readonly mayWrite: boolean; readonly write: () => void }) => (
  <Button variant="filled" fullWidth disabled={!mayWrite} onClick={write}>
    Write it down, with the recording
  </Button>
)

/** Where the sound comes from. */
function Sources({
  again,
  start,
  open,
  simulate,
}: {
  readonly again: boolean
  readonly start: () => void
  readonly open: (file: File) => void
  readonly simulate: () => void
}) {
  const file = useRef<HTMLInputElement>(null)
  return (
    <div className="row">
      <Button variant={again ? 'default' : 'filled'} onClick={start}>
        Listen
      </Button>
      <Button variant="default" onClick={() => file.current?.click()}>
        A WAV file
      </Button>
      <Button variant="quiet" onClick={simulate}>
        Simulated microphone
      </Button>
      <input
        ref={file}
        type="file"
        accept=".wav,audio/wav,audio/x-wav"
        className="unseen"
        tabIndex={-1}
        aria-label="Recording"
        onChange={(event) => {
          const picked = event.currentTarget.files?.[0]
          event.currentTarget.value = ''
          if (picked) open(picked)
        }}
      />
    </div>
  )
}

const TRACE_S = 6
const lastSeconds = ({ samples, sampleRate }: Sound) =>
  samples.subarray(Math.max(0, samples.length - TRACE_S * sampleRate))

function runOf(loop: Loop, spanMm: number | undefined): PluckedRun | undefined {
  const mass = loop.massKgPerM?.value
  if (spanMm === undefined || mass === undefined) return undefined
  return {
    spanMm: { value: spanMm, plusMinus: SPAN_OFF_MM },
    massKgPerM: { value: mass, plusMinus: MASS_OFF_SHARE * mass },
  }
}

/** What a run of that length and weight can sound at. */
function canBeOf(run: PluckedRun) {
  const hz = (newtons: number) => pitchFromPull(run, { value: newtons, plusMinus: 0 }).value
  return { leastHz: Math.max(25, hz(LEAST_N)), mostHz: Math.min(450, hz(MOST_N)) }
}

/** Each pluck with its pitch; one that is not counted in is struck through and says why. */
const Plucks = ({ together }: { readonly together: Together }) => (
  <ol className="plucks">
    {together.plucks.map(({ pluck, used, why }, i) => (
      <li key={i}>
        <span className="soft">
          pluck {i + 1}
          {why ? `, ${leftOutWords[why]}` : ''}
        </span>
        {pluck.read.is === 'heard' &&
          (used ? (
            <strong className="reading">{fixed(pluck.read.hz, 1)} Hz</strong>
          ) : (
            <s className="reading">{fixed(pluck.read.hz, 1)} Hz</s>
          ))}
      </li>
    ))}
  </ol>
)

function Answer({
  together,
  run,
  wanted,
}: {
  readonly together: Together
  readonly run: PluckedRun | undefined
  readonly wanted: Loop['slackWanted']
}) {
  const { hz, plusMinusHz = 0, used, spreadHz } = together
  if (hz === undefined)
    return (
      <p className="warn">No pluck could be told. Pluck it harder, nearer its middle, with nothing else running.</p>
    )
  const pull = run && pullFromPitch(run, { value: hz, plusMinus: plusMinusHz })
  return (
    <p className="result">
      {used === 1 ? 'One pluck' : `${used} that agree`}:{' '}
      <Figure
        opened={{
          title: 'Pitch',
          value: `${fixed(hz, 1)} Hz`,
          plusMinus: `${fixed(plusMinusHz, 1)} Hz`,
          readings: together.plucks.map(({ pluck, why }, i) => ({
            label: `Pluck ${i + 1}${why ? `, ${leftOutWords[why]}` : ''}`,
            value:
              pluck.read.is === 'heard'
                ? `${fixed(pluck.read.hz, 2)} ± ${fixed(pluck.read.plusMinusHz, 2)} Hz`
                : 'none',
          })),
          formula:
            'The mean of the plucks that agree; its ± by their scatter (95%), and by each pluck’s own. Each is the lowest of its partials, told by all of them.',
          source: 'least squares; what agrees is within 3%, ours',
        }}
      >
        {fixed(hz, 1)} ± {fixed(plusMinusHz, 1)} Hz
      </Figure>
      {used > 1 && <span className="soft">, {fixed(spreadHz, 1)} Hz from the lowest to the highest</span>}
      {pull && run && (
        <>
          . A pull of{' '}
          <Figure
            opened={{
              title: 'Pull',
              value: `${fixed(pull.value, 0)} N`,
              plusMinus: `${fixed(pull.plusMinus, 0)} N`,
              readings: [
                { label: 'Pitch', value: `${fixed(hz, 1)} ± ${fixed(plusMinusHz, 1)} Hz` },
                {
                  label: 'Free length of the run',
                  value: `${fixed(run.spanMm.value, 1)} ± ${fixed(run.spanMm.plusMinus, 1)} mm`,
                },
                {
                  label: 'A metre of it weighs',
                  value: `${fixed(run.massKgPerM.value, 3)} ± ${fixed(run.massKgPerM.plusMinus, 3)} kg`,
                },
              ],
              formula:
                '4 · weight of a metre · length² · pitch². A stiff or short run sounds higher: it is slacker than this says.',
              source: 'the stretched string',
            }}
          >
            {fixed(pull.value, 0)} ± {fixed(pull.plusMinus, 0)} N
          </Figure>
        </>
      )}
      .<Wanted wanted={wanted} run={run} />
    </p>
  )
}

/** What it is meant to sound at, and the pull that goes with it. */
function Wanted({ wanted, run }: { readonly wanted: Loop['slackWanted']; readonly run: PluckedRun | undefined }) {
  const [least, most] = [wanted?.least?.value, wanted?.most?.value]
  if (least === undefined || most === undefined) return null
  const pull = (hz: number) => (run ? fixed(pullFromPitch(run, { value: hz, plusMinus: 0 }).value, 0) : undefined)
  return (
    <>
      {' '}
      Wanted: {fixed(least, 0)} to {fixed(most, 0)} Hz{run && `, a pull of ${pull(least)} to ${pull(most)} N`}.
    </>
  )
}
