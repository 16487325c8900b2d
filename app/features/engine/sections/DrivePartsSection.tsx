import { Button, NativeSelect, SegmentedControl } from '@mantine/core'
import { sectionsOf, solveLoop } from '@link-count/core/drive'
import type { BuildSheet, Loop, Member, Shaft } from '@link-count/core/model'
import { addGearOn, addShaftOn, removeShaft } from '../bendDrive'
import { LinkMap } from '../LinkMap'
import { PaintedLinks } from '../PaintedLinks'
import { PlaceFields } from '../PlaceFields'
import { patchLoop, patchMark, patchMember, patchShaft, withValue } from '../sheetChanges'
import { useSheetEditor } from '../SheetEditor'
import { DirectionField, MmField, PitchesField, WholeField } from '../TrustedField'
import { Choice, Section, WordsField } from './Section'

/** Any drive, in the order it is measured: shafts and where they stand, wheels and what they bear on, each loop, marks, counts. */
export function DrivePartsSection() {
  const { sheet, apply } = useSheetEditor()
  const plain = sheet.members.filter(({ shaftId }) => !shaftId)
  return (
    <>
      <Section
        title="Shafts and wheels"
        lead="Counts alone are a full way of working. With the places of the shafts the drive is drawn to scale and the counts are worked out."
      >
        {sheet.shafts.map((shaft) => (
          <div className="one-cylinder wide-field" key={shaft.id}>
            <WordsField
              id={`shaft-${shaft.id}`}
              label={`You call the ${shaft.name.toLowerCase()}`}
              value={shaft.name}
              save={(name) => apply(patchShaft(shaft.id, (one) => ({ ...one, name })))}
            />
            {sheet.members
              .filter(({ shaftId }) => shaftId === shaft.id)
              .map((member) => (
                <Teeth key={member.id} member={member} />
              ))}
            {shaft.kind !== 'crank' && (
              <Choice
                label={`The ${shaft.name.toLowerCase()} is a`}
                value={shaft.kind}
                options={shaftKinds}
                onChoose={(kind) => apply(patchShaft(shaft.id, (one) => ({ ...one, kind })))}
              />
            )}
            {shaft.kind !== 'crank' && (
              <PlaceFields
                id={shaft.id}
                name={shaft.name}
                position={shaft.position}
                set={(change) => patchShaft(shaft.id, (one) => ({ ...one, position: change(one.position) }))}
              />
            )}
            <div className="row wide-field">
              {sheet.members
                .filter(({ shaftId, kind }) => shaftId === shaft.id && kind === 'gear')
                .map(({ id, name }) => (
                  <button key={id} type="button" className="link" onClick={() => apply(addGearOn(id))}>
                    A gear in mesh with the {name.toLowerCase()}
                  </button>
                ))}
              {shaft.kind !== 'crank' && (
                <button type="button" className="link" onClick={() => apply(removeShaft(shaft.id))}>
                  Take the {shaft.name.toLowerCase()} off the sheet
                </button>
              )}
            </div>
          </div>
        ))}
        {plain.map((member) => (
          <PlainMember key={member.id} member={member} />
        ))}
      </Section>
      {sheet.loops.map((loop) => (
        <LoopSection key={loop.id} loop={loop} />
      ))}
    </>
  )
}

function Teeth({ member }: { member: Member }) {
  const { apply } = useSheetEditor()
  return (
    <>
      <WholeField
        id={`teeth-${member.id}`}
        label={`Teeth, ${member.name.toLowerCase()}`}
        least={5}
        most={400}
        value={member.teeth}
        change={(value) => patchMember(member.id, (one) => withValue(one, 'teeth', value))}
      />
      {member.kind === 'pulley' && (
        <Choice
          label={`Teeth of the ${member.name.toLowerCase()} are`}
          value={member.toothShape ?? 'unknown'}
          options={[...toothShapes]}
          onChoose={(shape) => apply(patchMember(member.id, (one) => withValue(one, 'toothShape', knownShape(shape))))}
        />
      )}
    </>
  )
}

const shaftKinds = [
  { value: 'cam', label: 'camshaft' },
  { value: 'intermediate', label: 'intermediate shaft' },
  { value: 'idler', label: 'idler shaft' },
  { value: 'pump', label: 'pump' },
  { value: 'magneto', label: 'magneto or distributor' },
  { value: 'balance', label: 'balance shaft' },
] as const satisfies readonly { value: Shaft['kind']; label: string }[]

