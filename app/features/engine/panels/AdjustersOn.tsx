import { nanoid } from 'nanoid'
import { Button } from '@mantine/core'
import { useState } from 'react'
import type { Adjuster, Member } from '@link-count/core/model'
import { Fold } from '../../../ui/Fold'
import { adjusterName, inSentence, upperFirst } from '../../../ui/wording'
import { useSheetEditor } from '../SheetEditor'
import { Choice } from './fields'
import { adjusterFields } from './adjusterFields'

/** The loop laid over by a tooth is always there, and stands on the sheet with the loop. */
const KINDS = (Object.keys(adjusterFields) as Adjuster['kind'][]).filter((kind) => kind !== 'chainTooth')

/** What can be set on a wheel besides the tooth: hub, keys, slots and so on. */
export function AdjustersOn({ member }: { readonly member: Member }) {
  const { sheet, apply } = useSheetEditor()
  const [kind, setKind] = useState<Adjuster['kind']>('hub')
  const own = sheet.adjusters.filter((one) => one.kind !== 'chainTooth' && one.memberId === member.id)
  const name = inSentence(member.name)
  const put = () =>
    apply((s) => ({ ...s, adjusters: [...s.adjusters, { id: `adj-${nanoid(8)}`, kind, memberId: member.id }] }))
  return (
    <>
      {own.map((adjuster) => {
        const Figures = adjusterFields[adjuster.kind]
        return (
          <div className="panel-group" key={adjuster.id}>
            <p className="field-label">{upperFirst(adjusterName(adjuster.kind))}</p>
            <Figures adjuster={adjuster} name={name} />
            <button
              type="button"
              className="link"
              onClick={() => apply((s) => ({ ...s, adjusters: s.adjusters.filter(({ id }) => id !== adjuster.id) }))}
            >
              Take it off the sheet: {adjusterName(adjuster.kind)}
            </button>
          </div>
        )
      })}
      <Fold
        title="It can be set"
        note={
          own.length > 0
            ? own.length === 1
              ? 'one way besides the tooth'
              : `${own.length} ways besides the tooth`
            : 'by hub, key, slots …'
        }
      >
        <Choice
          label={`On the ${name} there is`}
          value={kind}
          options={KINDS.map((value) => ({ value, label: adjusterName(value) }))}
          onChoose={setKind}
        />
        <Button variant="default" onClick={() => void put()}>
          Put it on the sheet: adjuster
        </Button>
      </Fold>
    </>
  )
}
