import { Button, Checkbox } from '@mantine/core'
import { couldHaveRun } from '@link-count/core/ledger'
import { cautionsFor, type Step } from '@link-count/core/runSheet'
import { cautionWords } from '../../../../ui/wording'
import { Fold } from '../../../../ui/Fold'
import { OwedBefore } from '../../../../ui/job'
import { useDraft, WordsInput } from '../../../../ui/fields'
import { useBench } from '../../JobContext'
import { Kit } from '../../kit/Kit'
import { GettingIn } from '../../removals/GettingIn'
import { BeginWait } from '../../waits/BeginWait'
import { Isolated } from './Isolated'
import './MakeSafe.css'

export function MakeSafe({ step }: { readonly step: Step }) {
  const { view, say } = useBench()
  const cautions = cautionsFor(view.sheet)
  const read = cautions.filter(({ gate }) => !gate)
  return (
    <div className="ticks">
      <OwedBefore engineId={view.engine.id} jobId={view.job.id} />
      {cautions.map(
        ({ id, gate }) =>
          gate && (
            <Checkbox
              key={id}
              size="md"
              label={cautionWords(id, view.sheet)}
              checked={view.state.ticked.has(id)}
              onChange={(event) =>
                void say({ kind: 'tick', cautionId: id, ticked: event.currentTarget.checked, stepId: step.id })
              }
            />
          ),
      )}
      <Fold title="Mind as well" note={read.length} open>
        <ul className="mind">
          {read.map(({ id }) => (
            <li key={id}>{cautionWords(id, view.sheet)}.</li>
          ))}
        </ul>
      </Fold>
      <Isolated step={step} />
      <BeginWait step={step} />
      <Kit step={step} />
      <GettingIn step={step} />
      {(view.state.ranAsked || couldHaveRun(view.state.stand)) && <RanUntilNow step={step} />}
    </div>
  )
}

const answers = [
  ['yes', 'It ran'],
  ['no', 'It did not'],
  ['notKnown', 'Nobody knows'],
] as const

/** Whether it ran as it stands until it came in: asked once, before anything is touched. It then turns the running way however late it reads. */
function RanUntilNow({ step }: { readonly step: Step }) {
  const { view, say } = useBench()
  const { state, job } = view
  const role = useDraft(`${job.id}:ran:role`)
  const said = state.ranAsked
  return (
    <fieldset className="look">
      <legend>Did it run, as it stands, until it came in?</legend>
      <div className="row">
        {answers.map(([says, words]) => (
          <Button
            key={says}
            variant={said?.says === says ? 'filled' : 'quiet'}
            aria-pressed={said?.says === says}
            onClick={() => void say({ kind: 'ranUntilNow', says, role: role.text.trim(), stepId: step.id }, [role])}
          >
            {words}
          </Button>
        ))}
      </div>
      {said ? (
        said.role && <p className="soft">By the word of the {said.role}.</p>
      ) : (
        <WordsInput label="By whose word" placeholder="owner" maxLength={120} of={role} />
      )}
    </fieldset>
  )
}