const toothShapes = [
  { value: 'unknown', label: 'not looked at' },
  { value: 'square', label: 'square' },
  { value: 'round', label: 'round' },
] as const
const knownShape = (shape: (typeof toothShapes)[number]['value']) => (shape === 'unknown' ? undefined : shape)

/** An idler, guide or tensioner that carries no shaft of the drive. */
function PlainMember({ member }: { member: Member }) {
  const { apply } = useSheetEditor()
  const floats = member.kind === 'tensioner' && !member.position
  const remove = (s: BuildSheet): BuildSheet => ({
    ...s,
    members: s.members.filter(({ id }) => id !== member.id),
    loops: s.loops.map((loop) => ({ ...loop, path: loop.path.filter(({ memberId }) => memberId !== member.id) })),
  })
  return (
    <div className="one-cylinder wide-field">
      <MmField
        id={`radius-${member.id}`}
        label={`${member.name}, radius where the loop touches it`}
        help={floats ? 'Where it stands is worked out from the slack it has to take up.' : ''}
        value={member.radiusMm}
        change={(value) => patchMember(member.id, (one) => withValue(one, 'radiusMm', value))}
      />
      <MmField
        id={`allowance-${member.id}`}
        label={`From there to the pin or pitch line, ${member.name.toLowerCase()}`}
        help="Half a plate’s height, or the back of a belt. Nothing if the radius is to the pin line."
        value={member.allowanceMm}
        change={(value) => patchMember(member.id, (one) => withValue(one, 'allowanceMm', value))}
      />
      {!floats && (
        <PlaceFields
          id={member.id}
          name={member.name}
          position={member.position}
          set={(change) => patchMember(member.id, (one) => ({ ...one, position: change(one.position) }))}
        />
      )}
      <button type="button" className="link" onClick={() => apply(remove)}>
        Take the {member.name.toLowerCase()} off the sheet
      </button>
    </div>
  )
}

