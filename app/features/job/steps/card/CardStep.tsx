import { Button, Textarea } from '@mantine/core'
import { Link } from 'react-router'
import { holdsOf, readLoop } from '@link-count/core/ledger'
import type { BookCount } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { openWaits } from '@link-count/core/waits'
import { useDraft, WordsInput } from '../../../../ui/fields'
import { itemSentence, itemWords, waitHoldsWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { cameForTiming, unprovedOf } from '../../../../ui/job'

/** What is still in or unproved, the keeping of what was found out, and the signature. */
export function CardStep({ step }: { readonly step: Step }) {
  const { view, say } = useBench()
  const { state, job, sheet } = view
  const role = useDraft(`${job.id}:${step.id}:role`)
  const reason = useDraft(`${job.id}:${step.id}:reason`)
  const inside = state.stand.register.filter(({ item }) => holdsOf(item).includes('closing'))
  const cardLink = (
    <Link className="button-link" to="card">
      Look at the card
    </Link>
  )
  if (state.closed) {
    return (
      <div className="stack">
        <p className="result">Closed and signed: {state.closed.role}.</p>
        {cardLink}
      </div>
    )
  }
  const held = inside.length > 0 && reason.text.trim() === ''
  return (
    <div className="stack">
      {inside.length > 0 && (
        <div className="warn" role="alert">
          <strong>Still in, out or loose:</strong>
          <ul>
            {inside.map((item) => (
              <li key={item.itemId}>{itemSentence(item, sheet)}</li>
            ))}
          </ul>
        </div>
      )}
      <NotProved />
      <ReadyToStart />
      <KeepCount />
      {cardLink}
      {inside.length > 0 && (
        <Textarea
          label="Closed with that still so, because"
          value={reason.text}
          onChange={(event) => reason.setText(event.currentTarget.value)}
          autosize
          minRows={2}
        />
      )}
      <WordsInput label="Signed, in the role of" placeholder="fitter, owner, helper" of={role} maxLength={80} />
      <Button
        variant="filled"
        disabled={role.text.trim() === '' || held}
        onClick={() => {
          void say({ kind: 'close', role: role.text.trim(), reason: reason.text.trim(), stepId: step.id }, [
            role,
            reason,
          ])
        }}
      >
        Sign and close the job
      </Button>
      {held && <p className="soft">It can be closed when the register is empty, or with the reason written.</p>}
    </div>
  )
}

/** Whether it may be started: only with no wait running and nothing at all on the register. */
function ReadyToStart() {
  const { state } = useBench().view
  const { register } = state.stand
  const waits = openWaits(state)
  if (waits.length > 0)
    return (
      <p className="warn">
        Not ready to start: {waits.map(({ entry }) => entry.where || waitHoldsWords[entry.holds]).join(', ')}. That wait
        is not over.
      </p>
    )
  if (register.length === 0)
    return <p>Ready to start, as far as the register goes: nothing is in, out, loose or shut.</p>
  const isolated = register.filter(({ item }) => !holdsOf(item).includes('closing'))
  if (isolated.length === 0) return null
  return (
    <p className="warn">
      Not ready to start. Before it is started, one after the other:{' '}
      {isolated.map(({ item }) => itemWords[item].free.toLowerCase()).join(', ')}
      {isolated.length < register.length ? ', and what stands above' : ''}.
    </p>
  )
}

/** What the card will say is not proved. */
function NotProved() {
  const { view } = useBench()
  const unproved = unprovedOf(view)
  if (unproved.length === 0)
    return (
      <p>
        {cameForTiming(view) ? (
          <>
            Everything on the card is <span className="proved">proved</span>.
          </>
        ) : (
          'What it came for is done. The card will say that the timing was not judged.'
        )}
      </p>
    )
  return (
    <div>
      <strong>The card will say that this is not proved:</strong>
      <ul>
        {unproved.map((words) => (
          <li key={words}>{words}</li>
        ))}
      </ul>
    </div>
  )
}

/** The counts that proved right go to the build sheet as measured ones, in a new version. */
function KeepCount() {
  const { view, changeSheet } = useBench()
  const { sheet, state } = view
  const found = sheet.loops.flatMap((loop) => {
    const { sections, found: counts } = readLoop(sheet, loop, state.counts, 'left', state.seats)
    return counts.flatMap(({ sectionId, foundPitches }) => {
      const section = sections.find(({ id }) => id === sectionId)
      return section ? [{ section, pitches: foundPitches }] : []
    })
  })
  const fresh = found.filter(
    ({ section, pitches }) =>
      !sheet.counts.some(
        (book) =>
          book.fromMarkId === section.from.id &&
          book.toMarkId === section.to.id &&
          book.pitches.value === pitches &&
          book.pitches.trust === 'measured',
      ),
  )
  if (fresh.length === 0) return null
  const keep = async () => {
    const kept = fresh.map(({ section, pitches }): BookCount => ({
      id: `${section.from.id}-${section.to.id}`.slice(0, 64),
      loopId: section.loopId,
      fromMarkId: section.from.id,
      toMarkId: section.to.id,
      run: section.run,
      pitches: { value: pitches, typed: String(pitches), trust: 'measured' },
    }))
    void changeSheet((newest) => ({
      ...newest,
      counts: [
        ...newest.counts.filter(
          (book) => !kept.some((one) => one.fromMarkId === book.fromMarkId && one.toMarkId === book.toMarkId),
        ),
        ...kept,
      ],
    }))
  }
  return (
    <Button variant="default" onClick={() => void keep()}>
      Keep {fresh.map(({ pitches }) => pitches).join(', ')} pitches on the build sheet, as measured
    </Button>
  )
}
