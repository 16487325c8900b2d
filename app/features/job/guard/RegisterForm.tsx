import { Button, NativeSelect } from '@mantine/core'
import { nanoid } from 'nanoid'
import { holdsOf, registerItems } from '@link-count/core/ledger'
import type { ItemKind } from '@link-count/core/model'
import { useDraft, WordsInput } from '../../../ui/fields'
import { itemWords } from '../../../ui/wording'
import { useBench } from '../JobContext'
import './RegisterForm.css'

/** Puts something on the register; it stays there until somebody says that it is out. Whose valves are relieved is said by itself. */
export function RegisterForm() {
  const { view, say } = useBench()
  const kind = useDraft(`${view.job.id}:register:kind`, 'rag')
  const where = useDraft(`${view.job.id}:register:where`)
  const add = () => {
    const item = kind.text as ItemKind
    void say({ kind: 'item', itemId: nanoid(), item, where: where.text.trim(), change: 'in' }, [where])
  }
  return (
    <div className="register-form">
      <NativeSelect
        label="Put on the register"
        description={`It holds ${holdsOf(kind.text as ItemKind).join(', ')}.`}
        value={kind.text}
        onChange={(event) => kind.setText(event.currentTarget.value)}
        data={Object.entries(itemWords)
          .filter(([value]) => !registerItems[value as ItemKind].relieves)
          .map(([value, words]) => ({ value, label: `${words.name} ${words.in}` }))}
      />
      <WordsInput label="Where" placeholder="plug hole 2" maxLength={120} of={where} />
      <Button variant="default" onClick={add}>
        It is so
      </Button>
    </div>
  )
}