function LoopSection({ loop }: { loop: Loop }) {
  const { sheet, apply } = useSheetEditor()
  const solved = solveLoop(sheet, loop)
  const sections = sectionsOf(sheet, loop, solved.ok ? solved.value : undefined)
  const nameOf = (id: string) => sheet.members.find((member) => member.id === id)?.name ?? id
  const belt = loop.kind === 'toothedBelt'
  const add = (kind: 'idler' | 'guide' | 'tensioner') => {
    const id = crypto.randomUUID()
    const n = sheet.members.filter((member) => member.kind === kind).length + 1
    const name = `${{ idler: 'Idler', guide: 'Guide', tensioner: 'Tensioner' }[kind]} ${n}`
    const member: Member = {
      id,
      name,
      kind,
      ...(kind === 'tensioner' ? {} : { position: { how: 'polar', fromShaftId: sheet.shafts[0]?.id ?? 'crank' } }),
    }
    apply((s) => ({
      ...s,
      members: [...s.members, member],
      loops: s.loops.map((one) =>
        one.id === loop.id
          ? { ...one, path: [...one.path.slice(0, 1), { memberId: id, passed: 'outside' }, ...one.path.slice(1)] }
          : one,
      ),
    }))
  }
  const move = (i: number, by: 1 | -1) =>
    apply(
      patchLoop(loop.id, (one) => {
        const path = [...one.path]
        const [part] = path.splice(i, 1)
        if (part) path.splice((i + by + one.path.length) % one.path.length, 0, part)
        return { ...one, path }
      }),
    )
  const pass = (i: number, passed: 'inside' | 'outside') =>
    apply(
      patchLoop(loop.id, (one) => ({
        ...one,
        path: one.path.map((part, k) => (k === i ? { ...part, passed } : part)),
      })),
    )
  return (
    <Section
      title={loop.name}
      lead="Wheels in the order the loop meets them, running, from its driver along the slack run. Marks are read in the reference pose."
    >
      <Choice
        label={`${loop.name} is a`}
        value={loop.kind}
        options={[
          { value: 'rollerChain', label: 'roller chain' },
          { value: 'invertedToothChain', label: 'inverted-tooth chain' },
          { value: 'toothedBelt', label: 'toothed belt' },
        ]}
        onChoose={(kind) => apply(patchLoop(loop.id, (one) => ({ ...one, kind })))}
      />
      <MmField
        id={`pitch-${loop.id}`}
        label={`${loop.name} pitch`}
        value={loop.pitchMm}
        change={(value) => patchLoop(loop.id, (one) => withValue(one, 'pitchMm', value))}
      />
      <WholeField
        id={`links-${loop.id}`}
        label={`${belt ? 'Teeth' : 'Pitches'} in the whole ${loop.name.toLowerCase()}`}
        least={6}
        most={2000}
        value={loop.pitches}
        change={(value) => patchLoop(loop.id, (one) => withValue(one, 'pitches', value))}
      />
      {belt && (
        <Choice
          label={`Teeth of the ${loop.name.toLowerCase()} are`}
          value={loop.toothShape ?? 'unknown'}
          options={[...toothShapes]}
          onChoose={(shape) => apply(patchLoop(loop.id, (one) => withValue(one, 'toothShape', knownShape(shape))))}
        />
      )}
      <div className="wide-field">
        <p className="field-label">It passes</p>
        <ol className="loop-path">
          {loop.path.map(({ memberId, passed }, i) => (
            <li key={memberId}>
              <span>{nameOf(memberId)}</span>
              <SegmentedControl
                aria-label={`${nameOf(memberId)} is passed`}
                value={passed}
                onChange={(value) => pass(i, value as 'inside')}
                data={[
                  { value: 'inside', label: 'inside' },
                  { value: 'outside', label: 'outside' },
                ]}
              />
              <Button variant="quiet" aria-label={`${nameOf(memberId)} earlier`} onClick={() => move(i, -1)}>
                ↑
              </Button>
              <Button variant="quiet" aria-label={`${nameOf(memberId)} later`} onClick={() => move(i, 1)}>
                ↓
              </Button>
            </li>
          ))}
        </ol>
        <div className="row">
          <Button variant="quiet" onClick={() => add('idler')}>
            An idler
          </Button>
          <Button variant="quiet" onClick={() => add('guide')}>
            A guide
          </Button>
          <Button variant="quiet" onClick={() => add('tensioner')}>
            A tensioner
          </Button>
          <Button variant="quiet" onClick={() => apply(addShaftOn(loop))}>
            A shaft with its wheel
          </Button>
        </div>
      </div>
      {sheet.marks
        .filter(({ memberId, cutFor }) => cutFor === 'pose' && loop.path.some((part) => part.memberId === memberId))
        .map((mark) => (
          <div className="mark-fields" key={mark.id}>
            <DirectionField
              id={`points-${mark.id}`}
              label={`${mark.name} points to, in the pose`}
              help="Seen from the timing side: a clock face, or degrees clockwise from straight up."
              value={mark.pointsAtDeg}
              change={(value) => patchMark(mark.id, (one) => withValue(one, 'pointsAtDeg', value))}
            />
            <NativeSelect
              aria-label={`${mark.name} stands at a`}
              value={mark.halfTeeth % 2 === 1 ? 'tip' : 'gap'}
              onChange={(event) => {
                const tip = event.currentTarget.value === 'tip'
                apply(patchMark(mark.id, (one) => ({ ...one, halfTeeth: tip ? 1 : 0 })))
              }}
              data={[
                { value: 'gap', label: 'at a tooth gap' },
                { value: 'tip', label: 'at a tooth tip' },
              ]}
            />
          </div>
        ))}
      {sections.map(({ id, from, to, run, loopId }) => (
        <PitchesField
          key={id}
          id={`count-${id}`}
          label={`From ${from.name.toLowerCase()} to ${to.name.toLowerCase()}${run === 'slack' ? ', slack' : ''}`}
          help="Pitches by the book or an earlier job; worked out where the places are known."
          value={sheet.counts.find((book) => book.fromMarkId === from.id && book.toMarkId === to.id)?.pitches}
          change={(value) => (s) => ({
            ...s,
            counts: [
              ...s.counts.filter((book) => book.fromMarkId !== from.id || book.toMarkId !== to.id),
              ...(value
                ? [
                    {
                      id: `${from.id}-${to.id}`.slice(0, 64),
                      loopId,
                      fromMarkId: from.id,
                      toMarkId: to.id,
                      run,
                      pitches: value,
                    },
                  ]
                : []),
            ],
          })}
        />
      ))}
      <PaintedLinks loop={loop} sections={sections} pitches={solved.ok ? solved.value.pitches : undefined} />
      <LinkMap loop={loop} sections={sections} pitches={solved.ok ? solved.value.pitches : undefined} />
    </Section>
  )
}
