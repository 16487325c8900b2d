import { Button, NativeSelect } from '@mantine/core'
import { nanoid } from 'nanoid'
import { useState } from 'react'
import type { Due, Engine } from '@link-count/core/model'
import { parseNumber } from '@link-count/core/units'
import { nextDue, USUAL_INTERVALS, type NextDue } from '@link-count/core/upkeep'
import type { JobView } from '../../domain/views'
import { changeEngine } from '../../domain/writes'
import { useAppDispatch } from '../../store'
import { download } from '../../ui/download'
import { takenOf, useDraft, type Draft, WordsInput } from '../../ui/fields'
import { fileName } from '../../ui/fileName'
import { Fold } from '../../ui/Fold'
import { useAttempt } from '../../ui/useAttempt'
import { useWorkshop } from '../../ui/WorkshopContext'
import { formatDate } from '../../ui/wording'
import { dueWords, everyWords, trendLines } from './dueWords'

/** What is due next, by whichever comes first: what it has run, the calendar, or what was measured. */
export function DueList({ engine, views }: { readonly engine: Engine; readonly views: readonly JobView[] }) {
  const dispatch = useAppDispatch()
  const attempt = useAttempt()
  const { now } = useWorkshop()
  const dues = engine.due ?? []
  const visits = views.map(({ job }) => ({ at: job.at, meter: job.meter }))
  const told = dues.map((due) => ({ due, next: nextDue(due, visits, now()) }))
  const change = (to: (dues: readonly Due[]) => Due[], from: readonly Draft[] = []) =>
    attempt('What is due', () =>
      dispatch(changeEngine(engine.id, (one) => ({ ...one, due: to(one.due ?? []) }), takenOf(from))),
    )
  const dated = told.flatMap(({ due, next }) =>
    next.first
      ? [
          {
            id: due.id,
            title: `${engine.name}: ${due.what}`,
            at: next.first,
            words: `${everyWords(due)}. ${due.source}`,
          },
        ]
      : [],
  )
  const save = () =>
    void attempt('The calendar', async () => {
      const { dueCalendar } = await import('./saveLog')
      download(`${fileName(engine.name, 'due')}.ics`, new Blob([dueCalendar(dated)], { type: 'text/calendar' }))
      return true
    })
  const [latest] = views
  const done = (due: Due) => {
    const meter = latest?.job.meter
    void change((all) =>
      all.map((one) =>
        one.id === due.id
          ? { ...one, lastAt: now(), ...(meter && due.every?.unit === meter.unit ? { lastMeter: meter.value } : {}) }
          : one,
      ),
    )
  }
  return (
    <section aria-labelledby="due">
      <h2 id="due">Due next</h2>
      {told.length === 0 && <p className="soft">Nothing is kept here yet.</p>}
      <ul className="plain dues">
        {told.map(({ due, next }) => (
          <DueLine
            key={due.id}
            due={due}
            next={next}
            onDone={() => done(due)}
            onDrop={() => void change((all) => all.filter(({ id }) => id !== due.id))}
          />
        ))}
        {trendLines(views).map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      {dated.length > 0 && (
        <Button variant="default" onClick={save}>
          Calendar file
        </Button>
      )}
      <AddDue engineId={engine.id} onAdd={(due, from) => change((all) => [...all, due], from)} />
    </section>
  )
}

/** One thing that is done again and again: when it is next due, and how often. */
const DueLine = ({
  due,
  next,
  onDone,
  onDrop,
}: {
  readonly due: Due
  readonly next: NextDue
  readonly onDone: () => void
  readonly onDrop: () => void
}) => (
  <li className={next.isOver ? 'over' : undefined}>
    <span>
      <strong>{due.what}</strong>: {dueWords(due, next)}{' '}
      <span className="soft">
        {everyWords(due)}
        {due.source && `, ${due.source}`}
        {due.lastAt && `; last ${formatDate(due.lastAt)}`}
      </span>
    </span>
    <span className="row">
      <Button variant="quiet" aria-label={`Done: ${due.what}`} onClick={onDone}>
        Done now
      </Button>
      <Button variant="quiet" aria-label={`Drop: ${due.what}`} onClick={onDrop}>
        Drop
      </Button>
    </span>
  </li>
)

/** One more: as it is common, or by figures of one's own. */
function AddDue({
  engineId,
  onAdd,
}: {
  readonly engineId: string
  readonly onAdd: (due: Due, from: readonly Draft[]) => Promise<unknown>
}) {
  const what = useDraft(`due:${engineId}:what`)
  const every = useDraft(`due:${engineId}:every`)
  const months = useDraft(`due:${engineId}:months`)
  const [unit, setUnit] = useState<NonNullable<Due['every']>['unit']>('hours')
  const [bad, setBad] = useState('')
  const [a, b] = [parseNumber(every.text), parseNumber(months.text)]
  const add = () => {
    const hasEvery = every.text.trim() !== ''
    const hasMonths = months.text.trim() !== ''
    const fits =
      (!hasEvery || (a.ok && a.value >= 0.1 && a.value <= 10_000_000)) &&
      (!hasMonths || (b.ok && b.value >= 0.1 && b.value <= 1200))
    if (!fits || (!hasEvery && !hasMonths)) {
      setBad('So many hours, miles or races, or so many months: a number above 0 in one of the two.')
      return
    }
    setBad('')
    void onAdd(
      {
        id: nanoid(),
        what: what.text.trim(),
        ...(hasEvery && a.ok ? { every: { value: a.value, unit } } : {}),
        ...(hasMonths && b.ok ? { months: b.value } : {}),
        source: 'our own',
      },
      [what, every, months],
    )
  }
  return (
    <Fold title="Keep one more" note="ours, or as is common">
      <UsualIntervals onAdd={(one) => void onAdd({ id: nanoid(), ...one }, [])} />
      <div className="row">
        <WordsInput label="What is done" placeholder="chain adjusted" maxLength={80} of={what} />
        <WordsInput label="Every" placeholder="4000" inputMode="decimal" of={every} error={bad || undefined} />
        <NativeSelect
          aria-label="Counted in"
          value={unit}
          onChange={(event) => setUnit(event.currentTarget.value as 'hours')}
          data={['hours', 'miles', 'km', 'races']}
        />
        <WordsInput label="Or every so many months" placeholder="60" inputMode="decimal" of={months} />
        <Button variant="default" disabled={what.text.trim() === ''} onClick={add}>
          Keep it
        </Button>
      </div>
    </Fold>
  )
}

/** What is common, labelled as that. */
const UsualIntervals = ({ onAdd }: { readonly onAdd: (one: (typeof USUAL_INTERVALS)[number]) => void }) => (
  <div className="row">
    {USUAL_INTERVALS.map((one) => (
      <Button key={`${one.what} ${everyWords(one)}`} variant="quiet" onClick={() => onAdd(one)}>
        {one.what}, {everyWords(one)}, {one.source}
      </Button>
    ))}
  </div>
)
