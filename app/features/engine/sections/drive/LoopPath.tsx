import { nanoid } from 'nanoid'
import { Button, SegmentedControl } from '@mantine/core'
import type { Loop, Member } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { nounsOf } from '../../../../ui/wording'
import { addShaftOn, addMemberOn } from '../../bendDrive'
import { patchLoop } from '../../sheetChanges'
import { useSheetEditor } from '../../SheetEditor'
import { Choice } from '../Section'

/** What a loop passes, in order and on which side; parts put on it, moved along it. */
export function LoopPath({ loop }: { readonly loop: Loop }) {
  const { sheet, apply } = useSheetEditor()
  const nameOf = (id: string) => partsOf(sheet).member(id)?.name ?? id
  const wheel = nounsOf(loop).wheel
  const bare = sheet.shafts.filter(
    ({ id }) =>
      !loop.path.some(({ memberId }) => sheet.members.some((one) => one.id === memberId && one.shaftId === id)),
  )
  const add = (kind: 'idler' | 'guide' | 'tensioner') => {
    const id = nanoid()
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
          A shaft with its {wheel}
        </Button>
      </div>
      {bare.length > 0 && (
        <Choice
          label={`A ${wheel} on a shaft that is there`}
          value=""
          options={[
            { value: '', label: 'choose the shaft' },
            ...bare.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          onChoose={(shaftId) => shaftId !== '' && apply(addMemberOn(loop, shaftId))}
        />
      )}
    </div>
  )
}
