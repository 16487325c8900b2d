import { Button } from '@mantine/core'
import { useState, type ReactNode } from 'react'
import type { Guard } from '@link-count/core/guard'
import type { Entry, NewEntry } from '@link-count/core/model'
import type { JobView } from '../../domain/views'
import { guardIfSaid, say } from '../../domain/writes'
import { useAppDispatch } from '../../store'
import { Dialog } from '../../ui/Dialog'
import { GuardShape } from '../../ui/GuardShape'
import { showNotice } from '../../ui/notice'
import { useAttempt } from '../../ui/useAttempt'
import { guardSentence, tellLines, verdictTitle } from '../../ui/wording'
import type { Bench } from './JobContext'

interface Asked {
  readonly entry: Entry
  readonly reason: string
  readonly then: Guard
}

/** Striking a line of the ledger. Where that changes what may be turned it is asked first; every strike shows a notice from which it is undone. */
export function useStrike(view: JobView): {
  readonly strike: Bench['strike']
  readonly asking: ReactNode
} {
  const dispatch = useAppDispatch()
  const attempt = useAttempt()
  const [asked, setAsked] = useState<Asked>()
  const words = (entry: Entry) => tellLines(view.sheet, view.entries)(entry)
  const write = async (entry: Entry, reason: string) => {
    const newEntry: NewEntry = { kind: 'strike', targetId: entry.id, reason }
    const said = await attempt('The strike', () => dispatch(say(view.job.id, [newEntry])))
    if (!said) return
    const [struck] = said
    const isBack = entry.kind === 'strike'
    void showNotice({
      words: isBack ? `Taken back. ${words(entry)}` : `Struck: ${words(entry)}`,
      undo: async () => {
        const back: NewEntry = { kind: 'strike', targetId: struck?.id ?? '', reason: 'undone' }
        await attempt('The strike', () => dispatch(say(view.job.id, [back])))
      },
    })
  }
  const strike: Bench['strike'] = (entry, reason, how = 'ask') => {
    if (how === 'asked') return void write(entry, reason)
    const then = dispatch(guardIfSaid(view.job.id, { kind: 'strike', targetId: entry.id, reason }))
    if (then && says(then) !== says(view.guard)) setAsked({ entry, reason, then })
    else void write(entry, reason)
  }
  const asking = asked && (
    <Dialog title="This changes what may be turned" size="md" onClose={() => setAsked(undefined)}>
      <div className="stack">
        <p>
          Strike <strong>{words(asked.entry)}</strong>?
        </p>
        <p className="row">
          <GuardShape verdict={asked.then.verdict} size={40} />
          <span>
            Then: <strong>{verdictTitle(asked.then)}.</strong> {guardSentence(asked.then, view.sheet)}
          </span>
        </p>
        <div className="row">
          <Button
            variant="filled"
            onClick={() => {
              setAsked(undefined)
              void write(asked.entry, asked.reason)
            }}
          >
            Strike it
          </Button>
          <Button variant="default" onClick={() => setAsked(undefined)}>
            Leave it
          </Button>
        </div>
      </div>
    </Dialog>
  )
  return { strike, asking }
}

/** What a guard says, to see whether two say the same. */
const says = ({ verdict, limit, onlyRunning, reasons }: Guard) =>
  JSON.stringify([verdict, limit, onlyRunning, reasons.map((one) => `${one.targetId} ${one.verdict}`).sort()])
