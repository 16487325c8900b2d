import { Button } from '@mantine/core'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import type { Engine } from '@link-count/core/model'
import { removeEngine } from '../../domain/removals'
import { selectJobs } from '../../domain/selectors'
import { changeEngine } from '../../domain/writes'
import { useAppDispatch, useAppSelector } from '../../store'
import { takenOf, useDraft, type Draft, WordsInput } from '../../ui/fields'
import { Fold } from '../../ui/Fold'
import { saveToFile } from '../../ui/saveToFile'
import { useAttempt } from '../../ui/useAttempt'
import { useWorkshop } from '../../ui/WorkshopContext'
import { AnotherLikeIt } from './AnotherLikeIt'
import { DeleteDialog } from './DeleteDialog'
import { withValue } from './sheetChanges'

/** What an engine is called, words that it is found by, whether it is put away; another like it; its file. */
export function AboutEngine({ engine }: { readonly engine: Engine }) {
  const dispatch = useAppDispatch()
  const attempt = useAttempt()
  const { kind, now } = useWorkshop()
  const change = (to: (engine: Engine) => Engine, from?: Draft) =>
    attempt('The engine', () => dispatch(changeEngine(engine.id, to, takenOf(from ? [from] : []))), from)
  const navigate = useNavigate()
  const [deleting, setDeleting] = useState(false)
  const jobs = useAppSelector((state) => selectJobs(state, engine.id)).length
  const name = useDraft(`engine:${engine.id}:name`, engine.name)
  const description = useDraft(`engine:${engine.id}:description`, engine.description)
  const tags = useDraft(`engine:${engine.id}:tags`, (engine.tags ?? []).join(', '))
  const leave = (draft: Draft, now: string, to: (text: string) => (engine: Engine) => Engine, mayBeEmpty = true) => {
    const text = draft.text.trim()
    if (text === now || (text === '' && !mayBeEmpty)) draft.drop()
    else void change(to(text), draft)
  }
  return (
    <Fold title="This engine" note={engine.archived ? 'put away' : 'name, tags, a copy, a file'}>
      <WordsInput
        label="You call the engine"
        of={name}
        onBlur={() => leave(name, engine.name, (text) => (one) => ({ ...one, name: text }), false)}
        maxLength={120}
      />
      <WordsInput
        label="The engine in a few words"
        of={description}
        onBlur={() => leave(description, engine.description, (text) => (one) => ({ ...one, description: text }))}
        maxLength={200}
      />
      <WordsInput
        label="Tags, with a comma between"
        placeholder="club, wants a chain"
        of={tags}
        onBlur={() =>
          leave(tags, (engine.tags ?? []).join(', '), (text) => (one) => withValue(one, 'tags', tagsOf(text)))
        }
        maxLength={200}
      />
      <Button
        variant="default"
        onClick={() => void change((one) => withValue(one, 'archived', one.archived ? undefined : true))}
      >
        {engine.archived ? 'Back on the stands' : 'Put it away'}
      </Button>
      <p className="soft">Put away, nothing of it is lost: it stands at the end of the list of engines.</p>
      <AnotherLikeIt engine={engine} />
      <Button variant="quiet" onClick={() => void dispatch(saveToFile(kind, now(), engine.id))}>
        Save this engine to a file
      </Button>
      <Button variant="quiet" onClick={() => setDeleting(true)}>
        Delete this engine
      </Button>
      {deleting && (
        <DeleteDialog
          name={engine.name}
          engineId={engine.id}
          remove={() => removeEngine(engine.id)}
          onGone={() => void navigate(`/${kind}`)}
          onClose={() => setDeleting(false)}
        >
          <p>
            Its build sheet goes
            {jobs > 0 && `, and ${jobs === 1 ? 'its job' : `its ${jobs} jobs`} with every line and picture`}. Put away
            instead, all of it is kept.
          </p>
        </DeleteDialog>
      )}
    </Fold>
  )
}

function tagsOf(text: string): string[] | undefined {
  const tags = [...new Set(text.split(',').flatMap((one) => one.trim() || []))].slice(0, 20)
  return tags.length > 0 ? tags : undefined
}
