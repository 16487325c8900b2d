import { Button } from '@mantine/core'
import { Dialog } from '../../../ui/Dialog'
import { GuardShape } from '../../../ui/GuardShape'
import { itemSentence, itemWords, reasonWords, verdictTitle } from '../../../ui/wording'
import { useBench } from '../JobContext'
import { Camshafts } from './Camshafts'
import { FreeIt, Heads } from './Heads'
import { RegisterForm } from './RegisterForm'
import { ReliefForm } from './ReliefForm'
import { Settle } from './Settle'
import { Word } from '../../../ui/Word'

/** Everything that holds the engine, what would free each, what nobody knows and has to be looked at, and the register. */
export function GuardDialog({ onClose }: { readonly onClose: () => void }) {
  const { view, say } = useBench()
  const { guard, sheet, state } = view
  const { register } = state.stand
  return (
    <Dialog title={verdictTitle(guard)} size="lg" onClose={onClose}>
      <div className="stack">
        <ul className="plain guard-reasons">
          {guard.reasons.map((reason) => {
            const { why, free } = reasonWords(reason, sheet)
            return (
              <li key={reason.code + reason.targetId}>
                <GuardShape verdict={reason.verdict} size={28} />
                <div>
                  <strong>{why}.</strong> {free && `To free it: ${free.charAt(0).toLowerCase()}${free.slice(1)}.`}
                  <Settle reason={reason} />
                  <FreeIt reason={reason} />
                </div>
              </li>
            )
          })}
          {guard.reasons.length === 0 && <li>Nothing holds it back.</li>}
        </ul>
        <h3>In, out, loose or provisional</h3>
        {register.length === 0 && <p className="soft">Nothing.</p>}
        {register.map((item) => {
          const { itemId, item: kind, where, of } = item
          return (
            <div className="row between" key={itemId}>
              <span>{itemSentence(item, sheet)}</span>
              <Button
                variant="default"
                onClick={() =>
                  void say({ kind: 'item', itemId, item: kind, where, change: 'out', ...(of ? { of } : {}) })
                }
              >
                {itemWords[kind].takeOut}
              </Button>
            </div>
          )
        })}
        <RegisterForm />
        {sheet.interference.value !== 'no' && <ReliefForm />}
        <Heads />
        <Camshafts />
        <p className="soft">
          The maker’s manual, the rules of this place and licensed people come before this <Word of="guard" />.
          {guard.verdict === 'trim' && (
            <>
              {' '}
              What is a <Word of="trim" />?
            </>
          )}
        </p>
      </div>
    </Dialog>
  )
}
