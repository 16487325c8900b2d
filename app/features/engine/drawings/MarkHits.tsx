import { polar } from '@link-count/core/geometry'
import type { DriveScene } from '@link-count/core/scene'
import type { Projection } from '../../../ui/face'
import { useChosenPart } from '../ChosenPart'
import { partKey } from '../parts/engineParts'
import { turnMark } from '../sheetChanges'
import { useSheetEditor } from '../SheetEditor'
import { Hit } from './Hit'

/** The marks of the wheel that is open, with a ring where a finger finds them; arrow keys turn one by half a tooth. */
export function MarkHits({ scene, projection }: { readonly scene: DriveScene; readonly projection: Projection }) {
  const { sheet, apply } = useSheetEditor()
  const { key: chosen } = useChosenPart()
  const poseDeg = sheet.referencePose.crankDeg.value
  const ownerOf = (markId: string) => sheet.marks.find(({ id }) => partKey('mark', id) === markId)?.memberId
  const open = scene.toothed.find(
    ({ memberId }) => chosen === partKey('wheel', memberId) || ownerOf(chosen) === memberId,
  )
  if (!open) return null
  return scene.marks
    .filter(({ memberId }) => memberId === open.memberId)
    .map(({ id, name, angleDeg }) => {
      const turned = scene.turnOf(open.memberId, poseDeg) + angleDeg
      const at = polar(open.centre, Math.max(0, open.radiusMm - 0.6 * open.pitchMm - 6 / projection.scale), turned)
      const [x, y] = [projection.x(at), projection.y(at)]
      const own = partKey('mark', id)
      return (
        <Hit
          key={id}
          partKey={own}
          label={`${name}. Arrow keys move it by half a tooth`}
          onKey={(key) => {
            const by = key === 'ArrowLeft' ? 1 : key === 'ArrowRight' ? -1 : 0
            if (by === 0) return false
            void apply(turnMark(id, by * projection.mirror))
            return true
          }}
        >
          <circle className="hit" cx={x} cy={y} r="24" />
          <circle className={chosen === own ? 'mark-knob lit' : 'mark-knob'} cx={x} cy={y} r="15" />
        </Hit>
      )
    })
}
