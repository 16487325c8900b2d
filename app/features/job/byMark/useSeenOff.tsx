import { inSentence } from '../../../ui/wording'
import { SegmentedControl } from '@mantine/core'
import { ownToothDeg, type SeenOff } from '@link-count/core/byMark'
import { readDrive } from '@link-count/core/drive'
import type { Mark, Shaft } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { handOfTurn, ratioValue, upFromPlane } from '@link-count/core/units'
import {
  useDegreesField,
  useDraft,
  useLengthField,
  type DegreesField,
  type LengthField,
  type Taken,
} from '../../../ui/fields'
import { useBench } from '../JobContext'
import { CamDial } from './CamDial'
import { kinds, type Drafts, type Kind } from './seenOffDrafts'
import { HowFar } from './SeenOffFields'

export interface Seen {
  /** Undefined until every field can be read. */
  readonly off: SeenOff | undefined
  /** It was said to stand off. */
  readonly isOff: boolean
  /** It is told by the camshaft's mark. */
  readonly byMark: boolean
  readonly fields: Readonly<Record<string, DegreesField | LengthField>>
  readonly besides: readonly Taken[]
  readonly panel: React.ReactNode
}

/** At its mark, or off it by whatever is seen. */
export function useSeenOff(key: string, shaft: Shaft, mark: Mark | undefined): Seen {
  const { view } = useBench()
  const level = useDraft(`${key}:level`, mark ? '' : 'off')
  const kind = useDraft(`${key}:kind`, mark ? 'teeth' : 'lobes')
  const drafts: Drafts = {
    kind,
    way: useDraft(`${key}:way`, 'late'),
    gap: useDraft(`${key}:gap`, 'mm'),
    look: useDraft(`${key}:look`, 'lobes'),
    saw: useDraft(`${key}:saw`),
    cylinder: useDraft(`${key}:cylinder`, view.sheet.zeroCylinderId),
    amount: useDegreesField(`${key}:amount:${kind.text}`, amountLimits[kind.text as Kind] ?? amountLimits.degrees),
    mm: useLengthField(`${key}:mm`, { least: 0, most: 200 }),
    radius: useLengthField(`${key}:radius`, { least: 1, most: 2000 }),
    gauge: useDegreesField(`${key}:gauge`, { least: 0, most: 45 }),
    sure: useDegreesField(`${key}:gauge-sure`, { least: 0.01, most: 10 }),
  }
  const isOff = level.text === 'off'
  const off: SeenOff | undefined = level.text === 'level' ? { by: 'level' } : isOff ? readOff(drafts) : undefined
  const { amount, mm, radius, gauge, sure, ...rest } = drafts
  return {
    off,
    isOff,
    byMark: !isOff || (kind.text !== 'lobes' && !(kind.text === 'gap' && drafts.gap.text === 'gauge')),
    fields: isOff ? typedFields(drafts) : {},
    besides: [level, ...Object.values(rest), amount, mm, radius, gauge, sure],
    panel: (
      <div className="stack seen-off">
        {isOff && mark && kind.text !== 'lobes' && kind.text !== 'gap' && (
          <Dial shaft={shaft} mark={mark} drafts={drafts} />
        )}
        {mark && (
          <SegmentedControl
            fullWidth
            aria-label={`Where the ${inSentence(mark.name)} stands`}
            value={level.text}
            onChange={level.setText}
            data={[
              { value: 'level', label: 'Level: at its mark' },
              { value: 'off', label: mark ? 'Off' : 'Off it' },
            ]}
          />
        )}
        {isOff && <HowFar shaft={shaft} mark={mark} drafts={drafts} />}
      </div>
    ),
  }
}

const amountLimits: Record<Kind, { readonly least: number; readonly most: number }> = {
  teeth: { least: 0, most: 200 },
  degrees: { least: 0, most: 180 },
  clock: { least: 0, most: 6 },
  gap: { least: 0, most: 200 },
  lobes: { least: 0, most: 30 },
}

