import { Button, NativeSelect } from '@mantine/core'
import { nanoid } from 'nanoid'
import { kitOf, saidOfKit, type KitIs, type KitLine } from '@link-count/core/kit'
import type { Step } from '@link-count/core/runSheet'
import { Fold } from '../../../ui/Fold'
import { useDraft, WordsInput } from '../../../ui/fields'
import { kitIsWords, kitWords, partNameOf } from '../../../ui/wording'
import { useBench } from '../JobContext'
import './Kit.css'

const SAYS: readonly KitIs[] = ['here', 'owed', 'notWanted']

/** What the job wants at hand, by its steps, its bolts and what was found: said to be here, or to be got. */
export function Kit({ step }: { readonly step: Step }) {
  const { view, say } = useBench()
  const { sheet, state, steps, job } = view
  const own = useDraft(`${job.id}:kit`)
  const lines = kitOf(
    sheet,
    steps.map((one) => one.step),
    state,
  )
  const wordsOf = (line: KitLine) => kitWords(line, (id) => partNameOf(sheet, id))
  const asked = lines.map((line) => ({ line, is: saidOfKit(state, line.id) }))
  const here = asked.filter(({ is }) => is === 'here').length
  const owed = asked.filter(({ is }) => is === 'owed').length
  const write = (line: KitLine, is: KitIs) =>
    void say({ kind: 'kit', itemId: line.id, is, words: wordsOf(line), stepId: step.id })
  const add = async () => {
    const words = own.text.trim()
    if (words === '') return
    await say({ kind: 'kit', itemId: `own-${nanoid(10)}`, is: 'owed', words, stepId: step.id }, [own])
  }
  return (
    <Fold title="Kit" note={`${here} of ${lines.length} here${owed > 0 ? `, ${owed} to be got` : ''}`}>
      <ul className="kit">
        {asked.map(({ line, is }) => {
          const words = wordsOf(line)
          return (
            <li key={line.id} className={is}>
              <span>{words}</span>
              <NativeSelect
                aria-label={words}
                value={is ?? ''}
                onChange={(event) => event.currentTarget.value && write(line, event.currentTarget.value as KitIs)}
                data={[
                  ...(is ? [] : [{ value: '', label: 'not looked' }]),
                  ...SAYS.map((value) => ({ value, label: kitIsWords[value] })),
                ]}
              />
            </li>
          )
        })}
      </ul>
      <div className="row">
        <WordsInput
          label="Something more"
          placeholder="gasket of the rocker cover"
          maxLength={200}
          of={own}
          onEnter={() => add()}
        />
        <Button variant="default" disabled={own.text.trim() === ''} onClick={() => void add()}>
          Put it on the list
        </Button>
      </div>
    </Fold>
  )
}
