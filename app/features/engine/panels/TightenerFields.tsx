import { Button } from '@mantine/core'
import { sheetLimits, TIGHTENER_KINDS, type Member, type Tightener } from '@link-count/core/model'
import { Fold } from '../../../ui/Fold'
import { inSentence, tightenerWords } from '../../../ui/wording'
import { patchMember, withValue } from '../sheetChanges'
import { useSheetEditor } from '../SheetEditor'
import { DegField, ForceField, MmField } from '../TrustedField'
import { Choice, WordsField } from './fields'

/** How a tensioner tightens: its kind, its turn and from where that is told, and the few figures of its kind. */
export function TightenerFields({ member }: { readonly member: Member }) {
  const { sheet, apply } = useSheetEditor()
  const { tightener } = member
  const patch = (change: (one: Tightener) => Tightener) =>
    patchMember(member.id, (one) => (one.tightener ? { ...one, tightener: change(one.tightener) } : one))
  const name = inSentence(member.name)
  return (
    <>
      <Choice
        label={`What sort of tensioner, ${name}`}
        value={tightener?.kind ?? 'notSaid'}
        options={[
          { value: 'notSaid' as const, label: 'not said' },
          ...TIGHTENER_KINDS.map((value) => ({ value, label: tightenerWords[value].name })),
        ]}
        onChoose={(kind) =>
          apply(
            patchMember(member.id, (one) =>
              withValue(one, 'tightener', kind === 'notSaid' ? undefined : { ...one.tightener, kind }),
            ),
          )
        }
      />
      {tightener && (
        <>
          <Choice
            label="The turn that tightens it"
            value={tightener.tightens ?? 'notSaid'}
            options={[
              { value: 'notSaid' as const, label: 'not known' },
              { value: 'clockwise' as const, label: 'clockwise' },
              { value: 'anticlockwise' as const, label: 'anticlockwise' },
            ]}
            onChoose={(hand) =>
              apply(patch((one) => withValue(one, 'tightens', hand === 'notSaid' ? undefined : hand)))
            }
          />
          <Choice
            label="as seen from the"
            value={tightener.seenFrom ?? 'timing'}
            options={(['timing', 'opposite'] as const).map((value) => ({ value, label: sheet.sides[value] }))}
            onChoose={(side) => apply(patch((one) => ({ ...one, seenFrom: side })))}
          />
          <OfItsKind member={member} tightener={tightener} patch={patch} />
          <Fold title="Force, oil, what is renewed with it">
            <ForceField
              id={`most-${member.id}`}
              label={`No more force than, ${name}`}
              value={tightener.mostN}
              limits={sheetLimits('members', 'tightener', 'mostN')}
              change={(value) => patch((one) => withValue(one, 'mostN', value))}
            />
            <Choice
              label="Filled with oil before it is fitted"
              value={tightener.oilFilled === undefined ? 'notSaid' : tightener.oilFilled ? 'yes' : 'no'}
              options={[
                { value: 'notSaid' as const, label: 'not said' },
                { value: 'yes' as const, label: 'yes' },
                { value: 'no' as const, label: 'no, it is fitted dry' },
              ]}
              onChoose={(is) =>
                apply(patch((one) => withValue(one, 'oilFilled', is === 'notSaid' ? undefined : is === 'yes')))
              }
            />
            <WordsField
              mayBeEmpty
              id={`renew-${member.id}`}
              label="Renewed with it"
              value={tightener.renewWith ?? ''}
              change={(text) => patch((one) => withValue(one, 'renewWith', text === '' ? undefined : text))}
            />
          </Fold>
        </>
      )}
    </>
  )
}

type Patch = (change: (one: Tightener) => Tightener) => ReturnType<typeof patchMember>

function OfItsKind({
  member,
  tightener,
  patch,
}: {
  readonly member: Member
  readonly tightener: Tightener
  readonly patch: Patch
}) {
  const limits = (field: string) => sheetLimits('members', 'tightener', field)
  const mm = (field: 'throwMm' | 'freeNewMm' | 'setNewMm', label: string, example: string) => (
    <MmField
      id={`${field}-${member.id}`}
      label={label}
      example={example}
      limits={limits(field)}
      value={tightener[field]}
      change={(value) => patch((one) => withValue(one, field, value))}
    />
  )
  switch (tightener.kind) {
    case 'eccentric':
    case 'roller':
      return mm('throwMm', 'How far its middle stands off its bolt', '4 mm')
    case 'measuredSpring':
      return (
        <>
          {mm('freeNewMm', 'Spring as new, free', '214.0 mm')}
          {mm('setNewMm', 'Spring as new, set', '191.0 mm')}
          <DegField
            id={`lock-${member.id}`}
            label="Last lock: so far beyond touching"
            example="60"
            limits={limits('lockDeg')}
            value={tightener.lockDeg}
            change={(value) => patch((one) => withValue(one, 'lockDeg', value))}
          />
        </>
      )
    case 'shoe':
      return <Plates member={member} tightener={tightener} patch={patch} />
    default:
      return null
  }
}

/** Plates that change places easily: each with where it belongs and how thick it is. */
function Plates({
  member,
  tightener,
  patch,
}: {
  readonly member: Member
  readonly tightener: Tightener
  readonly patch: Patch
}) {
  const { apply } = useSheetEditor()
  const plates = tightener.plates ?? []
  const set = (next: NonNullable<Tightener['plates']>) =>
    patch((one) => withValue(one, 'plates', next.length > 0 ? next : undefined))
  return (
    <>
      {plates.map((plate, i) => (
        <div key={i} className="panel-group">
          <WordsField
            mayBeEmpty
            id={`plate-${member.id}-${i}-place`}
            label={`${plate.name}: where it belongs, which way round`}
            value={plate.place}
            change={(place) => set(plates.map((one, k) => (k === i ? { ...one, place } : one)))}
          />
          <MmField
            id={`plate-${member.id}-${i}`}
            label={`${plate.name}: how thick`}
            example="3.2 mm"
            limits={sheetLimits('members', 'tightener', 'plates', 'thickMm')}
            value={plate.thickMm}
            change={(value) => set(plates.map((one, k) => (k === i ? withValue(one, 'thickMm', value) : one)))}
          />
        </div>
      ))}
      {plates.length < 12 && (
        <Button
          variant="quiet"
          onClick={() => void apply(set([...plates, { name: `Plate ${plates.length + 1}`, place: '' }]))}
        >
          Add a plate
        </Button>
      )}
    </>
  )
}
