import type { CauseCode, Diagnosis, Fit, NextReading } from '@link-count/core/diagnose'
import type { BuildSheet } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { fixed } from '@link-count/core/units'
import { inSentence, causeWords, couplingName } from '../../../../ui/wording'

/** What stands, group by group, with the reading that parts a group where there are several. */
export function CauseGroups({
  said,
  nextWords,
  sheet,
}: {
  readonly said: Diagnosis
  readonly nextWords: (next: NextReading) => string
  readonly sheet: BuildSheet
}) {
  const { groups, limitSigmas } = said
  return groups.map(({ fits, next }, i) => (
    <div key={i}>
      {fits.length > 1 && <p>These readings cannot tell one of these from another:</p>}
      {fits.length === 1 && i > 0 && <p>Or:</p>}
      <ul>
        {fits.map((fit) => (
          <li key={fit.causes.join(' ')}>
            <strong>{fit.causes.map((cause) => causeLine(cause, fit, sheet)).join('; and ')}.</strong>
            {fit.unmeasured && ' It would fit: measure the chain before you believe it.'}
          </li>
        ))}
      </ul>
      <p className="soft">
        No reading lies further than {fixed(Math.max(...fits.map(({ worstSigmas }) => worstSigmas)) / 2, 1)} times its ±
        from {fits.length > 1 ? 'these' : 'it'}; over {fixed(limitSigmas / 2, 1)} would rule it out.
      </p>
      {groups.length > 1 && fits.length > 1 && <p className="soft">To part them: {nextWords(next)}</p>}
    </div>
  ))
}

/** A cause by name with how large it is: in teeth, or in its own unit, part by part where it has several. */
function causeLine(cause: CauseCode, { sized, teeth, gearTeeth, orAtMeshes }: Fit, sheet: BuildSheet): string {
  const { name, size } = causeWords[cause]
  if (cause === 'teeth' || cause === 'gearTeeth') {
    const moved = Object.entries(cause === 'teeth' ? teeth : gearTeeth).filter(([, n]) => n !== 0)
    const or = cause === 'gearTeeth' ? orAtMeshes.map((id) => `, or ${meshName(id, sheet)}`).join('') : ''
    return `${name}: ${moved.map(([id, n]) => teethWords(id, n, sheet)).join(', ')}${or}`
  }
  const own = Object.entries(sized[cause] ?? {})
  const parts = own.filter(([, of]) => size && Math.abs(of) >= 0.5 * 10 ** -size.decimals)
  if (!size || parts.length === 0) return name
  const words = parts.map(
    ([id, of]) => `${own.length > 1 ? `${partName(id, sheet)} ` : ''}${fixed(of, size.decimals)}${size.unit}`,
  )
  return `${name}: ${words.join(', ')}`
}

function meshName(id: string, sheet: BuildSheet): string {
  const mesh = partsOf(sheet).coupling(id)
  return mesh ? inSentence(couplingName(mesh, sheet)) : id
}

function teethWords(id: string, n: number, sheet: BuildSheet): string {
  const name = partsOf(sheet).coupling(id) ? meshName(id, sheet) : partName(id, sheet)
  return `${name} ${Math.abs(n)} ${Math.abs(n) === 1 ? 'tooth' : 'teeth'} ${n > 0 ? 'late' : 'early'}`
}

const partName = (id: string, { loops, banks, shafts, members }: BuildSheet) =>
  inSentence([...loops, ...banks, ...shafts, ...members].find((one) => one.id === id)?.name) ?? ''
