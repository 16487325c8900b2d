import { drivenWheel, inTeeth, tellsToothBy } from '@link-count/core/byMark'
import { isSaid, markOfShaft } from '@link-count/core/cams'
import { markPoseDeg, readDrive } from '@link-count/core/drive'
import { latenessOn, type CamReadDraft } from '@link-count/core/ledger'
import { partsOf } from '@link-count/core/sheet'
import { formatLateness, ratioValue } from '@link-count/core/units'
import { inSentence, atCamWords, camWayWords, upperFirst, seenOffWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { AskExact } from '../../byMark/AskExact'
import { useCrankMark } from '../../byMark/useCrankMark'
import { useSeenOff } from '../../byMark/useSeenOff'
import { StandsByMark } from '../../byMark/StandsByMark'
import { timingPosition } from '../../timingPosition'
import { TurnTo } from '../../TurnTo'
import { moveWords } from '../../moveWords'
import type { CamWayProps } from './way'
import { WayFoot } from './WayFoot'

/** With the crank at a mark of its own: the camshaft at its mark, or off it by whatever is seen. */
export function AtMarkWay({ step, shaft, phase }: CamWayProps) {
  const { view } = useBench()
  const { sheet, job } = view
  const { target, arrived, stood } = timingPosition(view, step.id, { shaftId: shaft.id })
  const elsewhere = !stood && target.deg !== sheet.referencePose.crankDeg.value
  const key = `${job.id}:${step.id}:${shaft.id}:at-mark`
  const mark = markOfShaft(sheet, shaft.id)
  const crank = useCrankMark(key, markPoseDeg(sheet, mark))
  const seen = useSeenOff(key, shaft, mark)
  if (!crank) return <StandsByMark step={step} />
  const read: CamReadDraft | undefined =
    crank.crank && seen.off
      ? {
          kind: 'camAtMark',
          shaftId: shaft.id,
          ...(mark && seen.byMark ? { markId: mark.id } : {}),
          phase,
          crank: crank.crank,
          off: seen.off,
        }
      : undefined
  return (
    <div className="stack">
      {elsewhere && <TurnTo target={target} arrived={arrived} />}
      {crank.panel}
      <h3>{mark ? `Where does the ${inSentence(mark.name)} stand?` : 'How does the camshaft stand?'}</h3>
      {seen.panel}
      {mark && seen.byMark && (!seen.off || tellsToothBy(seen.off) === 'ifSharp') && (
        <AskExact markId={mark.id} name={inSentence(mark.name)} onRim={false} exact={mark.exact} />
      )}
      {!crank.crank && <p className="soft">Look at the crank, and say where it stands to its mark.</p>}
      {crank.crank && !seen.off && <p className="soft">Then say where the camshaft stands.</p>}
      {read && <InTeethWords read={read} />}
      <WayFoot
        way={camWayWords.camAtMark}
        step={step}
        read={read}
        fields={{ ...crank.fields, ...seen.fields }}
        besides={[...crank.besides, ...seen.besides]}
      />
    </div>
  )
}

/** What was seen as teeth: how many, what a whole number of them leaves over, and whether it can tell a tooth at all. */
function InTeethWords({ read }: { readonly read: CamReadDraft }) {
  const { view, side } = useBench()
  const { sheet, state } = view
  const said = latenessOn(sheet, state.zeros.frames.at(-1), read)
  if (read.kind !== 'camAtMark' || !isSaid(said)) return null
  const shaft = partsOf(sheet).shaft(read.shaftId)
  const teeth = shaft && inTeeth(sheet, shaft, said)
  if (!shaft || !teeth || said.latenessDeg === 0) return null
  const nameOf = (id: string) => partsOf(sheet).cylinder(id)?.name ?? ''
  const own = said.latenessDeg * Math.abs(ratioValue(readDrive(sheet).ratioOf(shaft)))
  const memberId = drivenWheel(sheet, shaft.id)?.id
  const loop = sheet.loops.find(({ path }) => path.some((part) => part.memberId === memberId))
  return (
    <div className="move in-teeth">
      <p>
        <strong>
          {upperFirst(seenOffWords(read.off, nameOf))}: {atCamWords(own, teeth)}.
        </strong>{' '}
        {teeth.layTeeth === 0
          ? 'Less than half a tooth: no whole tooth would improve it.'
          : `${loop && memberId ? moveWords({ layTeeth: teeth.layTeeth, memberId }, loop, sheet, side) : ''} That leaves ${formatLateness(teeth.leftoverOwnDeg)} at the cam, ${formatLateness(teeth.leftoverDeg)} at the crank.`}{' '}
        {!teeth.tells && 'Seen so it cannot tell a tooth: see the mark itself, or count.'}
      </p>
    </div>
  )
}
