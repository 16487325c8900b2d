import { useState } from 'react'
import { severity } from '@link-count/core/guard'
import { GuardShape } from '../../../ui/GuardShape'
import { guardSentence, guardShort, itemSentence, verdictTitle } from '../../../ui/wording'
import { useBench } from '../JobContext'
import { GuardDialog } from './GuardDialog'
import './GuardBar.css'

/** How many things on the register are named in the bar; the rest are counted. */
const NAMED = 3

/** Always at the foot: may it be turned, why not, what would free it; and everything that is in, out or loose. The verdict is always whole; names shorten. */
export function GuardBar() {
  const { view } = useBench()
  const [open, setOpen] = useState(false)
  const { guard, sheet, state } = view
  // What holds most is named first: a lock, then what is in a cylinder, then the rest.
  const weight = (itemId: string) => {
    const at = guard.reasons.find(({ targetId }) => targetId === itemId)
    return at ? 2 * severity[at.verdict] + (at.until ? 1 : 0) : 0
  }
  const register = [...state.stand.register].sort((a, b) => weight(b.itemId) - weight(a.itemId))
  const more = register.length - NAMED
  return (
    <footer className={`guard guard-${guard.verdict}`} aria-label="Guard">
      <button type="button" className="guard-main" onClick={() => setOpen(true)}>
        <span className="unseen">Guard: </span>
        <GuardShape verdict={guard.verdict} />
        <strong>{verdictTitle(guard)}</strong>
        <span className="guard-why wide">{guardSentence(guard, sheet)}</span>
        <span className="guard-why narrow">{guardShort(guard, sheet)}</span>
        {register.length > 0 && (
          <span className="guard-inside">
            {register.slice(0, NAMED).map((item) => (
              <span key={item.itemId}>{itemSentence(item, sheet)}</span>
            ))}
            {more > 0 && <span className="more">{more} more</span>}
          </span>
        )}
      </button>
      {register.length > 0 && (
        <div className="guard-chips">
          {register.slice(0, NAMED).map((item) => (
            <button type="button" className="chip" key={item.itemId} onClick={() => setOpen(true)}>
              <span>{itemSentence(item, sheet)}</span>
            </button>
          ))}
          {more > 0 && (
            <button type="button" className="chip chip-more" onClick={() => setOpen(true)}>
              {more} more
            </button>
          )}
        </div>
      )}
      {open && <GuardDialog onClose={() => setOpen(false)} />}
    </footer>
  )
}
