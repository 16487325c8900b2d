import { inSentence } from '../../ui/wording'
import { readDrive } from '@link-count/core/drive'
import type { BuildSheet } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { Fold } from '../../ui/Fold'

const turnsWords = (turns: number) => (turns === 1 ? 'every turn' : `every ${turns} turns`)

/** After how many crank turns marks and painted links meet again, and what not meeting proves. */
export function RepeatTable({ sheet }: { readonly sheet: BuildSheet }) {
  const { shafts, loops, meshes, allTurns } = readDrive(sheet).repeats
  if (loops.length === 0 && meshes.length === 0) return null
  const nameOf = (list: readonly { id: string; name: string }[], id: string) =>
    list.find((one) => one.id === id)?.name ?? id
  const gear = (couplingId: string) => {
    const coupling = partsOf(sheet).coupling(couplingId)
    return [coupling?.fromId, coupling?.toId].map((id) => inSentence(nameOf(sheet.members, id ?? ''))).join(' and ')
  }
  return (
    <Fold title="What meets again, and when">
      <dl className="figures">
        {shafts
          .filter(({ shaftId }) => sheet.shafts.some(({ id, kind }) => id === shaftId && kind !== 'crank'))
          .map(({ shaftId, turns }) => (
            <div key={shaftId}>
              <dt>{nameOf(sheet.shafts, shaftId)}: marks</dt>
              <dd className="reading">{turnsWords(turns)}</dd>
            </div>
          ))}
        {loops.map(({ loopId, turns }) => (
          <div key={loopId}>
            <dt>{nameOf(sheet.loops, loopId)}: same link, same tooth</dt>
            <dd className="reading">{turnsWords(turns)}</dd>
          </div>
        ))}
        {meshes.map(({ couplingId, turns }) => (
          <div key={couplingId}>
            <dt>Same teeth of {gear(couplingId)}</dt>
            <dd className="reading">{turnsWords(turns)}</dd>
          </div>
        ))}
        <div>
          <dt>Everything as it stood</dt>
          <dd className="reading">{turnsWords(allTurns)}</dd>
        </div>
      </dl>
      <p className="soft">
        Turns of the crank. Painted links or idler marks that do not meet after two turns prove nothing; crank and cam
        marks do.
      </p>
    </Fold>
  )
}
