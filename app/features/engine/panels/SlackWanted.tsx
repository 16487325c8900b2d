import { sheetLimits, type Loop } from '@link-count/core/model'
import { loopKinds } from '@link-count/core/drive'
import { Fold } from '../../../ui/Fold'
import { inSentence, slackWayWords } from '../../../ui/wording'
import { patchLoop, withValue } from '../sheetChanges'
import { useSheetEditor } from '../SheetEditor'
import { FigureField } from '../TrustedField'
import { Choice, WordsField } from './fields'

type Wanted = NonNullable<Loop['slackWanted']>

const UNIT = { toAndFro: 'mm', oneWay: 'mm', links: 'links', pitch: 'Hz' } as const
const EXAMPLE = { toAndFro: '4', oneWay: '2', links: '0.5', pitch: '96' } as const

/** How slack or tight it is meant to be at its tightest place, and what has to be fitted when that is read. */
export function SlackWanted({ loop }: { readonly loop: Loop }) {
  const { apply } = useSheetEditor()
  const { slackWanted: wanted } = loop
  const patch = (change: (one: Wanted) => Wanted) =>
    patchLoop(loop.id, (one) => (one.slackWanted ? { ...one, slackWanted: change(one.slackWanted) } : one))
  const name = inSentence(loop.name)
  return (
    <Fold title="How tight it is meant to be" note={wanted ? slackWayWords[wanted.by].name : 'not said'}>
      <Choice
        label={`Judged, ${name}`}
        value={wanted?.by ?? 'notSaid'}
        options={[
          { value: 'notSaid' as const, label: 'not said' },
          ...(['toAndFro', 'oneWay', 'links', 'pitch'] as const).map((value) => ({
            value,
            label: slackWayWords[value].name,
          })),
        ]}
        onChoose={(by) =>
          apply(
            patchLoop(loop.id, (one) =>
              withValue(
                one,
                'slackWanted',
                by === 'notSaid' ? undefined : { by, ...(wanted?.support ? { support: wanted.support } : {}) },
              ),
            ),
          )
        }
      />
      {wanted && (
        <>
          {(['least', 'most'] as const).map((end) => (
            <FigureField
              key={wanted.by + end}
              id={`slack-${end}-${loop.id}`}
              label={`${end === 'least' ? 'No less than' : 'No more than'}, ${UNIT[wanted.by]}, ${name}`}
              example={EXAMPLE[wanted.by]}
              limits={sheetLimits('loops', 'slackWanted', end)}
              value={wanted[end]}
              change={(value) => patch((one) => withValue(one, end, value))}
            />
          ))}
          <WordsField
            id={`support-${loop.id}`}
            label="What has to be fitted when it is read"
            value={wanted.support ?? ''}
            change={(text) => patch((one) => ({ ...one, support: text }))}
          />
        </>
      )}
      {loopKinds[loop.kind].made === 'band' && (
        <FigureField
          id={`mass-${loop.id}`}
          label={`A metre of it weighs, kg, ${name}`}
          help="Weigh the old one on kitchen scales and divide by its length."
          example="0.105"
          limits={sheetLimits('loops', 'massKgPerM')}
          value={loop.massKgPerM}
          change={(value) => patchLoop(loop.id, (one) => withValue(one, 'massKgPerM', value))}
        />
      )}
    </Fold>
  )
}
