import { Button } from '@mantine/core'
import type { GuardReason } from '@link-count/core/guard'
import { headItemId } from '@link-count/core/runSheet'
import { inSentence } from '../../../ui/wording'
import { useBench } from '../JobContext'

const linersId = (bankId: string) => `liners-${bankId}`.slice(0, 64)

/** A head that is off, and wet liners that are clamped: bank by bank. What is on the register is taken off it there. */
export function Heads() {
  const { view, say } = useBench()
  const { sheet, state } = view
  const isIn = (itemId: string) => state.register.some((one) => one.itemId === itemId)
  const offered = sheet.banks.flatMap(({ id, name }) => {
    const where = sheet.banks.length > 1 ? `: ${inSentence(name)}` : ''
    return [
      { itemId: headItemId(id), item: 'headOff' as const, id, words: `Head is off${where}` },
      ...(sheet.wetLiners
        ? [
            {
              itemId: linersId(id),
              item: 'linersClamped' as const,
              id,
              words: `Liners are clamped${where}`,
            },
          ]
        : []),
    ]
  })
  return offered
    .filter(({ itemId }) => !isIn(itemId))
    .map(({ itemId, item, id, words }) => (
      <Button
        key={itemId}
        variant="quiet"
        onClick={() => void say({ kind: 'item', itemId, item, where: '', change: 'in', of: { what: 'bank', id } })}
      >
        {words}
      </Button>
    ))
}

/** One press for what frees a chain that hangs, or liners that nothing clamps. */
export function FreeIt({ reason: { code, targetId } }: { readonly reason: GuardReason }) {
  const { say } = useBench()
  const put = (item: 'heldTaut' | 'loopAway' | 'linersClamped', of: { what: 'loop' | 'bank'; id: string }) =>
    void say({
      kind: 'item',
      itemId: item === 'linersClamped' ? linersId(targetId) : `${item}-${targetId}`.slice(0, 64),
      item,
      where: '',
      change: 'in',
      of,
    })
  if (code === 'loopHangs')
    return (
      <div className="row">
        <Button variant="default" onClick={() => put('heldTaut', { what: 'loop', id: targetId })}>
          It is held taut
        </Button>
        <Button variant="quiet" onClick={() => put('loopAway', { what: 'loop', id: targetId })}>
          It is taken right off
        </Button>
      </div>
    )
  if (code === 'linersNotClamped')
    return (
      <Button variant="default" onClick={() => put('linersClamped', { what: 'bank', id: targetId })}>
        They are clamped
      </Button>
    )
  return null
}
