import { Button, NativeSelect } from '@mantine/core'
import { allOf } from '@link-count/core/ledger'
import { judgeWalk, walkLooks, walkStops, type Step, type WalkLook, type WalkVerdict } from '@link-count/core/runSheet'
import type { BuildSheet, EntryOf, NewEntry } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { fixed, wrapToCycle } from '@link-count/core/units'
import { useDraft } from '../../../../ui/fields'
import { Fold } from '../../../../ui/Fold'
import { hourWords, walkMeaningWords, walkSpacingWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import './CycleWalk.css'

type Walk = EntryOf<'walk'>

/** A walk round the cycle, a stop every half turn from where the crank stands: what is seen of each piston, valve and mark, and what it means. */
export function CycleWalk({ step }: { readonly step: Step }) {
  const { view, say, drawn } = useBench()
  const { sheet, state, job, guard } = view
  const walks = allOf(state, 'walk')
  const began = useDraft(
    `${job.id}:${step.id}:walk-from`,
    String(Math.round(walks[0]?.crankDeg ?? state.crank.deg ?? 0)),
  )
  const fromDeg = wrapToCycle(Number(began.text) || 0, sheet.cycleDeg)
  const stops = walkStops(sheet, fromDeg)
  const at = useDraft(`${job.id}:${step.id}:walk`, String(fromDeg))
  const crankDeg = stops.includes(Number(at.text)) ? Number(at.text) : fromDeg
  const looks = walkLooks(sheet, crankDeg)
  const verdict = judgeWalk(sheet, walks, fromDeg)
  if (stops.every((deg) => walkLooks(sheet, deg).length === 0)) return null
  const go = (deg: number) => {
    at.setText(String(deg))
    if (!began.touched) began.setText(String(fromDeg))
    drawn.set(deg)
  }
  const next = stops[stops.indexOf(crankDeg) + 1]
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
        value={String(crankDeg)}
        onChange={(event) => go(Number(event.currentTarget.value))}
        data={stops.map((deg) => ({ value: String(deg), label: `${fixed(deg, 0)}° after firing TDC` }))}
      />
      <p className="soft">Say what you see, without looking at the drawing first.</p>
      <ul className="plain walk">
        {looks.map((look) => (
          <Look
            key={`${crankDeg} ${look.cylinderId} ${look.what}`}
            look={look}
            crankDeg={crankDeg}
            seen={walks.findLast(
              (one) => one.crankDeg === crankDeg && one.cylinderId === look.cylinderId && one.what === look.what,
            )}
            stepId={step.id}
          />
        ))}
      </ul>
      {next !== undefined && (
        <Button
          variant="default"
          disabled={guard.verdict !== 'turn'}
          onClick={() => {
            void say({ kind: 'turned', deg: 180, ended: 'onMark', stepId: step.id })
            go(next)
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

const Verdict = ({ verdict, sheet }: { readonly verdict: WalkVerdict; readonly sheet: BuildSheet }) => (
  <>
    {verdict.impossible.map((one) => (
      <p className="warn" role="alert" key={`${one.camId} ${one.toDeg}`}>
        {walkSpacingWords(one, sheet)}
      </p>
    ))}
    {verdict.meaning !== 'nothingYet' && (
      <p
        className={verdict.meaning === 'allRight' ? 'result' : 'warn'}
        role={verdict.meaning === 'allRight' ? undefined : 'alert'}
      >
        {walkMeaningWords(verdict, sheet)}
      </p>
    )}
  </>
)

/** One thing to look at at this stop, and what was seen of it. */
function Look({
  look,
  crankDeg,
  seen,
  stepId,
}: {
  readonly look: WalkLook
  readonly crankDeg: number
  readonly seen: Walk | undefined
  readonly stepId: string
}) {
  const { view, side, say } = useBench()
  const name = nameOf(look, view.sheet)
  const write = (said: Partial<Pick<Walk, 'saw' | 'piston' | 'valve' | 'lobeHour'>>) => {
    const { saw, piston, valve, lobeHour } = { ...seen, ...said }
    const entry: NewEntry = {
      kind: 'walk',
      crankDeg,
      cylinderId: look.cylinderId,
      what: look.what,
      stepId,
      ...(saw && piston === undefined && valve === undefined && lobeHour === undefined ? { saw } : {}),
      ...(piston ? { piston } : {}),
      ...(valve ? { valve } : {}),
      ...(lobeHour === undefined ? {} : { lobeHour }),
    }
    void say(entry)
  }
  const mirrored = side === 'opposite'
  const shownHour = (hour: number) => (mirrored ? (12 - hour) % 12 : hour)
  return (
    <li>
      <span>{name}</span>
      {look.what === 'piston' && (
        <NativeSelect
          aria-label={name}
          value={seen?.piston ?? ''}
          onChange={(event) => event.currentTarget.value && write({ piston: event.currentTarget.value as 'top' })}
          data={[{ value: '', label: 'not looked' }, ...options(pistonWords)]}
        />
      )}
      {(look.what === 'inlet' || look.what === 'exhaust') && (
        <>
          <NativeSelect
            aria-label={name}
            value={seen?.valve ?? ''}
            onChange={(event) => event.currentTarget.value && write({ valve: event.currentTarget.value as 'shut' })}
            data={[{ value: '', label: 'not looked' }, ...options(valveWords)]}
          />
          <NativeSelect
            aria-label={`${name}, its lobe`}
            value={seen?.lobeHour === undefined ? '' : String(shownHour(seen.lobeHour))}
            onChange={(event) =>
              event.currentTarget.value !== '' && write({ lobeHour: shownHour(Number(event.currentTarget.value)) })
            }
            data={[
              { value: '', label: 'lobe not seen' },
              ...HOURS.map((hour) => ({ value: String(hour), label: `lobe to ${hourWords(hour)}` })),
            ]}
          />
        </>
      )}
      {look.what === 'mark' && (
        <NativeSelect
          aria-label={name}
          value={seen?.saw ?? ''}
          onChange={(event) => event.currentTarget.value && write({ saw: event.currentTarget.value as 'otherwise' })}
          data={[
            { value: '', label: 'not looked' },
            { value: 'asExpected', label: 'they meet' },
            { value: 'otherwise', label: 'they do not meet' },
          ]}
        />
      )}
    </li>
  )
}

/** Every half hour of a clock face: a lobe is seen no closer. */
const HOURS = Array.from({ length: 24 }, (_, i) => i / 2)

const pistonWords = { top: 'at the top', bottom: 'at the bottom', goingDown: 'going down', goingUp: 'coming up' }
const valveWords = { shut: 'shut', open: 'open' }
const options = (words: Readonly<Record<string, string>>) =>
  Object.entries(words).map(([value, label]) => ({ value, label }))

function nameOf(look: WalkLook, sheet: BuildSheet): string {
  if (look.what === 'mark') return 'The timing marks'
  const name = partsOf(sheet).cylinder(look.cylinderId)?.name ?? ''
  if (look.what === 'piston') return `Cylinder ${name}: piston`
  return `Cylinder ${name}: ${look.what}`
}
