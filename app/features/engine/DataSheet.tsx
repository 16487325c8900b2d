import type { BuildSheet, Engine, Trusted } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { asDrawable } from '@link-count/core/scene'
import { FaceStill } from '../../ui/face'
import { figureOfWords, formatDate } from '../../ui/wording'
import { trustWords } from './TrustLetter'
import './DataSheet.css'

/** A figure with what it is of. */
interface Row {
  readonly of: string
  readonly what: string
  readonly figure: Trusted<unknown> | undefined
}

/** What an engine's page is on paper: its drawing and its figures, each with where it comes from, and nothing to fill in. */
export function DataSheet({ engine, sheet }: { readonly engine: Engine; readonly sheet: BuildSheet }) {
  const rows = rowsOf(sheet).filter(({ figure }) => figure && figure.typed !== '')
  const half = Math.ceil(rows.length / 2)
  return (
    <article className="data-sheet" aria-hidden="true">
      <h1>{engine.name}</h1>
      <p>
        {engine.description && `${engine.description} · `}Build sheet {sheet.version}, {formatDate(sheet.at)}
      </p>
      <div className="data-sheet-body">
        {sheet.members.length > 0 && <FaceStill sheet={asDrawable(sheet).sheet} width={300} height={320} />}
        {[rows.slice(0, half), rows.slice(half)].map((some, i) => (
          <table key={i}>
            <tbody>
              {some.map(({ of, what, figure }) => (
                <tr key={`${of} ${what}`}>
                  <th scope="row">
                    {of}
                    {of && ', '}
                    {what}
                  </th>
                  <td className="reading">{figure?.typed}</td>
                  <td>{figure && trustWords[figure.trust].letter}</td>
                </tr>
              ))}
            </tbody>
          </table>
        ))}
      </div>
      <p>
        {Object.values(trustWords)
          .map(({ letter, words }) => `${letter}: ${words}`)
          .join('; ')}
        . The maker’s manual comes first.
      </p>
    </article>
  )
}

const rowsOf = (sheet: BuildSheet): Row[] => [
  ...engineRows(sheet),
  ...driveRows(sheet),
  ...camRows(sheet),
  ...followerRows(sheet),
]

const followerRows = ({ followers }: BuildSheet): Row[] =>
  (followers ?? []).flatMap(({ name: of, wanted, slotRadiusMm, places, placesTo, impulse, advance }): Row[] => [
    ...(wanted
      ? [
          { of, what: figureOfWords[wanted.by], figure: wanted.value },
          { of, what: 'no less than', figure: wanted.least },
          { of, what: 'no more than', figure: wanted.most },
          { of, what: 'brisker', figure: wanted.brisker },
          { of, what: 'softer', figure: wanted.softer },
        ]
      : []),
    { of, what: 'middle to slots', figure: slotRadiusMm },
    { of, what: 'places', figure: places },
    { of, what: 'places, other row', figure: placesTo },
    { of, what: `lag, degrees of ${impulse?.of === 'crank' ? 'the crank' : 'its own'}`, figure: impulse?.lag },
    { of, what: `advance, degrees of ${advance?.of === 'crank' ? 'the crank' : 'its own'}`, figure: advance?.most },
  ])

const engineRows = (s: BuildSheet): Row[] => [
  { of: '', what: 'runs', figure: s.running },
  { of: '', what: 'valves and pistons meet', figure: s.interference },
  {
    of: '',
    what: 'marks are cut for',
    figure: s.referencePose.event === 'other' ? s.referencePose.crankDeg : undefined,
  },
  { of: '', what: 'firing order', figure: s.firingOrder },
  { of: '', what: 'stroke', figure: s.strokeMm },
  { of: '', what: 'rod', figure: s.rodMm },
  { of: '', what: 'wrist-pin offset', figure: s.pinOffsetMm },
  { of: '', what: 'plug seat to crown', figure: s.plugDepthMm },
  { of: '', what: 'that hole leans by', figure: s.plugAngleDeg },
  { of: '', what: 'once round the rim', figure: s.rimMm },
  { of: '', what: 'trim allowed', figure: s.trimDeg },
  { of: '', what: 'a cam may read out by', figure: s.safeOutDeg },
  { of: '', what: 'a cam may be out by', figure: s.toleranceDeg },
  ...s.banks.map(({ name, axisDeg }) => ({ of: name, what: 'stands towards', figure: axisDeg })),
  ...s.rimMarks.map(({ name, claimDeg }) => ({ of: name, what: 'claims', figure: claimDeg })),
]

function driveRows(s: BuildSheet): Row[] {
  const name = (id: string) => partsOf(s).mark(id)?.name ?? ''
  return [
    ...s.members.map((one) => ({
      of: one.name,
      what: one.teeth ? 'teeth' : 'radius',
      figure: one.teeth ?? one.radiusMm,
    })),
    ...s.loops.flatMap((loop) => [
      { of: loop.name, what: 'pitch', figure: loop.pitchMm },
      { of: loop.name, what: 'pitches in all', figure: loop.pitches },
    ]),
    ...s.shafts.flatMap(({ name: of, position }): Row[] =>
      position?.how === 'polar'
        ? [
            { of, what: 'distance', figure: position.distanceMm },
            { of, what: 'stands towards', figure: position.directionDeg },
          ]
        : position?.how === 'distances'
          ? position.from.map(({ shaftId, distanceMm }) => ({
              of,
              what: `from ${partsOf(s).shaft(shaftId)?.name ?? ''}`,
              figure: distanceMm,
            }))
          : [],
    ),
    ...s.couplings.flatMap(({ positions, positionsTo, toId }) => [
      { of: partsOf(s).shaft(toId)?.name ?? '', what: 'places', figure: positions },
      { of: partsOf(s).shaft(toId)?.name ?? '', what: 'places, other end', figure: positionsTo },
    ]),
    ...s.marks.map((mark) => ({ of: mark.name, what: 'points to', figure: mark.pointsAtDeg })),
    ...s.counts.map(({ fromMarkId, toMarkId, pitches }) => ({
      of: name(fromMarkId),
      what: `to ${name(toMarkId)}`,
      figure: pitches,
    })),
  ]
}

const camRows = (s: BuildSheet): Row[] =>
  (['inlet', 'exhaust'] as const).flatMap((valve) => {
    const cam = s.cams.find((one) => one.valve === valve)
    const of = valve === 'inlet' ? 'Inlet' : 'Exhaust'
    return [
      { of, what: 'opens', figure: cam?.opensDeg },
      { of, what: 'closes', figure: cam?.closesDeg },
      { of, what: 'at a lift of', figure: cam?.checkingLiftMm },
      { of, what: 'lobe centre', figure: cam?.centreDeg },
      { of, what: 'top lift', figure: cam?.topLiftMm },
      { of, what: 'lash', figure: cam?.lashMm },
      { of, what: 'lash, up to', figure: cam?.lashToMm },
    ]
  })
