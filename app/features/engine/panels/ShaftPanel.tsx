import { Fold } from '../../../ui/Fold'
import { inSentence } from '../../../ui/wording'
import { readDrive } from '@link-count/core/drive'
import type { Coupling, Shaft } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { shaftsToOffer } from '@link-count/core/followers'
import { nanoid } from 'nanoid'
import { useChosenPart } from '../ChosenPart'
import { partKey } from '../parts/engineParts'
import { addCoupling, addGearOn, addHub, removeShaft } from '../bendDrive'
import { PlaceFields } from './PlaceFields'
import { addFollower, patchShaft, withValue } from '../sheetChanges'
import { useSheetEditor } from '../SheetEditor'
import { Choice, Fields, WordsField } from './fields'
import { LoopFrom } from './LoopFrom'
import { PartLink } from './PartLink'
import { OwnPlace } from './TimingPosition'

/** A shaft: what it is called and is, where it stands, and what more can be put on it. */
export function ShaftPanel({ shaft }: { readonly shaft: Shaft }) {
  const { sheet, apply } = useSheetEditor()
  const own = sheet.members.filter(({ shaftId }) => shaftId === shaft.id)
  const name = inSentence(shaft.name)
  const isCrank = shaft.kind === 'crank'
  return (
    <Fields>
      <Fold title="What it is" note={isCrank ? 'its name' : 'its name, what it is, how often it turns'}>
        <WordsField
          id={`shaft-${shaft.id}`}
          label={`You call the ${name}`}
          value={shaft.name}
          change={(text) => patchShaft(shaft.id, (one) => ({ ...one, name: text }))}
        />
        {!isCrank && (
          <Choice
            label={`The ${name} is a`}
            value={shaft.kind}
            options={shaftKinds}
            onChoose={(kind) => apply(patchShaft(shaft.id, (one) => ({ ...one, kind })))}
          />
        )}
        {!isCrank && <Ratio shaft={shaft} />}
      </Fold>
      {shaft.kind === 'cam' && (
        <>
          <OwnPlace
            id={shaft.id}
            name={name}
            value={shaft.meetsAtDeg}
            change={(value) => patchShaft(shaft.id, (one) => withValue(one, 'meetsAtDeg', value))}
          />
          <Choice
            label={`At its place the lobes of the ${name} point`}
            value={shaft.lobesAtPlace ?? ''}
            options={[
              { value: '', label: 'not written down' },
              { value: 'inwards', label: 'inwards, to the middle of the head' },
              { value: 'outwards', label: 'outwards' },
            ]}
            onChoose={(at) =>
              apply(patchShaft(shaft.id, (one) => withValue(one, 'lobesAtPlace', at === '' ? undefined : at)))
            }
          />
        </>
      )}
      {!isCrank && <Place shaft={shaft} />}
      <OnShaft shaft={shaft} />
      <div className="row">
        {own.map(({ id, name: wheel }) => (
          <PartLink key={id} kind="wheel" id={id} words={wheel} />
        ))}
        {own
          .filter(({ kind }) => kind === 'gear')
          .map((gear) => (
            <button key={gear.id} type="button" className="link" onClick={() => apply(addGearOn(gear.id))}>
              A gear in mesh with the {inSentence(gear.name)}
            </button>
          ))}
        {!own.some(({ kind }) => kind === 'hub') && (
          <button type="button" className="link" onClick={() => apply(addHub(shaft.id))}>
            A mark on the end of the {name}
          </button>
        )}
        {!isCrank && (
          <button type="button" className="link" onClick={() => apply(removeShaft(shaft.id))}>
            Take the {name} off the sheet
          </button>
        )}
      </div>
      {!isCrank && <JoinTo shaft={shaft} />}
      <LoopFrom shaft={shaft} />
    </Fields>
  )
}

/** What sits on a shaft that drives fuel or spark; offered where nothing was written down. */
function OnShaft({ shaft }: { shaft: Shaft }) {
  const { sheet, apply } = useSheetEditor()
  const { choose } = useChosenPart()
  const own = (sheet.followers ?? []).filter(({ shaftId }) => shaftId === shaft.id)
  const offered = shaftsToOffer(sheet).some(({ id }) => id === shaft.id) || shaft.kind === 'cam' || own.length > 0
  const add = async () => {
    const id = nanoid(10)
    if (await apply(addFollower(shaft, id))) choose(partKey('follower', id))
  }
  return (
    <div className="row">
      {own.map(({ id, name }) => (
        <PartLink key={id} kind="follower" id={id} words={name} />
      ))}
      {offered && (
        <button type="button" className="link" onClick={() => void add()}>
          {own.length > 0
            ? 'Another pump or magneto on it'
            : shaft.kind === 'pump'
              ? 'Write down the pump on it'
              : shaft.kind === 'magneto'
                ? 'Write down the magneto or distributor on it'
                : 'It works fuel pumps or a breaker: write them down'}
        </button>
      )}
    </div>
  )
}

