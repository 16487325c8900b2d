import { Button, SegmentedControl } from '@mantine/core'
import { lazy, Suspense, useState } from 'react'
import type { BuildSheet, Phase } from '@link-count/core/model'
import { provesOf, type StepKind } from '@link-count/core/runSheet'
import { screenSlice, type BenchView } from '../../../domain/screen'
import type { JobView } from '../../../domain/views'
import { useAppDispatch, useAppSelector } from '../../../store'
import { FaceStill, type CountedOnFace } from '../../../ui/face'
import { PartBoundary } from '../../../ui/PartBoundary'
import { gapWords, loopWords } from '../../../ui/wording'
import { useBench } from '../JobContext'
import { targetOfStep } from '../turnPlan'
import { TurnedDialog } from '../TurnedDialog'
import { TurnTo } from '../TurnTo'
import { CrankReadout } from './CrankReadout'
import { DegreeWheel } from './DegreeWheel'
import { Face } from './Face'
import { Strip } from './Strip'
import { useFoundState, useScene } from './useScene'

const ValvesView = lazy(() => import('./ValvesView'))
const SlackView = lazy(() => import('./SlackView'))

type Shown = JobView['steps'][number] | undefined

/** The strip and the drawing that was chosen, with where the crank has to go. */
export function BenchDrawing({
  shown,
  counted,
}: {
  readonly shown: Shown
  readonly counted: CountedOnFace | undefined
}) {
  const { view } = useBench()
  const dispatch = useAppDispatch()
  const chosen = useAppSelector(({ screen }) => screen.view)
  const views = viewsOf(view.sheet)
  const phase = shown && slackPhase(shown.step.kind, provesOf(view.job))
  const [drawn, setDrawn] = useState(false)
  const ofDrive = views.includes(chosen) ? chosen : (views[0] ?? 'wheel')
  // Where slack is read its chart stands first; the drawings are a press away.
  const shownView = phase && !drawn ? 'slack' : ofDrive
  const target = shown && targetOfStep(shown.step, view)
  return (
    <section className="bench" aria-label="Bench">
      <Strip lash={shown?.step.kind === 'lashFound' || shown?.step.kind === 'lashLeft'} />
      <div className="drawing">
        {shownView !== 'slack' && (
          <div className="drawing-words">
            <CrankReadout />
            {shown?.status.outcome === 'open' && target && <TurnTo target={target} />}
            {!target && <TurnedButton />}
          </div>
        )}
        {(views.length > 1 || phase) && (
          <SegmentedControl
            className="view-choice"
            aria-label="Drawing"
            value={shownView}
            onChange={(value) => {
              setDrawn(value !== 'slack')
              if (value !== 'slack') dispatch(screenSlice.actions.viewChosen(value as BenchView))
            }}
            data={[...(phase ? (['slack'] as const) : []), ...views].map((value) => ({
              value,
              label: viewNames[value],
            }))}
          />
        )}
        <PartBoundary of="The drawing" resetBy={[shownView, view.entries.length, view.sheet]}>
          {shownView === 'face' && <FaceOrGaps counted={counted} />}
          {shownView === 'wheel' && <DegreeWheel />}
          {shownView === 'slack' && phase && (
            <Suspense fallback={null}>
              <SlackView phase={phase} />
            </Suspense>
          )}
          {shownView === 'valves' && (
            <Suspense fallback={null}>
              <ValvesView />
            </Suspense>
          )}
        </PartBoundary>
      </div>
    </section>
  )
}

const viewNames = { slack: 'Slack', face: 'Face', wheel: 'Wheel', valves: 'Valves' } as const

/** The drawings that this engine has something for. */
export const viewsOf = ({ loops, couplings, cams }: BuildSheet): BenchView[] => [
  ...(loops.length + couplings.length > 0 ? (['face'] as const) : []),
  'wheel',
  ...(cams.length > 0 ? (['valves'] as const) : []),
]

/** The phase in which a step reads slack. */
const slackPhase = (kind: StepKind, proves: 'timing' | 'tension'): Phase | undefined => {
  if (kind === 'twoTurns' && proves === 'tension') return 'left'
  return kind === 'slackFound' ? 'found' : kind === 'slackSet' ? 'set' : undefined
}

/** For steps that do not bring the crank to one place: a turn can still be written down. */
function TurnedButton() {
  const [open, setOpen] = useState(false)
  return (
    <>
      <Button variant="quiet" onClick={() => setOpen(true)}>
        I have turned it
      </Button>
      {open && <TurnedDialog planned={undefined} onClose={() => setOpen(false)} />}
    </>
  )
}

function FaceOrGaps({ counted }: { counted: CountedOnFace | undefined }) {
  const { view, side } = useBench()
  const scene = useScene(view)
  const found = useFoundState(view)
  const [beside, setBeside] = useState(false)
  const errors = scene.errors.map(({ loop, error }) => loopWords(error, loop, view.sheet))
  if (scene.toothed.length === 0) {
    return (
      <div className="no-face">
        <p>{errors[0] ?? 'The build sheet has no drive yet.'}</p>
      </div>
    )
  }
  // Drawn from the counts alone, what is not measured is the normal case and said once.
  const told = (gap: string) => scene.drawn === 'toScale' || gap === 'running'
  const gaps = [
    ...new Set(scene.loops.flatMap(({ loop, solved }) => solved.gaps.filter(told).map((gap) => gapWords(gap, loop)))),
  ]
  return (
    <>
      <Face scene={scene} counted={counted} />
      <div className="face-notes">
        {found && (
          <figure className="as-found">
            {beside && <FaceStill sheet={view.sheet} width={150} height={170} side={side} state={found} />}
            <figcaption>
              <button type="button" className="link" aria-expanded={beside} onClick={() => setBeside(!beside)}>
                {beside ? 'Put away: as found' : 'Beside it: as found'}
              </button>
            </figcaption>
          </figure>
        )}
        {(scene.drawn === 'schematic' || gaps.length > 0 || errors.length > 0) && (
          <p className="gaps">
            {scene.drawn === 'schematic' && (
              <>
                <strong>Not to scale:</strong> drawn from the counts. The places of the shafts would let them be worked
                out.{' '}
              </>
            )}
            {[...errors, ...gaps].join(' ')}
          </p>
        )}
      </div>
    </>
  )
}
