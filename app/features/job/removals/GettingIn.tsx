import { Button, Checkbox } from '@mantine/core'
import { Link } from 'react-router'
import { removalsOf } from '@link-count/core/removals'
import type { Step } from '@link-count/core/runSheet'
import { Fold } from '../../../ui/Fold'
import { wholeWords, WordsInput } from '../../../ui/fields'
import { useWorkshop } from '../../../ui/WorkshopContext'
import { inSentence } from '../../../ui/wording'
import { useBench } from '../JobContext'
import { Pictures } from '../pictures/Pictures'
import { CoverTheHole } from './CoverTheHole'
import { FoundBefore } from './FoundBefore'
import { LookAlikes } from './LookAlikes'
import { SmallParts } from './SmallParts'
import { useComesOff } from './useComesOff'
import './removals.css'

/** What comes off, in its order, with its bag, where it belongs, which way round it was, and a picture. */
export function GettingIn({ step }: { readonly step: Step }) {
  const { state, job } = useBench().view
  const { kind } = useWorkshop()
  const removals = removalsOf(state)
  const back = removals.filter((one) => one.back).length
  const note = `${removals.length} came off${back > 0 ? `, ${back} back` : ''}`
  return (
    <Fold
      title="Getting in: what comes off"
      note={removals.length === 0 ? 'nothing yet' : note}
      open={step.kind === 'gettingIn'}
    >
      {removals.length > 0 && (
        <ol className="removals">
          {removals.map(({ entry, back }) => (
            <li key={entry.id}>
              <div className="came-off">
                <span>
                  <strong>{entry.what}</strong>
                  {entry.bag !== undefined && `, bag ${entry.bag}`}
                  {[entry.belongs, entry.lies].filter(Boolean).map((words) => `, ${words}`)}
                  {back && <span className="soft"> (back)</span>}
                </span>
                {!back && (
                  <Pictures
                    of={{ what: 'removal', id: entry.removalId }}
                    name={inSentence(entry.what)}
                    stepId={step.id}
                    inList
                  />
                )}
              </div>
            </li>
          ))}
        </ol>
      )}
      <ComesOff step={step} />
      <SmallParts step={step} />
      <LookAlikes step={step} />
      {removals.some(({ entry, back }) => entry.bag !== undefined && !back) && (
        <Link to={`/${kind}/job/${job.id}/labels`}>Print labels for the bags</Link>
      )}
    </Fold>
  )
}

/** One thing more that comes off. */
function ComesOff({ step }: { readonly step: Step }) {
  const { what, belongs, lies, bag, nextBag, is, held, waits, hasCoupling, write } = useComesOff(step)
  return (
    <div className="stack">
      <WordsInput
        label="What comes off next"
        placeholder="upper cover"
        maxLength={200}
        of={what}
        onEnter={() => write()}
      />
      <FoundBefore what={what.text} />
      <div className="belongs-and-bag">
        <WordsInput label="Where it belongs" placeholder="timing side" maxLength={200} of={belongs} />
        <WordsInput
          label="Bag"
          placeholder={String(nextBag)}
          inputMode="numeric"
          maxLength={4}
          of={bag}
          error={bag.error && wholeWords(bag.error)}
        />
      </div>
      <Checkbox
        label="It fits two ways"
        checked={is.twoWays}
        onChange={(event) => is.setTwoWays(event.currentTarget.checked)}
      />
      <WordsInput
        label="Which way round it was"
        description="What faces where: a bevel, writing on a belt, a number, the face of a sprocket."
        maxLength={300}
        of={lies}
        error={
          is.twoWays && lies.text.trim() === '' ? 'It fits two ways, so which way it was is written first.' : undefined
        }
      />
      <Checkbox
        label="It opens the crankcase"
        checked={is.crankcase}
        onChange={(event) => is.setCrankcase(event.currentTarget.checked)}
      />
      {is.crankcase && waits && (
        <p className="warn" role="alert">
          A wait holds the crankcase: do not open it before that is over.
        </p>
      )}
      {hasCoupling && (
        <Checkbox
          label="It is a plug of a hydraulic coupling"
          checked={is.plug}
          onChange={(event) => is.setPlug(event.currentTarget.checked)}
        />
      )}
      <Checkbox
        label="It is undone above an open hole"
        checked={is.aboveHole}
        onChange={(event) => is.setAboveHole(event.currentTarget.checked)}
      />
      {is.aboveHole && <CoverTheHole step={step} />}
      <Button variant="filled" fullWidth disabled={held} onClick={() => void write()}>
        It is off
      </Button>
    </div>
  )
}
