import { Button } from '@mantine/core'
import { useState } from 'react'
import { GuardShape } from '../../ui/GuardShape'
import { itemSentence, guardSentence, itemWords, reasonWords, verdictTitle } from '../../ui/wording'
import { useBench } from './JobContext'
import { RegisterForm } from './RegisterForm'
import { Dialog } from '../../ui/Dialog'

/** Always at the foot: may it be turned, why not, what would free it; and everything that is in, out or loose. */
export function GuardBar() {
  const { view } = useBench()
  const [open, setOpen] = useState(false)
  const { guard, sheet, state } = view
  const said = guardSentence(guard, sheet)
  return (
    <footer className={`guard guard-${guard.verdict}`} aria-label="Guard">
      <button type="button" className="guard-main" onClick={() => setOpen(true)}>
        <span className="unseen">Guard: </span>
        <GuardShape verdict={guard.verdict} />
        <strong>{verdictTitle(guard)}</strong>
        <span className="guard-why">{said}</span>
      </button>
      <div className="guard-chips">
        {state.register.slice(0, 3).map(({ itemId, item, where }) => (
          <button type="button" className="chip" key={itemId} onClick={() => setOpen(true)}>
            {itemSentence(item, where)}
          </button>
        ))}
        {state.register.length > 3 && (
          <button type="button" className="chip" onClick={() => setOpen(true)}>
            {state.register.length - 3} more
          </button>
        )}
      </div>
      {open && <GuardDialog onClose={() => setOpen(false)} />}
    </footer>
  )
}

function GuardDialog({ onClose }: { onClose: () => void }) {
  const { view, say } = useBench()
  const { guard, sheet, state } = view
  return (
    <Dialog title={verdictTitle(guard)} size="lg" onClose={onClose}>
      <div className="stack">
        <ul className="plain guard-reasons">
          {guard.reasons.map((reason) => {
            const { why, free } = reasonWords(reason, sheet)
            return (
              <li key={reason.code + reason.targetId}>
                <GuardShape verdict={reason.verdict} size={28} />
                <span>
                  <strong>{why}.</strong> {free && `To free it: ${free.charAt(0).toLowerCase()}${free.slice(1)}.`}
                </span>
              </li>
            )
          })}
          {guard.reasons.length === 0 && <li>Nothing holds it back.</li>}
        </ul>
        <h3>In, out, loose or provisional</h3>
        {state.register.length === 0 && <p className="soft">Nothing.</p>}
        {state.register.map(({ itemId, item, where }) => (
          <div className="row between" key={itemId}>
            <span>{itemSentence(item, where)}</span>
            <Button variant="default" onClick={() => void say({ kind: 'item', itemId, item, where, change: 'out' })}>
              {itemWords[item].takeOut}
            </Button>
          </div>
        ))}
        <RegisterForm />
        <p className="soft">The maker’s manual, the rules of this place and licensed people come before this guard.</p>
      </div>
    </Dialog>
  )
}
