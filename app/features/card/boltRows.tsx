import { stageOf, tighteningOf, toldOf } from '@link-count/core/fasteners'
import type { JobView } from '../../domain/views'
import { boltName, boltStagesWords, boltsToldWords, threadWithWords } from '../../ui/wording'

/** Bolts and nuts of the job: what each was tightened to, or how far they are; with what has to be told of them. */
export function BoltRows({ view: { sheet, state } }: { readonly view: JobView }) {
  return (sheet.boltGroups ?? []).flatMap((group) => {
    const tightening = tighteningOf(group, state)
    const { begun, next, passes, lastId } = tightening
    const stage = stageOf(tightening)
    if (lastId === undefined) return []
    const { threadWith } = group
    return [
      <tr key={group.id}>
        <th scope="row">{group.name}</th>
        <td colSpan={2}>
          {stage === 'done' ? (
            <>
              {group.bolts.length}, to {boltStagesWords(group)}
              {begun?.boltsAre ? `, ${begun.boltsAre} ones` : ''}
              {threadWith &&
                `, ${threadWith.length === 0 ? 'dry' : threadWith.map((one) => threadWithWords[one]).join(' and ')}`}
              .
            </>
          ) : stage === 'inWork' && next ? (
            <strong>
              Not through: {boltName(group, next.bolt.id)} is next, stage {next.pass + 1} of {passes.length}.
            </strong>
          ) : (
            <strong>Loosened, and not tightened again.</strong>
          )}
          {toldOf(group, tightening).map((told) => (
            <span key={told}> {boltsToldWords[told]}</span>
          ))}
        </td>
      </tr>,
    ]
  })
}
