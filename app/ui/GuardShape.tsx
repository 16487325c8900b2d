import type { GuardVerdict } from '@link-count/core/guard'
import { verdictShapeName } from './wording'

/** Disc with a tick, diamond with ±, octagon with a bar, broken ring with a question mark: a shape as well as a colour. */
export function GuardShape({ verdict, size = 40 }: { readonly verdict: GuardVerdict; readonly size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 40 40" role="img" aria-label={verdictShapeName[verdict]}>
      {shapes[verdict]}
    </svg>
  )
}

const shapes = {
  turn: (
    <>
      <circle cx="20" cy="20" r="18" fill="var(--ink)" />
      <path d="M11 21l6 6 12-13" fill="none" stroke="var(--sheet)" strokeWidth="4" />
    </>
  ),
  trim: (
    <>
      <path d="M20 1l19 19-19 19L1 20z" fill="var(--brass)" />
      <path d="M20 11v12M14 17h12M14 28h12" stroke="var(--brass-ground)" strokeWidth="3" />
    </>
  ),
  doNotTurn: (
    <>
      <path d="M12.500 2h15L38 12.500v15L27.500 38h-15L2 27.500v-15z" fill="var(--red)" />
      <path d="M9 20h22" stroke="var(--red-ground)" strokeWidth="6" />
    </>
  ),
  unknown: (
    <>
      <circle cx="20" cy="20" r="17" fill="none" stroke="var(--ink)" strokeWidth="3" strokeDasharray="6 3.500" />
      <text x="20" y="28" textAnchor="middle" fontSize="23" fontWeight="700" fill="var(--ink)" fontFamily="var(--text)">
        ?
      </text>
    </>
  ),
}
