import { Button, NativeSelect } from '@mantine/core'
import { allOf } from '@link-count/core/ledger'
import { judgeWalk, walkLooks, walkStops, type WalkLook, type WalkVerdict } from '@link-count/core/runSheet'
import type { BuildSheet, EntryOf } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { useDraft } from '../../../../ui/fields'
import { inSentence, hourWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { Fold } from '../../../../ui/Fold'
import './CycleWalk.css'

type Saw = EntryOf<'walk'>['saw']

/** A walk round the cycle, a stop every half turn: what each piston, valve and mark should look like, and what differing means. */
export function CycleWalk({ step }: { readonly step: Step }) {
  const { view, say, drawn } = useBench()
  const { sheet, state, job, guard } = view
  const at = useDraft(`${job.id}:${step.id}:walk`, '0')
  const crankDeg = Number(at.text) || 0
  const looks = walkLooks(sheet, crankDeg)
  const walks = allOf(state, 'walk')
  const verdict = judgeWalk(sheet, walks)
  if (walkStops(sheet).every((deg) => walkLooks(sheet, deg).length === 0)) return null
  const seenOf = ({ cylinderId, what }: WalkLook) =>
    walks.findLast((one) => one.crankDeg === crankDeg && one.cylinderId === cylinderId && one.what === what)?.saw
  const go = (deg: number) => {
    at.setText(String(deg))
    drawn.set(deg)
  }
  return (
    <Fold
      title="Walk round the cycle"
      note={
        <>
          {verdict.looked} of {verdict.of} looked at
        </>
      }
    >
      <NativeSelect
        label="The crank stands at"
        value={at.text}
        onChange={(event) => go(Number(event.currentTarget.value))}
        data={walkStops(sheet).map((deg) => ({ value: String(deg), label: `${deg}° after firing TDC` }))}
      />
      <ul className="plain walk">
        {looks.map((look) => (
          <Look
            key={`${look.cylinderId} ${look.what}`}
            look={look}
            crankDeg={crankDeg}
            seen={seenOf(look)}
            stepId={step.id}
          />
        ))}
      </ul>
      {crankDeg + 180 < sheet.cycleDeg && (
        <Button
          variant="default"
          disabled={guard.verdict !== 'turn'}
          onClick={() => {
            void say({ kind: 'turned', deg: 180, ended: 'onMark', stepId: step.id })
            go(crankDeg + 180)
          }}
        >
          Turned on by half a turn
        </Button>
      )}
      {guard.verdict !== 'turn' && (
        <p className="soft">The guard at the foot says what must be freed before it is turned.</p>
      )}
      <Verdict verdict={verdict} sheet={sheet} />
    </Fold>
  )
}

/** One thing to look at at this stop: it is so, or it is otherwise. */
function Look({
  look,
  crankDeg,
  seen,
  stepId,
}: {
  readonly look: WalkLook
  readonly crankDeg: number
  readonly seen: Saw | undefined
  readonly stepId: string
}) {
  const { view, side, say } = useBench()
  const words = lookWords(look, view.sheet, side === 'opposite')
  const entry = { kind: 'walk', crankDeg, cylinderId: look.cylinderId, what: look.what, stepId } as const
  return (
    <li>
      <span>{words}</span>
      <Button
        variant={seen === 'asExpected' ? 'filled' : 'default'}
        aria-pressed={seen === 'asExpected'}
        aria-label={`It is so: ${words}`}
        onClick={() => void say({ ...entry, saw: 'asExpected' })}
      >
        It is so
      </Button>
      <Button
        variant={seen === 'otherwise' ? 'filled' : 'quiet'}
        aria-pressed={seen === 'otherwise'}
        aria-label={`Otherwise: ${words}`}
        onClick={() => void say({ ...entry, saw: 'otherwise' })}
      >
        Otherwise
      </Button>
    </li>
  )
}

function Verdict({ verdict: { meaning, looked, of, targetId }, sheet }: { verdict: WalkVerdict; sheet: BuildSheet }) {
  const name =
    inSentence(partsOf(sheet).shaft(targetId)?.name) ??
    inSentence(sheet.banks.find(({ id }) => id === targetId)?.name) ??
    partsOf(sheet).cylinder(targetId)?.name ??
    ''
  if (meaning === 'nothingYet') return null
  if (meaning === 'allRight')
    return (
      <p className="result">
        {looked === of ? 'All round the cycle it is as it should be.' : `As it should be so far: ${looked} of ${of}.`}
      </p>
    )
  return (
    <p className="warn" role="alert">
      {
        {
          halfTurn:
            'The pistons are right and the valves are not: the cams are half a turn out, or the wrong half of the cycle was assumed. Air past a thumb on the plug hole tells which.',
          oneCamshaft: `Only what the ${name} works is wrong: that camshaft is off by itself.`,
          oneBank: `The other bank is right and the ${name} is not: its cams are half a turn out, or set to another cylinder’s event.`,
          oneCylinder: `Only cylinder ${name} is wrong: is it the cylinder that the sheet means, and the firing order right?`,
          mark: 'Pistons and valves are right and the marks are not: they are not what they seem.',
          pistons:
            'The pistons are not where they should be: check the zero, or which cylinder is which, or the crankpins on the sheet.',
          mixed: 'Pistons and valves differ: first the zero and which cylinder is which, then look again.',
        }[meaning]
      }
    </p>
  )
}

const pistonWords = { top: 'at the top', bottom: 'at the bottom', goingDown: 'going down', goingUp: 'coming up' }
const valveWords = { shut: 'shut', open: 'open', barelyOpen: 'barely open' }

function lookWords(look: WalkLook, sheet: BuildSheet, mirrored: boolean): string {
  const name = partsOf(sheet).cylinder(look.cylinderId)?.name ?? ''
  if (look.what === 'mark') return 'The timing marks meet'
  if (look.what === 'piston') return `Cylinder ${name}: piston ${pistonWords[look.piston]}`
  const hour = look.hour === undefined ? undefined : mirrored ? (12 - look.hour) % 12 : look.hour
  return `Cylinder ${name}: ${look.what} ${valveWords[look.valve]}${hour === undefined ? '' : `, lobe to ${hourWords(hour)}`}`
}
