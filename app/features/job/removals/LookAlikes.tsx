import { Button, NativeSelect, TextInput } from '@mantine/core'
import { nanoid } from 'nanoid'
import { canBeRead, filledOnes, toldApartIn, type AlikeOne, type ToldApart } from '@link-count/core/lookAlikes'
import type { Step } from '@link-count/core/runSheet'
import { Fold } from '../../../ui/Fold'
import { useDraft } from '../../../ui/fields'
import { alikeWarnings, differsWords, toldApartLine, upperFirst } from '../../../ui/wording'
import { useBench } from '../JobContext'

type By = ToldApart['by']
interface Typed {
  readonly what: string
  readonly by: By
  readonly ones: readonly AlikeOne[]
}

const blank: AlikeOne = { name: '', reads: '', book: '' }
const start: Typed = { what: '', by: 'length', ones: [blank, blank] }

/** Parts that look alike, told apart by what differs before they lie on one bench. */
export function LookAlikes({ step }: { readonly step: Step }) {
  const told = toldApartIn(useBench().view.state)
  return (
    <Fold title="Look-alikes" note={told.length === 0 ? 'none' : told.length}>
      {told.map((one) => (
        <div key={one.id}>
          <p>{upperFirst(toldApartLine(one))}.</p>
          {alikeWarnings(one).map((words) => (
            <p key={words} className="warn">
              {words}
            </p>
          ))}
        </div>
      ))}
      <TellApart step={step} />
    </Fold>
  )
}

function TellApart({ step }: { readonly step: Step }) {
  const { view, say } = useBench()
  const draft = useDraft(`${view.job.id}:alike`)
  const typed = typedOf(draft.text)
  const change = (to: Partial<Typed>) => draft.setText(JSON.stringify({ ...typed, ...to }))
  const { what, by, ones } = typed
  const full = filledOnes(by, ones)
  const ready = what.trim() !== '' && full !== undefined
  const write = () =>
    full &&
    void say(
      {
        kind: 'toldApart',
        alikeId: nanoid(8),
        what: what.trim(),
        by,
        ones: full,
        stepId: step.id,
      },
      [draft],
    )
  return (
    <div className="stack">
      <TextInput
        label="What looks alike"
        placeholder="push rods"
        maxLength={120}
        value={what}
        onChange={(event) => change({ what: event.currentTarget.value })}
      />
      <NativeSelect
        label="Told apart by"
        value={by}
        onChange={(event) => change({ by: event.currentTarget.value as By })}
        data={Object.entries(differsWords).map(([value, { name }]) => ({ value, label: name }))}
      />
      {ones.map((one, i) => (
        <OneOfThem key={i} n={i + 1} by={by} one={one} onChange={(to) => change({ ones: ones.with(i, to) })} />
      ))}
      <div className="row">
        <Button variant="quiet" disabled={ones.length >= 24} onClick={() => change({ ones: [...ones, blank] })}>
          One more of them
        </Button>
        <Button variant="default" disabled={!ready} onClick={write}>
          They are told apart so
        </Button>
      </div>
    </div>
  )
}

function OneOfThem({
  n,
  by,
  one,
  onChange,
}: {
  readonly n: number
  readonly by: By
  readonly one: AlikeOne
  readonly onChange: (to: AlikeOne) => void
}) {
  const { name, example, seen } = differsWords[by]
  const field = (key: keyof AlikeOne, label: string, placeholder: string, error?: string) => (
    <TextInput
      label={label}
      placeholder={placeholder}
      maxLength={120}
      value={one[key]}
      error={error}
      onChange={(event) => onChange({ ...one, [key]: event.currentTarget.value })}
    />
  )
  const cannot = (text: string) =>
    text.trim() === '' || canBeRead(by, text) ? undefined : `That is no ${name}: as ${example}.`
  return (
    <div className="row" role="group" aria-label={`Number ${n}`}>
      {field('name', `Which, ${n}`, n === 1 ? 'inlet' : 'exhaust')}
      {field('reads', `${upperFirst(seen)}, ${n}`, example, cannot(one.reads))}
      {field('book', `Book or model year says, ${n}`, 'nothing', cannot(one.book))}
    </div>
  )
}

function typedOf(text: string): Typed {
  try {
    return text === '' ? start : (JSON.parse(text) as Typed)
  } catch {
    return start
  }
}
