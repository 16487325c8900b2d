import { Button } from '@mantine/core'
import { useState } from 'react'
import { leadsOfJob } from '@link-count/core/followers'
import { lastOf } from '@link-count/core/ledger'
import type { BuildSheet, Follower, Phase } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { useDraft, WordsInput } from '../../../../ui/fields'
import { Fold } from '../../../../ui/Fold'
import { leadsWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { replacing } from '../lash/Lash'
import { CapOf } from '../../../../ui/leads/CapOf'

/** Which lead goes where, drawn round the cap in its own direction; what was found against it. */
export function Leads({
  step,
  phase,
  follower,
}: {
  readonly step: Step
  readonly phase: Phase
  readonly follower: Follower
}) {
  const { view } = useBench()
  const { sheet, state } = view
  const judged = leadsOfJob(sheet, state, follower)?.judged
  if (follower.outlets.length < 2) return null
  return (
    <Fold
      title="Leads round the cap"
      note={judged ? (judged.right ? 'right' : 'wrong') : 'not looked at'}
      open={judged !== undefined && !judged.right}
    >
      <CapOf sheet={sheet} follower={follower} />
      <AsSeen step={step} phase={phase} follower={follower} />
      {judged && <p className={judged.right ? 'result' : 'warn'}>{leadsWords(judged, (id) => nameOf(sheet, id))}</p>}
    </Fold>
  )
}

const nameOf = (sheet: BuildSheet, id: string) => partsOf(sheet).cylinder(id)?.name ?? id

function AsSeen({
  step,
  phase,
  follower,
}: {
  readonly step: Step
  readonly phase: Phase
  readonly follower: Follower
}) {
  const { view, say } = useBench()
  const { sheet, state, job } = view
  const written = lastOf(state, 'leadsSeen', `${follower.id} ${phase}`)
  const field = useDraft(`${job.id}:${follower.id}:${phase}:leads`, '')
  const [refused, setRefused] = useState(false)
  const ids = [...new Set(follower.outlets.map(({ cylinderId }) => cylinderId))]
  const write = () => {
    const typed = field.text.split(/[^\p{L}\p{N}]+/u).filter(Boolean)
    const named = typed.flatMap((name) => ids.find((id) => nameOf(sheet, id) === name) ?? [])
    const each = named.length === ids.length && new Set(named).size === ids.length && typed.length === named.length
    setRefused(!each)
    if (!each) return
    void say(
      [
        ...replacing(written?.id),
        {
          kind: 'leadsSeen',
          followerId: follower.id,
          phase,
          cylinderIds: named,
          typed: [{ field: 'leads', text: field.text }],
          stepId: step.id,
        },
      ],
      [field],
    )
  }
  return (
    <>
      <WordsInput
        label="Leads as they are, in the order in which its rotor comes to them"
        placeholder={ids.map((id) => nameOf(sheet, id)).join(' ')}
        maxLength={200}
        of={field}
        onEnter={() => write()}
        error={refused ? `Each of ${ids.map((id) => nameOf(sheet, id)).join(', ')} once.` : undefined}
      />
      <Button variant="default" onClick={write} disabled={field.text.trim() === ''}>
        {written ? 'Replace' : 'Write it down'}: leads
      </Button>
    </>
  )
}