/** How often a shaft turns for one of the crank, and why. What drives it settles it once every tooth is counted. */
function Ratio({ shaft }: { shaft: Shaft }) {
  const { sheet, apply } = useSheetEditor()
  const { wrong, ratios } = readDrive(sheet)
  const counted = ratios[shaft.id]
  const words = ({ num, den }: Shaft['ratio']) =>
    `${Math.abs(num) === den ? 'as often as the crank' : Math.abs(num) * 2 === den ? 'half as often' : `${Math.abs(num)} for ${den} of the crank`}${num < 0 ? ', the other way round' : ''}`
  const usual = sheet.cycleDeg === 360 ? [1, -1] : [2, -2]
  const options = [
    ...new Set([`${shaft.ratio.num}/${shaft.ratio.den}`, ...[1, 2, 4].flatMap((den) => [`1/${den}`, `-1/${den}`])]),
  ]
  const isWrong = wrong.some(({ shaftId }) => shaftId === shaft.id)
  const reason =
    shaft.kind !== 'cam'
      ? 'By its wheels once they are counted.'
      : sheet.cycleDeg === 360
        ? 'A two-stroke’s camshaft turns with the crank.'
        : 'A four-stroke’s camshaft turns once in two.'
  const isUsual =
    shaft.kind !== 'cam' ||
    usual.includes((shaft.ratio.num < 0 ? -1 : 1) * (shaft.ratio.den / Math.abs(shaft.ratio.num)))
  return (
    <Choice
      label={`The ${inSentence(shaft.name)} turns`}
      help={`${reason}${isUsual ? '' : ' This one is said to turn otherwise.'}${isWrong && counted ? ` The teeth make it ${words(counted)}.` : ''}`}
      value={`${shaft.ratio.num}/${shaft.ratio.den}`}
      options={options.map((value) => {
        const [num = 1, den = 1] = value.split('/').map(Number)
        return { value, label: words({ num, den }) }
      })}
      onChoose={(value) => {
        const [num = 1, den = 1] = value.split('/').map(Number)
        void apply(patchShaft(shaft.id, (one) => ({ ...one, ratio: { num, den } })))
      }}
    />
  )
}

/** Where a shaft stands; one that splines or dogs join to another stands on that one's axis. */
function Place({ shaft }: { shaft: Shaft }) {
  const { sheet } = useSheetEditor()
  const joint = sheet.couplings.find(({ kind, toId }) => kind !== 'gearMesh' && toId === shaft.id)
  const other = partsOf(sheet).shaft(joint?.fromId)
  const driven = sheet.members.some(({ shaftId, kind }) => shaftId === shaft.id && kind !== 'hub')
  if (other && !driven) {
    return (
      <p className="soft">
        The {inSentence(shaft.name)} stands on the axis of the {inSentence(other.name)}.
      </p>
    )
  }
  return (
    <PlaceFields
      id={shaft.id}
      name={shaft.name}
      position={shaft.position}
      set={(change) => patchShaft(shaft.id, (one) => ({ ...one, position: change(one.position) }))}
    />
  )
}

/** A shaft that no wheel drives is joined to another by splines or dogs. */
function JoinTo({ shaft }: { shaft: Shaft }) {
  const { sheet, apply } = useSheetEditor()
  const joined = sheet.couplings.some(({ kind, toId }) => kind !== 'gearMesh' && toId === shaft.id)
  const wheeled = sheet.members.some(({ shaftId, kind }) => shaftId === shaft.id && kind !== 'hub')
  if (joined || wheeled) return null
  const others = sheet.shafts.filter(({ id }) => id !== shaft.id)
  return (
    <Choice
      label={`The ${inSentence(shaft.name)} is joined to`}
      value=""
      options={[
        { value: '', label: 'nothing yet' },
        ...others.flatMap(({ id, name }) =>
          couplingKinds.map(({ value, label }) => ({ value: JSON.stringify([value, id]), label: `${name}, ${label}` })),
        ),
      ]}
      onChoose={(chosen) => {
        if (chosen === '') return
        const [kind, fromId] = JSON.parse(chosen) as [Coupling['kind'], string]
        apply(addCoupling(kind, fromId, shaft.id))
      }}
    />
  )
}

const couplingKinds = [
  { value: 'spline', label: 'by splines' },
  { value: 'quill', label: 'by a quill' },
  { value: 'dog', label: 'by dogs' },
] as const

const shaftKinds = [
  { value: 'cam', label: 'camshaft' },
  { value: 'intermediate', label: 'intermediate shaft' },
  { value: 'idler', label: 'idler shaft' },
  { value: 'pump', label: 'pump' },
  { value: 'magneto', label: 'magneto or distributor' },
  { value: 'balance', label: 'balance shaft' },
] as const satisfies readonly { value: Shaft['kind']; label: string }[]
