import type { Job } from '../../model/engine'
import { isRemoved } from '../../model/isRemoved'
import type { Entry, EntryOf } from '../../model/entry'
import { startRotation } from '../rotation'
import type { StandSoFar } from './standSoFar'
import { asItCame, loosened } from './links'
import type { Apart, LostJob } from './stand'

const ended: Apart = { at: 'ended', totalDeg: undefined }

/** A job whose ledger cannot be had was here: every part that it may have undone, laid otherwise or left in is not known, nor where the crank stands,
 *  until somebody says what is seen. */
export function forgetAfter(soFar: StandSoFar, lost: LostJob): void {
  const { sheet } = soFar
  for (const [links, parts] of [
    [soFar.loops, sheet.loops],
    [soFar.couplings, sheet.couplings],
  ] as const)
    for (const { id } of parts)
      links.set(id, { ...asItCame, is: 'unknown', why: 'jobLost', apart: ended, suspect: true })
  for (const { id, kind } of sheet.members)
    if (kind === 'tensioner') soFar.tensioners.set(id, { is: 'unknown', totalDeg: undefined })
  soFar.reads.clear()
  soFar.touchedSinceRan = undefined
  soFar.touchedOn.add(sheet.id)
  soFar.rotation = { ...startRotation, totalDeg: soFar.rotation.totalDeg }
  soFar.poseSeenDeg = undefined
  soFar.placeSeen = undefined
  soFar.register = soFar.register.map((item) => ({ ...item, totalDeg: undefined }))
  loosened(soFar)
  soFar.lost = [...soFar.lost, lost]
}

/** Somebody looked over the whole engine and found nothing of that job in it. Its loops and couplings are still to be said one by one. */
export function settleLost(soFar: StandSoFar, { part }: EntryOf<'settled'>): void {
  if (part.about === 'job') soFar.lost = soFar.lost.filter(({ jobId }) => jobId !== part.id)
}

/** The jobs whose ledgers are not to be had: taken out, unreadable, or without a build sheet. `counter`: their last; undefined where that is not known
 *  either, and then they count as the last that was done. */
export function lostJobsOf(
  jobs: readonly Job[],
  entries: readonly Entry[],
  isReadable: (job: Job) => boolean,
): ReadonlyMap<string, LostJob & { readonly counter: number | undefined }> {
  const lost = new Map<string, LostJob & { readonly counter: number | undefined }>()
  for (const job of jobs) {
    const { id: jobId, number } = job
    if (job.removed && isRemoved(job)) {
      if (!job.removed.saidNothing) lost.set(jobId, { jobId, number, why: 'removed', counter: job.removed.counter })
    } else if (!isReadable(job)) {
      const its = entries.filter((entry) => entry.jobId === jobId)
      lost.set(jobId, { jobId, number, why: 'unreadable', counter: lastCounter(its) })
    }
  }
  return lost
}

const lastCounter = (entries: readonly Entry[]) =>
  entries.every(({ seen, counter }) => seen && Number.isFinite(counter))
    ? entries.reduce((most, { counter }) => Math.max(most, counter), 0)
    : undefined
