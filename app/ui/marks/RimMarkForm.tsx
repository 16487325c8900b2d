import { Button, NativeSelect } from '@mantine/core'
import { nanoid } from 'nanoid'
import { useState } from 'react'
import type { BuildSheet, RimMark } from '@link-count/core/model'
import type { Side } from '@link-count/core/units'
import { useDraft, useField, type Taken, type Draft, WordsInput } from '../fields'
import { cutForWords, parseClaim, scaleWords } from '../wording'

const claims: readonly RimMark['cutFor'][] = ['tdc', 'spark', 'pose']

/** A mark of the rim as it was found: what it is called, where, what it is cut for. */
export function RimMarkForm({
  sheet,
  keyPrefix,
  onSave,
  onLeave,
}: {
  readonly sheet: BuildSheet
  readonly keyPrefix: string
  /** `typed`: the fields that it was typed in, let go when it is kept. */
  readonly onSave: (mark: RimMark, typed: readonly Taken[]) => void
  readonly onLeave: () => void
}) {
  const name = useDraft(`${keyPrefix}:name`)
  const where = useDraft(`${keyPrefix}:where`)
  const claim = useField(`${keyPrefix}:claim`, parseClaim)
  const [cutFor, setCutFor] = useState<RimMark['cutFor']>('tdc')
  const [seenFrom, setSeenFrom] = useState<Side>('timing')
  const [cylinderId, setCylinderId] = useState(sheet.zeroCylinderId)
  const [asked, setAsked] = useState(false)
  const wantsClaim = cutFor === 'spark' || cutFor === 'pose'
  const missing = asked && name.text.trim() === ''
  const save = () => {
    setAsked(true)
    if (wantsClaim) claim.ask()
    if (name.text.trim() === '' || (wantsClaim && claim.value === undefined)) return
    const claimDeg = wantsClaim ? (claim.value ?? 0) : 0
    const mark: RimMark = {
      id: nanoid(),
      name: name.text.trim(),
      where: where.text.trim(),
      seenFrom,
      cutFor,
      cylinderId,
      ...(claims.includes(cutFor)
        ? { claimDeg: { value: claimDeg, typed: wantsClaim ? claim.text.trim() : 'TDC', trust: 'unknown' as const } }
        : {}),
    }
    onSave(mark, [name, where, claim])
  }
  return (
    <div className="stack mark-form">
      <NameAndPlace name={name} where={where} missing={missing} />
      <NativeSelect
        label="Cut for"
        value={cutFor}
        onChange={(event) => setCutFor(event.currentTarget.value as 'tdc')}
        data={Object.entries(cutForWords).map(([value, label]) => ({ value, label }))}
      />
      {claims.includes(cutFor) && sheet.cylinders.length > 1 && (
        <NativeSelect
          label="Of cylinder"
          value={cylinderId}
          onChange={(event) => setCylinderId(event.currentTarget.value)}
          data={sheet.cylinders.map(({ id, name: label }) => ({ value: id, label }))}
        />
      )}
      {wantsClaim && (
        <WordsInput
          label="It claims to stand"
          placeholder="28 before"
          of={claim}
          onBlur={claim.leave}
          error={claim.error && scaleWords(claim.error)}
          maxLength={30}
        />
      )}
      <NativeSelect
        label="Seen from"
        value={seenFrom}
        onChange={(event) => setSeenFrom(event.currentTarget.value as Side)}
        data={(['timing', 'opposite'] as const).map((value) => ({ value, label: sheet.sides[value] }))}
      />
      <Foot onKeep={save} onLeave={onLeave} />
    </div>
  )
}

/** What the mark is called, and where it is. */
const NameAndPlace = ({
  name,
  where,
  missing,
}: {
  readonly name: Draft
  readonly where: Draft
  readonly missing: boolean
}) => (
  <>
    <WordsInput
      label="The mark"
      placeholder="long line, yellow notch"
      of={name}
      error={missing ? 'It needs a name: how does one know it from the others?' : undefined}
      maxLength={60}
    />
    <WordsInput label="Where it is" placeholder="pulley rim, flywheel" of={where} maxLength={60} />
  </>
)

const Foot = ({ onKeep, onLeave }: { readonly onKeep: () => void; readonly onLeave: () => void }) => (
  <div className="row">
    <Button variant="filled" onClick={onKeep}>
      Keep the mark
    </Button>
    <Button variant="quiet" onClick={onLeave}>
      Leave it
    </Button>
  </div>
)
