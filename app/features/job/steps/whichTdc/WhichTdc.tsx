import { Button } from '@mantine/core'
import type { Evidence } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { readingsOfJob } from '@link-count/core/diagnose'
import { companionsOf } from '@link-count/core/cylinders'
import { partsOf } from '@link-count/core/sheet'
import { nextLook } from '@link-count/core/zero'
import { StandsByMark, StoodByMark } from '../../byMark/StandsByMark'
import { useBench } from '../../JobContext'
import { TurnTo } from '../../TurnTo'
import { wheelAt } from '../../turnPlan'
import { wheelAsSeen } from '../../../../ui/job'
import { CycleWalk } from '../twoTurns/CycleWalk'
import { Word } from '../../../../ui/Word'

interface Look {
  readonly evidence: Evidence
  readonly question: string
  readonly firing: string
  readonly overlap: string
}

const looks: readonly Look[] = [
  {
    evidence: 'thumb',
    question: 'Thumb on the plug hole as it came up',
    firing: 'Air pushed past',
    overlap: 'No push',
  },
  { evidence: 'lobes', question: 'Valves of this cylinder', firing: 'Both shut, lash felt', overlap: 'Not both shut' },
  { evidence: 'rocking', question: 'Turned a little either way', firing: 'Nothing rocks', overlap: 'Both rock' },
  {
    evidence: 'companionRocking',
    question: 'Valves of the companion cylinder',
    firing: 'They rock',
    overlap: 'They are shut',
  },
  {
    evidence: 'lockFits',
    question: 'A lock, pin or line that fits here',
    firing: 'It fits',
    overlap: 'It does not',
  },
]

/** A board of evidence: firing or overlap TDC. Two independent witnesses prove it. */
export function WhichTdc({ step }: { readonly step: Step }) {
  const { view, say } = useBench()
  const { state, sheet } = view
  const cylinderId = step.targetIds[0] ?? sheet.zeroCylinderId
  const name = partsOf(sheet).cylinder(cylinderId)?.name ?? ''
  if (!state.zero && !state.crank.byMark)
    return (
      <div className="stack">
        <p>Where does the crank stand? Find true TDC, or say it by a mark.</p>
        <StandsByMark step={step} />
      </div>
    )
  const wheelDeg = wheelAt(view, 0)
  const atTdc = state.live.some(({ kind }) => kind === 'stands') && Math.abs(state.crank.sinceReferenceDeg % 360) < 0.5
  const companions = companionsOf(sheet, cylinderId)
  const companion = sheet.cylinders.find(({ id }) => companions.includes(id))
  const given = state.live.flatMap((entry) =>
    entry.kind === 'witness' && entry.cylinderId === cylinderId ? [entry.evidence] : [],
  )
  const loopsOn = sheet.loops.every(({ id }) => state.loops[id]?.on)
  const next = looks.find(
    ({ evidence }) => evidence === nextLook(given, { hasCompanion: companion !== undefined, loopsOn }),
  )
  const shown = looks.filter(({ evidence }) => evidence !== 'companionRocking' || companion)
  return (
    <div className="stack">
      {!atTdc && !state.zero && <StandsByMark step={step} />}
      {!atTdc && state.zero && (
        <TurnTo
          target={{ deg: 0, words: `TDC of cylinder ${name}` }}
          arrived={{
            words: `It stands there: wheel reads ${wheelAsSeen(wheelDeg, state)}`,
            newEntry: { kind: 'stands', place: 'tdc', cylinderId, wheelDeg, stepId: step.id },
          }}
        />
      )}
      {atTdc && (
        <>
          <div className="done-line">
            {state.zero ? (
              <>
                Cylinder {name} stands at TDC, wheel <span className="reading">{wheelAsSeen(wheelDeg, state)}</span>
              </>
            ) : (
              <StoodByMark />
            )}
          </div>
          {shown.map((look) => (
            <LookRow
              key={look.evidence}
              look={look}
              step={step}
              cylinderId={cylinderId}
              companion={companion?.name}
              say={say}
            />
          ))}
          {next && given.length > 0 && (
            <p>
              Look next: <strong>{next.question.charAt(0).toLowerCase() + next.question.slice(1)}</strong>.
            </p>
          )}
          {sheet.cylinders.length > 1 && !companion && (
            <p className="soft">No cylinder stands at its other TDC here, so none can be looked at for a companion.</p>
          )}
        </>
      )}
      <HalfResult name={name} />
      <CycleWalk step={step} />
    </div>
  )
}

function LookRow({
  look,
  step,
  cylinderId,
  companion,
  say,
}: {
  look: Look
  step: Step
  cylinderId: string
  companion: string | undefined
  say: ReturnType<typeof useBench>['say']
}) {
  const { view } = useBench()
  const given = view.state.live.findLast(
    (entry) => entry.kind === 'witness' && entry.evidence === look.evidence && entry.cylinderId === cylinderId,
  )
  const says = given?.kind === 'witness' ? given.says : undefined
  const answer = (value: 'firing' | 'overlap') =>
    void say([
      ...(given ? [{ kind: 'strike' as const, targetId: given.id, reason: 'looked again' }] : []),
      {
        kind: 'witness',
        cylinderId,
        evidence: look.evidence,
        says: look.evidence === 'lockFits' ? 'undecided' : value,
        stepId: step.id,
      },
    ])
  const hole = view.sheet.fuel === 'diesel' ? 'injector or glow-plug hole' : 'plug hole'
  const question =
    look.evidence === 'companionRocking' ? `${look.question} (${companion})` : look.question.replace('plug hole', hole)
  return (
    <fieldset className="look">
      <legend>{question}</legend>
      {look.evidence === 'lockFits' && given && (
        <p className="soft">
          Written down, and it counts for nothing: what fits at firing TDC fits at overlap as well.
        </p>
      )}
      <div className="row">
        {(look.evidence === 'lockFits' ? (['firing'] as const) : (['firing', 'overlap'] as const)).map((value) => (
          <Button
            key={value}
            variant={says === value ? 'filled' : 'quiet'}
            aria-pressed={says === value}
            onClick={() => answer(value)}
          >
            {look[value]}
          </Button>
        ))}
      </div>
    </fieldset>
  )
}

function HalfResult({ name }: { name: string }) {
  const { state, sheet } = useBench().view
  const { half, crank } = state
  const airAgainstValves = readingsOfJob(sheet, state, 'found').half === 'opposite'
  if (half.known === 'unknown') return <p className="soft">Half of the cycle not known. What is set from it waits.</p>
  if (half.known === 'conflict') {
    return (
      <p className="field-error" role="alert">
        {airAgainstValves
          ? 'The air past the thumb and the valves contradict each other. Either the cams are half a turn out, which is a whole turn of the crank, or one of the looks was mistaken: look again, and walk round the cycle.'
          : 'The witnesses contradict each other, so the half of the cycle is not known. Look again; a thumb on the hole while somebody turns is the surest.'}
      </p>
    )
  }
  const at =
    crank.deg === undefined
      ? ''
      : Math.abs(crank.deg) < 90 || crank.deg > 630
        ? `firing TDC of ${name}`
        : `overlap TDC of ${name}`
  return (
    <p className="result">
      {at && `It stands at ${at}, `}
      {half.known === 'proved' ? (
        <span className="proved">proved</span>
      ) : (
        <span className="soft">
          read: one <Word of="witness" />. A second, of another kind, would prove it.
        </span>
      )}
    </p>
  )
}
