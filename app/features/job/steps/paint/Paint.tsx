import { Button } from '@mantine/core'
import { readLoop } from '@link-count/core/ledger'
import type { BuildSheet, Loop, Mark } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { inSentence, nounsOf } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { CountPanel } from '../CountPanel'

/** A tooth of every sprocket painted, and counted from one to the next before the chain comes off. */
export function Paint({ step }: { readonly step: Step }) {
  const { view, changeSheet } = useBench()
  const loop = partsOf(view.sheet).loop(step.targetIds[0])
  if (!loop) return null
  const bare = unmarked(view.sheet, loop)
  const { loop: noun, wheel, link } = nounsOf(loop)
  return (
    <div className="stack">
      <p>
        Where it stands, paint a tooth of every {wheel} and the {link} that faces it. The new {noun} is laid by the same
        counts: no TDC is wanted, and the crank stays where it is.
      </p>
      {bare.length > 0 ? (
        <>
          <p>Not painted yet: {bare.map(({ name }) => inSentence(name)).join(', ')}.</p>
          <Button
            variant="filled"
            onClick={() =>
              void changeSheet((sheet) => ({ ...sheet, marks: [...sheet.marks, ...paintOn(sheet, loop)] }))
            }
          >
            Painted: a tooth of each
          </Button>
        </>
      ) : (
        <>
          <CountPanel step={step} />
          <LayByThese loop={loop} />
        </>
      )}
    </div>
  )
}

/** The counts as found kept on the build sheet as what the new one is laid by: the timing stays as it was, whatever the book has. */
function LayByThese({ loop }: { readonly loop: Loop }) {
  const { view, changeSheet } = useBench()
  const { sheet, state, label } = view
  const { sections, found } = readLoop(sheet, loop, state.counts, 'found', state.seats)
  const open = sections.flatMap((section) => {
    const count = section.expected ? undefined : found.find(({ sectionId }) => sectionId === section.id)
    return count ? [{ section, pitches: count.foundPitches }] : []
  })
  if (open.length === 0) return null
  const keep = () =>
    void changeSheet((newest) => ({
      ...newest,
      counts: [
        ...newest.counts,
        ...open.map(({ section: { from, to, run, loopId }, pitches }) => ({
          id: `${from.id}-${to.id}`.slice(0, 64),
          loopId,
          fromMarkId: from.id,
          toMarkId: to.id,
          run,
          pitches: {
            value: pitches,
            typed: String(pitches),
            trust: 'measured' as const,
            source: `as found in job ${label}`,
          },
        })),
      ],
    }))
  return (
    <Button variant="filled" onClick={keep}>
      Lay the new {nounsOf(loop).loop} by these counts
    </Button>
  )
}

/** What has teeth on a loop and no mark to count from. */
const unmarked = (sheet: BuildSheet, loop: Loop) =>
  sheet.members.filter(
    ({ id, teeth, shaftId, kind }) =>
      (teeth !== undefined || shaftId !== undefined) &&
      (kind === 'sprocket' || kind === 'pulley') &&
      loop.path.some(({ memberId }) => memberId === id) &&
      !sheet.marks.some((mark) => mark.memberId === id && (mark.cutFor === 'pose' || mark.cutFor === 'paint')),
  )

const paintOn = (sheet: BuildSheet, loop: Loop): Mark[] =>
  unmarked(sheet, loop).map(({ id, name }) => ({
    id: `paint-${id}`.slice(0, 64),
    name: `Paint on the ${inSentence(name)}`,
    memberId: id,
    halfTeeth: 1,
    cutFor: 'paint',
    meets: 'the painted link',
  }))
