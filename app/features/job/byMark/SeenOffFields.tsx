import { NativeSelect, SegmentedControl } from '@mantine/core'
import type { Mark, Shaft } from '@link-count/core/model'
import { DegreesInput, LengthInput } from '../../../ui/fields'
import { useBench } from '../JobContext'
import { gaps, kinds, looks, type Drafts } from './seenOffDrafts'

/** The kind of thing that was seen, and how much of it. */
export function HowFar({
  shaft,
  mark,
  drafts,
}: {
  readonly shaft: Shaft
  readonly mark: Mark | undefined
  readonly drafts: Drafts
}) {
  const { kind, way, amount } = drafts
  const units = { teeth: 'Teeth, or part of one', degrees: 'Degrees of the camshaft', clock: 'Hours of a clock face' }
  return (
    <>
      {mark && (
        <SegmentedControl
          fullWidth
          aria-label="Off it by"
          value={kind.text}
          onChange={kind.setText}
          data={Object.entries(kinds).map(([value, label]) => ({ value, label }))}
        />
      )}
      {kind.text !== 'gap' && kind.text !== 'lobes' && (
        <DegreesInput field={amount} label={units[kind.text as 'teeth']} placeholder="1/2" />
      )}
      {kind.text === 'gap' && <GapFields drafts={drafts} />}
      {kind.text === 'lobes' && <LookFields shaft={shaft} drafts={drafts} />}
      {kind.text !== 'lobes' && (
        <SegmentedControl
          fullWidth
          aria-label="Which way off"
          value={way.text}
          onChange={way.setText}
          data={[
            { value: 'late', label: 'Not there yet: late' },
            { value: 'early', label: 'Past it: early' },
          ]}
        />
      )}
    </>
  )
}

const GapFields = ({ drafts: { gap, mm, radius, gauge, sure } }: { readonly drafts: Drafts }) => (
  <>
    <NativeSelect
      label="Measured by"
      value={gap.text}
      onChange={(event) => gap.setText(event.currentTarget.value)}
      data={Object.entries(gaps).map(([value, label]) => ({ value, label }))}
    />
    {gap.text === 'gauge' ? (
      <>
        <DegreesInput field={gauge} label="The gauge reads, degrees off" placeholder="0.4" />
        <DegreesInput field={sure} label="Good to, degrees either way" placeholder="0.05" />
      </>
    ) : (
      <>
        <LengthInput
          example="0.5 mm"
          field={mm}
          label={gap.text === 'feeler' ? 'The blade that goes in' : 'Off its place by'}
        />
        <LengthInput
          example="80 mm"
          field={radius}
          label={gap.text === 'feeler' ? 'From there to where the bar rests' : 'From the middle of the camshaft'}
        />
      </>
    )}
  </>
)

/** Where the lobes point, in the words that the sheet has for it. */
function lobeChoices({ lobesAtPlace }: Shaft) {
  if (!lobesAtPlace)
    return [
      { value: 'right', label: 'As the book has them' },
      { value: 'wrong', label: 'The other way' },
    ]
  const isIn = lobesAtPlace === 'inwards'
  return [
    { value: isIn ? 'right' : 'wrong', label: 'Inwards' },
    { value: isIn ? 'wrong' : 'right', label: 'Outwards' },
  ]
}

function LookFields({
  shaft,
  drafts: { look, saw, cylinder, mm, way },
}: {
  readonly shaft: Shaft
  readonly drafts: Drafts
}) {
  const { sheet } = useBench().view
  const ofCylinder = look.text === 'rocking' || look.text === 'pushrods'
  return (
    <>
      <NativeSelect
        label="Told by"
        value={look.text}
        onChange={(event) => look.setText(event.currentTarget.value)}
        data={Object.entries(looks).map(([value, label]) => ({ value, label }))}
      />
      {ofCylinder && sheet.cylinders.length > 1 && (
        <NativeSelect
          label="Of cylinder"
          value={cylinder.text}
          onChange={(event) => cylinder.setText(event.currentTarget.value)}
          data={sheet.cylinders.map(({ id, name }) => ({ value: id, label: name }))}
        />
      )}
      {look.text === 'pushrods' && (
        <>
          <LengthInput example="0 mm" field={mm} label="One stands higher by" description="0 where they are level." />
          <SegmentedControl
            fullWidth
            aria-label="Which stands higher"
            value={way.text}
            onChange={way.setText}
            data={[
              { value: 'late', label: 'The exhaust' },
              { value: 'early', label: 'The inlet' },
            ]}
          />
        </>
      )}
      {!ofCylinder && (
        <SegmentedControl
          fullWidth
          aria-label={look.text === 'letters' ? 'The letters' : 'The lobes'}
          value={saw.text}
          onChange={saw.setText}
          data={
            look.text === 'letters'
              ? [
                  { value: 'right', label: 'Upright' },
                  { value: 'wrong', label: 'Upside down' },
                ]
              : lobeChoices(shaft)
          }
        />
      )}
    </>
  )
}
