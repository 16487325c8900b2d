import type { ComponentType } from 'react'
import { sheetLimits, type Adjuster } from '@link-count/core/model'
import { withValue, type SheetChange } from '../sheetChanges'
import { NumbersField } from './NumbersField'

interface AdjusterProps {
  readonly adjuster: Adjuster
  /** Of the sprocket, pulley or gear that it sits on. */
  readonly name: string
}

const patch =
  (id: string, change: (one: Adjuster) => Adjuster): SheetChange =>
  (s) => ({
    ...s,
    adjusters: s.adjusters.map((one) => (one.id === id ? change(one) : one)),
  })

const idOf = ({ id }: Adjuster, field: string) => `${id}-${field.replace(/(Deg|Mm)$/, '')}`

/** A field of an adjuster that holds one figure. */
const OneFigure = ({ adjuster, field, label }: Field<'positions' | 'rangeDeg' | 'shaftMm'>) => (
  <NumbersField
    id={idOf(adjuster, field)}
    label={label}
    most={1}
    limits={sheetLimits('adjusters', field)}
    value={adjuster[field] === undefined ? [] : [adjuster[field]]}
    change={(value) => patch(adjuster.id, (now) => withValue(now, field, value[0]))}
  />
)

/** One that holds several. */
const Figures = ({ adjuster, field, label, help, most }: Field<'anglesDeg' | 'keysMm'> & { readonly most: number }) => (
  <NumbersField
    id={idOf(adjuster, field)}
    label={label}
    help={help}
    most={most}
    limits={sheetLimits('adjusters', field)}
    value={adjuster[field] ?? []}
    change={(value) => patch(adjuster.id, (now) => withValue(now, field, value.length > 0 ? [...value] : undefined))}
  />
)

interface Field<K> {
  readonly adjuster: Adjuster
  readonly field: K
  readonly label: string
  readonly help?: string
}

const Places = ({ adjuster, name }: AdjusterProps) => (
  <OneFigure adjuster={adjuster} field="positions" label={`Places to the turn, ${name}`} />
)

const Range = ({ adjuster, name }: AdjusterProps) => (
  <OneFigure adjuster={adjuster} field="rangeDeg" label={`Degrees of its shaft either way, ${name}`} />
)

const Angles = ({ adjuster, name }: AdjusterProps) => (
  <Figures
    adjuster={adjuster}
    field="anglesDeg"
    label={`Other places against the one in use, degrees of its shaft, ${name}`}
    help="Later is plus; several with a space between."
    most={24}
  />
)

const Keys = ({ adjuster, name }: AdjusterProps) => (
  <>
    <Figures
      adjuster={adjuster}
      field="keysMm"
      label={`Offset keys in the drawer, mm, ${name}`}
      help="Several with a space between."
      most={40}
    />
    <OneFigure adjuster={adjuster} field="shaftMm" label={`Shaft they go on, mm across, ${name}`} />
  </>
)

const Stepless = () => <p className="soft">Stepless: it can be set anywhere.</p>

/** The figures of each kind of adjuster, in the order in which they are offered. */
export const adjusterFields: { readonly [K in Adjuster['kind']]: ComponentType<AdjusterProps> } = {
  hub: Places,
  slots: Range,
  offsetKey: Keys,
  keyway: Angles,
  turnedOver: Angles,
  taper: Stepless,
  grubScrews: Stepless,
  couplingSlip: Range,
  chainTooth: Stepless,
}
