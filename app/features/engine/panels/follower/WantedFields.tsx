import { FOLLOWER_FIGURES, sheetLimits, type Follower, type FollowerFigure } from '@link-count/core/model'
import { tradeOf } from '@link-count/core/followers'
import { useDraft } from '../../../../ui/fields'
import { Fold } from '../../../../ui/Fold'
import { followerFigure } from '../../../../ui/wording'
import { useFigureKey } from '../../ChosenPart'
import { patchFollower, withValue } from '../../sheetChanges'
import { useSheetEditor } from '../../SheetEditor'
import { FigureField } from '../../TrustedField'
import { Choice } from '../fields'

type Wanted = NonNullable<Follower['wanted']>

const figures: Readonly<
  Record<FollowerFigure, { readonly name: string; readonly asks: string; readonly example: string }>
> = {
  lift: { name: 'lift of the pump at firing TDC', asks: 'Lift, mm', example: '0.82' },
  beforeTdc: { name: 'degrees before firing TDC', asks: 'Degrees before TDC', example: '24' },
  piston: { name: 'piston below its top, mm', asks: 'Piston below its top, mm', example: '1.8' },
  rim: { name: 'along the rim before TDC, mm', asks: 'Along the rim, mm', example: '48' },
}

/** What it is set to by the book: the figure, its band, and what some run instead. */
export function WantedFields({ follower }: { readonly follower: Follower }) {
  const { sheet, apply } = useSheetEditor()
  const { id, wanted } = follower
  const isFuel = tradeOf(follower) === 'fuel'
  const by = useDraft(useFigureKey(`wanted-by-${id}`), isFuel ? 'lift' : 'beforeTdc')
  const kind = wanted?.by ?? (by.text as FollowerFigure)
  const patch = (change: (one: Wanted) => Wanted) =>
    patchFollower(id, (one) => (one.wanted ? { ...one, wanted: change(one.wanted) } : one))
  const field = (key: 'least' | 'most' | 'brisker' | 'softer', label: string) => (
    <FigureField
      id={`wanted-${key}-${id}`}
      label={label}
      example={figures[kind].example}
      limits={sheetLimits('followers', 'wanted', key)}
      value={wanted?.[key]}
      change={(value) => patch((one) => withValue(one, key, value))}
    />
  )
  return (
    <>
      <Choice
        label="The book’s figure is"
        value={kind}
        options={FOLLOWER_FIGURES.filter((one) => isFuel || one !== 'lift').map((value) => ({
          value,
          label: figures[value].name,
        }))}
        onChoose={(value) => {
          by.setText(value)
          if (wanted) void apply(patch((one) => ({ ...one, by: value })))
        }}
      />
      <FigureField
        id={`wanted-${id}`}
        label={figures[kind].asks}
        example={figures[kind].example}
        limits={sheetLimits('followers', 'wanted', 'value')}
        value={wanted?.value}
        change={(value) =>
          patchFollower(id, (one) => withValue(one, 'wanted', value && { ...one.wanted, by: kind, value }))
        }
      />
      {wanted && (
        <Fold title="Its band, and what some run" note={bandWords(wanted)}>
          {field('least', 'No less than')}
          {field('most', 'No more than')}
          {field('brisker', 'Brisker: some run it earlier, at')}
          {field('softer', 'Softer: some run it later, at')}
          <Choice
            label="Of cylinder"
            value={wanted.cylinderId ?? sheet.zeroCylinderId}
            options={sheet.cylinders.map(({ id: value, name }) => ({ value, label: name }))}
            onChoose={(cylinderId) =>
              apply(
                patch((one) =>
                  withValue(one, 'cylinderId', cylinderId === sheet.zeroCylinderId ? undefined : cylinderId),
                ),
              )
            }
          />
        </Fold>
      )}
    </>
  )
}

const bandWords = ({ by, least, most }: Wanted) =>
  least && most ? `${followerFigure(by, least.value)} to ${followerFigure(by, most.value)}` : 'not written down'
