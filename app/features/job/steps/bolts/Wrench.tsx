import { NativeSelect } from '@mantine/core'
import { Fold } from '../../../../ui/Fold'
import { LengthInput, type Field, WordsInput } from '../../../../ui/fields'
import { TORQUE_UNITS, numberWords } from '../../../../ui/wording'
import type { NumberError, AngleError } from '@link-count/core/units'
import type { WrenchInHand } from './useWrench'

/** What the wrench in hand reads in, how far it goes, and what is on it. */
export function Wrench({ wrench }: { readonly wrench: WrenchInHand }) {
  const { unitText, unit, least, most, wrench: length, foot, angle, withFoot } = wrench
  return (
    <Fold title="The wrench in hand" note={`${unit}${withFoot ? ', with a crow-foot' : ''}`}>
      <NativeSelect
        label="It reads in"
        value={unit}
        onChange={(event) => unitText.setText(event.currentTarget.value)}
        data={[...TORQUE_UNITS]}
      />
      <div className="row">
        <Plain field={least} label={`Its scale begins at, ${unit}`} example="5" />
        <Plain field={most} label={`and ends at, ${unit}`} example="25" />
      </div>
      <LengthInput field={length} label="Crow-foot: wrench, from its square to the grip" example="400 mm" />
      <LengthInput field={foot} label="Crow-foot: from the square to the bolt" example="50 mm" />
      <Plain field={angle} label="Crow-foot: how far it stands off the line of the wrench, degrees" example="0" />
    </Fold>
  )
}

const Plain = ({
  field,
  label,
  example,
}: {
  readonly field: Field<number, NumberError | AngleError>
  readonly label: string
  readonly example: string
}) => (
  <WordsInput
    label={label}
    placeholder={example}
    inputMode="decimal"
    maxLength={12}
    of={field}
    onBlur={field.leave}
    error={field.error && numberWords(field.error)}
  />
)
