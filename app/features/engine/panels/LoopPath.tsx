import { Button, SegmentedControl } from '@mantine/core'
import type { Loop } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { nounsOf } from '../../../ui/wording'
import { addMemberOn, addPlainOn, addShaftOn } from '../bendDrive'
import { patchLoop } from '../sheetChanges'
import { useSheetEditor } from '../SheetEditor'
import { Choice } from './fields'
import './LoopPath.css'

/** What a loop passes, in order and on which side; parts put on it, moved along it. */
export function LoopPath({ loop }: { readonly loop: Loop }) {
  const { sheet } = useSheetEditor()
  return (
    <div className="wide-field">
      <p className="field-label">It passes</p>
      <ol className="loop-path">
        {loop.path.map(({ memberId }, i) => (
          <Passed key={memberId} loop={loop} i={i} name={partsOf(sheet).member(memberId)?.name ?? memberId} />
        ))}
      </ol>
      <PutOn loop={loop} />
    </div>
  )
}

/** A part that the loop passes: on which side, and earlier or later. */
function Passed({ loop, i, name }: { readonly loop: Loop; readonly i: number; readonly name: string }) {
  const { apply } = useSheetEditor()
  const move = (by: 1 | -1) =>
    apply(
      patchLoop(loop.id, (one) => {
        const path = [...one.path]
        const [part] = path.splice(i, 1)
        if (part) path.splice((i + by + one.path.length) % one.path.length, 0, part)
        return { ...one, path }
      }),
    )
  const pass = (passed: Loop['path'][number]['passed']) =>
    apply(
      patchLoop(loop.id, (one) => ({
        ...one,
        path: one.path.map((part, k) => (k === i ? { ...part, passed } : part)),
      })),
    )
  return (
    <li>
      <span>{name}</span>
      <SegmentedControl
        aria-label={`${name} is passed`}
        value={loop.path[i]?.passed ?? 'inside'}
        onChange={(value) => pass(value as 'inside')}
        data={[
          { value: 'inside', label: 'inside' },
          { value: 'outside', label: 'outside' },
        ]}
      />
      <Button variant="quiet" aria-label={`${name} earlier`} onClick={() => move(-1)}>
        ↑
      </Button>
      <Button variant="quiet" aria-label={`${name} later`} onClick={() => move(1)}>
        ↓
      </Button>
    </li>
  )
}

function PutOn({ loop }: { readonly loop: Loop }) {
  const { sheet, apply } = useSheetEditor()
  const { wheel } = nounsOf(loop)
  const onLoop = new Set(loop.path.map(({ memberId }) => partsOf(sheet).member(memberId)?.shaftId))
  const bare = sheet.shafts.filter(({ id }) => !onLoop.has(id))
  return (
    <>
      <div className="row">
        {(['idler', 'guide', 'tensioner'] as const).map((kind) => (
          <Button key={kind} variant="quiet" onClick={() => apply(addPlainOn(loop.id, kind, loop.path[0]?.memberId))}>
            {kind === 'idler' ? 'An' : 'A'} {kind}
          </Button>
        ))}
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
    </>
  )
}