function typedFields({ kind, gap, look, amount, mm, radius, gauge, sure }: Drafts): Seen['fields'] {
  if (kind.text === 'gap') return gap.text === 'gauge' ? { off: gauge, sure } : { off: mm, radius }
  if (kind.text !== 'lobes') return { off: amount }
  return look.text === 'pushrods' ? { off: mm } : {}
}

function readOff({
  kind,
  way,
  gap,
  look,
  saw,
  cylinder,
  amount,
  mm,
  radius,
  gauge,
  sure,
}: Drafts): SeenOff | undefined {
  const late = way.text === 'late' ? 1 : -1
  const size = amount.value === undefined ? undefined : late * amount.value
  switch (kind.text as Kind) {
    case 'teeth':
      return size === undefined ? undefined : { by: 'teeth', teeth: size }
    case 'degrees':
      return size === undefined ? undefined : { by: 'degrees', deg: size }
    case 'clock':
      return size === undefined ? undefined : { by: 'clock', hours: size, sureToHours: 0.5 }
    case 'gap':
      if (gap.text === 'gauge')
        return gauge.value === undefined || sure.value === undefined
          ? undefined
          : { by: 'gauge', deg: late * gauge.value + 0, sureToDeg: sure.value }
      if (!mm.value || !radius.value) return undefined
      return gap.text === 'feeler'
        ? { by: 'feeler', mm: late * mm.value.value, acrossMm: radius.value.value }
        : { by: 'mm', mm: late * mm.value.value, radiusMm: radius.value.value }
    case 'lobes':
      return readLook({ look, saw, cylinder, mm, late })
  }
}

function readLook({
  look,
  saw,
  cylinder,
  mm,
  late,
}: Pick<Drafts, 'look' | 'saw' | 'cylinder' | 'mm'> & { readonly late: number }): SeenOff | undefined {
  const cylinderId = cylinder.text
  if (look.text === 'rocking') return { by: 'rocking', cylinderId }
  if (look.text === 'pushrods')
    return mm.value && { by: 'pushrods', cylinderId, exhaustHigherMm: late * mm.value.value + 0 }
  if (saw.text !== 'right' && saw.text !== 'wrong') return undefined
  return look.text === 'letters'
    ? { by: 'letters', are: saw.text === 'right' ? 'upright' : 'upsideDown' }
    : { by: 'lobes', point: saw.text === 'right' ? 'asInBook' : 'opposite' }
}

/** The sprocket with the line to be dragged; it writes the figure and the way. */
function Dial({ shaft, mark, drafts }: { readonly shaft: Shaft; readonly mark: Mark; readonly drafts: Drafts }) {
  const { view, side } = useBench()
  const { sheet } = view
  const { kind, way, amount } = drafts
  const teeth = partsOf(sheet).member(mark.memberId)?.teeth?.value
  const perUnit = { teeth: ownToothDeg(sheet, shaft.id) ?? 360 / (teeth ?? 36), clock: 30, degrees: 1 }[
    kind.text as 'teeth'
  ]
  const step = { teeth: 0.25, clock: 0.25, degrees: 1 }[kind.text as 'teeth']
  const sign = ratioValue(readDrive(sheet).ratioOf(shaft)) < 0 ? -1 : 1
  const running = sheet.running?.value ?? 'clockwise'
  const up = upFromPlane(mark.pointsAtDeg?.value ?? 90)
  const offDeg = (way.text === 'late' ? 1 : -1) * (amount.value ?? 0) * perUnit
  return (
    <CamDial
      teeth={teeth}
      upDeg={side === 'timing' ? up : (360 - up) % 360}
      turns={handOfTurn({ sign, running, side }) === 'clockwise' ? 1 : -1}
      offDeg={offDeg}
      stepDeg={step * perUnit}
      name={inSentence(mark.name)}
      words={`${amount.text || 0} ${kinds[kind.text as 'teeth']} ${way.text}`}
      onOff={(deg) => {
        way.setText(deg < 0 ? 'early' : 'late')
        amount.setText(String(Number((Math.abs(deg) / perUnit).toFixed(2))))
      }}
    />
  )
}
