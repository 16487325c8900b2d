import { cylindersRead, followerOfJob } from '@link-count/core/followers'
import { allOf, lastIn } from '@link-count/core/ledger'
import { partsOf } from '@link-count/core/sheet'
import { fixed, formatLateness, formatMm } from '@link-count/core/units'
import type { JobView } from '../../domain/views'
import { owedOf } from '../../ui/job'
import { figureOfWords, followerFigure, formatDate, inSentence, meterWords, nounsOf } from '../../ui/wording'

/** As many bytes as the code on a short card holds. */
export const MOST_CODE_BYTES = 600

/** The settings an engine was left with, a line each, what matters most first; nothing that was not read. */
export function shortCardLines(view: JobView): string[] {
  const { engine, job, label, sheet, state } = view
  const parts = partsOf(sheet)
  const lash = sheet.cams.flatMap((cam) => {
    const entry = lastIn(state, 'lash', 'left', cam.id) ?? lastIn(state, 'lash', 'found', cam.id)
    return entry ? [`${cam.name} ${formatMm(entry.gapMm)}`] : []
  })
  const counts = [
    ...new Map(state.counts.map((one) => [`${one.loopId} ${one.fromMarkId} ${one.toMarkId}`, one])).values(),
  ]
  const owed = owedOf(view).length
  return [
    engine.name,
    `Job ${label}, ${formatDate(job.at)}${job.meter ? `, ${meterWords(job.meter)}` : ''}`,
    ...(state.zero
      ? [
          `Zero: wheel reads ${fixed(state.zero.wheelDeg, 1)} at TDC ${parts.cylinder(sheet.zeroCylinderId)?.name ?? ''} ± ${fixed(2 * state.zero.sigmaDeg, 1)}, ${state.zero.proved ? 'proved' : 'read'}`,
        ]
      : []),
    ...sheet.shafts.flatMap(({ id, kind, name }) => {
      const timing = kind === 'cam' ? (state.timing[id]?.left ?? state.timing[id]?.found) : undefined
      if (!timing) return []
      const as = state.timing[id]?.left ? 'left' : 'found'
      return [
        `${name}: ${formatLateness(timing.latenessDeg)} ± ${fixed(timing.plusMinusDeg, 1)} ${as}, ${timing.proved ? 'proved' : 'read'}`,
      ]
    }),
    ...followerLines(view),
    ...counts.map(({ loopId, fromMarkId, toMarkId, counted }) => {
      const loop = parts.loop(loopId)
      const unit = loop ? nounsOf(loop).counted.many : ''
      return `${inSentence(parts.mark(fromMarkId)?.name) ?? ''} to ${inSentence(parts.mark(toMarkId)?.name) ?? ''}: ${counted} ${unit}`
    }),
    ...(lash.length > 0 ? [`Lash: ${lash.join(', ')}`] : []),
    ...allOf(state, 'deviation').map(
      ({ shaftId, latenessDeg, reason }) =>
        `${parts.shaft(shaftId)?.name ?? ''} left ${formatLateness(latenessDeg)}: ${reason}`,
    ),
    ...(owed > 0 ? [`${owed} owed: see the card`] : []),
  ]
}

/** Fuel and spark as they were left, with what they are set to. */
function followerLines({ sheet, state }: JobView): string[] {
  return (sheet.followers ?? []).flatMap((follower) =>
    cylindersRead(follower).flatMap((cylinderId) => {
      const { now, aim } = followerOfJob(sheet, state, follower, cylinderId)
      if (now?.value === undefined) return []
      const by = aim?.by ?? now.entry.by
      const of = cylinderId ? ` ${partsOf(sheet).cylinder(cylinderId)?.name ?? ''}` : ''
      const wanted = aim ? `, wanted ${followerFigure(by, aim.value)}` : ''
      return [
        `${follower.name}${of}: ${followerFigure(by, now.value)} ${figureOfWords[by]}, bolts ${now.entry.bolts}${wanted}`,
      ]
    }),
  )
}

/** The same as plain text that a code can hold: whole lines, cut at the end where there are too many, and that is said. */
export function shortCardText(lines: readonly string[], most = MOST_CODE_BYTES): string {
  const bytes = (text: string) => new TextEncoder().encode(text).length
  const MORE = '…'
  const whole = lines.join('\n')
  if (bytes(whole) <= most) return whole
  const kept: string[] = []
  for (const line of lines) {
    if (bytes([...kept, line, MORE].join('\n')) > most) break
    kept.push(line)
  }
  // One line that is too long by itself is cut within.
  if (kept.length === 0) {
    let cut = lines[0] ?? ''
    while (bytes(`${cut}${MORE}`) > most) cut = [...cut].slice(0, -1).join('')
    return `${cut}${MORE}`
  }
  return [...kept, MORE].join('\n')
}
