import { Button } from '@mantine/core'
import { allOf } from '@link-count/core/ledger'
import type { Member, NewEntry } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { inSentence, itemSentence } from '../../../../ui/wording'
import { useBench } from '../../JobContext'

const screwsId = (memberId: string) => `grub-${memberId}`.slice(0, 64)

/** Wheels with grub screws on the loop of a tensioner, and which of them are slack. */
export function useGrubScrews(memberId: string): {
  readonly wheels: readonly Member[]
  readonly slack: readonly Member[]
} {
  const { sheet, state } = useBench().view
  const loop = sheet.loops.find(({ path }) => path.some((part) => part.memberId === memberId))
  const wheels = (loop?.path ?? []).flatMap(({ memberId: id }) => {
    const member = partsOf(sheet).member(id)
    return member && sheet.adjusters.some((one) => one.memberId === id && one.kind === 'grubScrews') ? [member] : []
  })
  const isSlack = ({ id }: Member) => state.register.some(({ itemId }) => itemId === screwsId(id))
  return { wheels, slack: wheels.filter(isSlack) }
}

/** Grub screws in their order: slack before the pull comes on, tight after it, and only then the locks out. */
export function GrubScrews({ step, memberId }: { readonly step: Step; readonly memberId: string }) {
  const { view, say } = useBench()
  const { state, sheet } = view
  const { wheels, slack } = useGrubScrews(memberId)
  if (wheels.length === 0) return null
  const locks = state.register.filter(({ item }) => item === 'lock' || item === 'lockingPin')
  const at = state.tensioners[memberId]
  // As an earlier job left it, it was not set here.
  const isSaid = allOf(state, 'tensioner').some((entry) => entry.memberId === memberId)
  const isSet = isSaid && (at === 'locked' || at === 'released' || at === 'proven')
  const line = (member: Member, change: 'in' | 'out'): NewEntry => ({
    kind: 'item',
    itemId: screwsId(member.id),
    item: 'fingerTight',
    where: `grub screws of the ${inSentence(member.name)}`,
    change,
    stepId: step.id,
  })
  return (
    <div className="stack" role="group" aria-label="Grub screws and locks">
      {slack.length === 0 && !isSet && (
        <>
          {locks.length === 0 && (
            <p className="warn">
              No lock is in: with the grub screws slack nothing holds the camshafts. Put the locks in first.
            </p>
          )}
          <Button variant="filled" onClick={() => void say(wheels.map((member) => line(member, 'in')))}>
            Grub screws slack, in the middle of their slots
          </Button>
        </>
      )}
      {slack.length > 0 && isSet && (
        <Button variant="filled" onClick={() => void say(slack.map((member) => line(member, 'out')))}>
          Grub screws tight
        </Button>
      )}
      {locks.map((lock) => (
        <div key={lock.itemId}>
          <Button
            variant="default"
            disabled={slack.length > 0 || !isSet}
            onClick={() =>
              void say({
                kind: 'item',
                itemId: lock.itemId,
                item: lock.item,
                where: lock.where,
                change: 'out',
                ...(lock.of ? { of: lock.of } : {}),
                stepId: step.id,
              })
            }
          >
            {itemSentence(lock, sheet)}: it is out
          </Button>
        </div>
      ))}
      {locks.length > 0 && (slack.length > 0 || !isSet) && (
        <p className="soft">The locks stay in until the tension is set and the grub screws are tight.</p>
      )}
    </div>
  )
}
