import { inSentence } from '../../ui/wording'
import { readDrive } from '@link-count/core/drive'
import type { BuildSheet } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { fixed } from '@link-count/core/units'
import { Fold } from '../../ui/Fold'
import './RunTable.css'

/** Every run and wrap of every loop, in the order of travel, to check by calliper and by eye. */
export function RunTable({ sheet }: { readonly sheet: BuildSheet }) {
  const solved = sheet.loops.flatMap((loop) => {
    const one = readDrive(sheet).solved(loop)
    return one.ok && one.value.drawn === 'toScale' ? [{ loop, value: one.value }] : []
  })
  if (solved.length === 0) return null
  const nameOf = (id: string) => partsOf(sheet).member(id)?.name ?? id
  return (
    <Fold title="Runs and wraps">
      {solved.map(({ loop, value }) => (
        <div
          key={loop.id}
          className="paper-scroll"
          tabIndex={0}
          role="region"
          aria-label={`Runs and wraps of the ${inSentence(loop.name)}`}
        >
          {solved.length > 1 && <h3>{loop.name}</h3>}
          <table className="run-table">
            <thead>
              <tr>
                <th scope="col">Round</th>
                <th scope="col">Wrap</th>
                <th scope="col">Teeth</th>
                <th scope="col">Run on, mm</th>
              </tr>
            </thead>
            <tbody>
              {value.runs.map(({ fromMemberId, kind, pitches }) => {
                const arc = value.path.pieces.find((piece) => piece.kind === 'arc' && piece.memberId === fromMemberId)
                const toothed = value.members.find(({ memberId }) => memberId === fromMemberId)?.teeth
                return (
                  <tr key={fromMemberId}>
                    <th scope="row">{nameOf(fromMemberId)}</th>
                    <td className="reading">{arc?.kind === 'arc' ? `${fixed(Math.abs(arc.sweepDeg), 1)}°` : ''}</td>
                    <td className="reading">{toothed && arc ? fixed(arc.pitches, 1) : ''}</td>
                    <td className="reading">
                      {fixed(pitches * value.path.pitchMm, 1)} {kind}
                    </td>
                  </tr>
                )
              })}
            </tbody>
          </table>
        </div>
      ))}
    </Fold>
  )
}
