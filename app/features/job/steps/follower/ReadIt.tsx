import { Button, NativeSelect, SegmentedControl } from '@mantine/core'
import { tradeOf } from '@link-count/core/followers'
import { FOLLOWER_FIGURES, type EntryOf, type Follower } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { DegreesInput, LengthInput } from '../../../../ui/fields'
import { Fold } from '../../../../ui/Fold'
import { figureOfWords, followerWithWords, zeroedWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { useFollowerReading, type Asked } from './useFollowerReading'

type Read = EntryOf<'followerRead'>
type Asks = ReturnType<typeof useFollowerReading>

/** One reading, with what belongs to it. */
export function ReadIt(asked: Asked) {
  const { sheet } = useBench().view
  const { follower, cylinderId } = asked
  const reading = useFollowerReading(asked)
  const { figure, bolts, mm, deg, write } = reading
  const cylinder = partsOf(sheet).cylinder(cylinderId)?.name ?? ''
  const label = `${figure === 'lift' ? 'The dial reads' : 'It stands'}, ${figureOfWords[figure]}, cylinder ${cylinder}`
  return (
    <div className="stack">
      {figure === 'beforeTdc' ? (
        <DegreesInput field={deg} label={label} placeholder="24" description="After TDC is minus." onEnter={write} />
      ) : (
        <LengthInput field={mm} label={label} example={figure === 'lift' ? '0.64 mm' : '1.8 mm'} onEnter={write} />
      )}
      <CameToIt reading={reading} />
      <SegmentedControl
        aria-label="Its bolts are"
        value={bolts.text}
        onChange={bolts.setText}
        data={[
          { value: 'loose', label: 'Bolts loose' },
          { value: 'tight', label: 'Bolts tight' },
        ]}
      />
      <Beside follower={follower} reading={reading} />
      <Otherwise isFuel={tradeOf(follower) === 'fuel'} reading={reading} />
      <Button variant="filled" fullWidth onClick={write}>
        Write the reading down
      </Button>
    </div>
  )
}

/** Which way it was come to, and for a lift how far the dial's needle is pressed in at its zero. */
function CameToIt({ reading: { approach, figure, pressedIn, tried } }: { readonly reading: Asks }) {
  return (
    <>
      <SegmentedControl
        fullWidth
        aria-label="It was come to"
        value={approach.text}
        onChange={approach.setText}
        data={[
          { value: 'running', label: 'Come to as it runs' },
          { value: 'against', label: 'Come to backwards' },
        ]}
      />
      {tried && approach.text === '' && (
        <p className="field-error" role="alert">
          Which way it was come to belongs to the reading.
        </p>
      )}
      {figure === 'lift' && (
        <LengthInput
          field={pressedIn}
          label="At 0 the needle is pressed in by"
          example="2 mm"
          description="0 is its own stop: there it falls no more, whatever the pump does."
        />
      )}
    </>
  )
}

/** What a reading is worth nothing without: its lever, its pawls, and which cylinder it serves. */
function Beside({
  follower,
  reading: { figure, startAdvance, byHand, control, value, pawlsOut, pointsAt },
}: {
  readonly follower: Follower
  readonly reading: Asks
}) {
  const { sheet } = useBench().view
  return (
    <>
      {figure === 'lift' && (
        <NativeSelect
          label="Its cold-start advance"
          value={startAdvance.text}
          onChange={(event) => startAdvance.setText(event.currentTarget.value)}
          data={[
            { value: '', label: 'not said' },
            { value: 'off', label: 'off, or it has none' },
            { value: 'on', label: 'on: it reads earlier than it is' },
          ]}
        />
      )}
      {byHand && (
        <NativeSelect
          label="Its lever stands"
          value={control.text}
          onChange={(event) => control.setText(event.currentTarget.value)}
          error={control.text === '' && value !== undefined ? 'Where it stands belongs to the reading.' : undefined}
          data={[
            { value: '', label: 'not said yet' },
            { value: 'retarded', label: 'fully retarded' },
            { value: 'advanced', label: 'fully advanced' },
          ]}
        />
      )}
      {follower.impulse && (
        <p className="soft">
          {pawlsOut
            ? 'Its pawls are held out: it is read as it runs.'
            : 'Its pawls are free: it lets go late, and the lag is added.'}
        </p>
      )}
      {follower.outlets.length > 1 && (
        <NativeSelect
          label="It then serves cylinder"
          description="Where its rotor points, or which outlet delivers: it tells firing from overlap."
          value={pointsAt.text}
          onChange={(event) => pointsAt.setText(event.currentTarget.value)}
          data={[
            { value: '', label: 'not looked at' },
            ...[...new Set(follower.outlets.map((outlet) => outlet.cylinderId))].map((id) => ({
              value: id,
              label: partsOf(sheet).cylinder(id)?.name ?? id,
            })),
          ]}
        />
      )}
    </>
  )
}

/** Another figure, another tool, another zero of the dial. */
function Otherwise({
  isFuel,
  reading: { by, figure, tool, zeroed },
}: {
  readonly isFuel: boolean
  readonly reading: Asks
}) {
  return (
    <Fold title="Read otherwise" note={`${followerWithWords[tool.text as Read['with']]}`}>
      <NativeSelect
        label="The figure is"
        value={figure}
        onChange={(event) => by.setText(event.currentTarget.value)}
        data={FOLLOWER_FIGURES.filter((one) => isFuel || one !== 'lift').map((one) => ({
          value: one,
          label: figureOfWords[one],
        }))}
      />
      <NativeSelect
        label="Read"
        value={tool.text}
        onChange={(event) => tool.setText(event.currentTarget.value)}
        data={Object.entries(followerWithWords).map(([one, words]) => ({ value: one, label: words }))}
      />
      {figure === 'lift' && (
        <NativeSelect
          label="The dial was set to 0"
          value={zeroed.text}
          onChange={(event) => zeroed.setText(event.currentTarget.value)}
          data={Object.entries(zeroedWords).map(([one, words]) => ({ value: one, label: words }))}
        />
      )}
    </Fold>
  )
}
