import { useState } from 'react'
import { bandsText, parseBands } from '@link-count/core/diagnose'
import type { Arrival, BuildSheet, ChosenSchools, Engine, Job } from '@link-count/core/model'
import {
  arrivalLines,
  isTold,
  keepSchools,
  makeRunSheet,
  offAt,
  purposesOf,
  schoolsOf,
  withDriven,
} from '@link-count/core/runSheet'
import { parseNumber } from '@link-count/core/units'
import { selectEngines } from '../../domain/selectors'
import { selectInherited } from '../../domain/views'
import { changeSheet, openJob } from '../../domain/writes'
import { useAppDispatch, useAppSelector } from '../../store'
import { takenOf, useDraft } from '../../ui/fields'
import { useAttempt } from '../../ui/useAttempt'
import { useWorkshop } from '../../ui/WorkshopContext'
import type { Chosen, Kept } from './PurposeChoice'

export const METER_UNITS = ['hours', 'miles', 'km', 'races'] as const
export type MeterUnit = (typeof METER_UNITS)[number]

const noParts: ReadonlySet<string> = new Set()

/** How it likely came in, by how it was left. */
function arrivalLeft(sheet: BuildSheet, without: ReadonlySet<string>): Arrival {
  if (sheet.banks.some(({ id }) => without.has(id))) return 'headOff'
  if (sheet.shafts.some(({ id, kind }) => kind === 'cam' && without.has(id))) return 'camshaftsOut'
  return sheet.loops.some(({ id }) => without.has(id)) ? 'loopOff' : 'whole'
}

/** Everything that is chosen for a job that is to begin, and its beginning. */
export function useNewJob(engine: Engine, sheet: BuildSheet, like: Job | undefined) {
  const dispatch = useAppDispatch()
  const attempt = useAttempt()
  const { kind } = useWorkshop()
  const inherited = useAppSelector((state) => selectInherited(state, engine.id))
  const left = { without: inherited?.without ?? noParts, notKnown: inherited?.notKnown ?? noParts }
  const kept = useKept(engine)
  const reason = useDraft(`start-job:${engine.id}:reason`, like?.reason ?? '')
  const meter = useDraft(`start-job:${engine.id}:meter`)
  const [unit, setUnit] = useState<MeterUnit>('hours')
  const [chosen, setChosen] = useState<Chosen>(() => ({ purpose: like?.purpose ?? 'whole', kept: like?.asKept }))
  const coming = useComing(sheet, left.without)
  const [own, setOwn] = useState<ChosenSchools>(like?.schools ?? {})
  const [keep, setKeep] = useState(false)
  const bands = useBands(engine, own.ownBands ?? sheet.schools?.ownBands)
  const picked: ChosenSchools = { ...chosen.kept?.schools, ...own }
  const schools = schoolsOf(sheet, { schools: picked })
  const steps = makeRunSheet(sheet, { purpose: chosen.purpose, schools, kinds: chosen.kept?.kinds })
  const run = parseNumber(meter.text)
  const written = meter.text.trim() !== ''
  const badMeter = written && (!run.ok || run.value < 0 || run.value > 10_000_000)
  const wantsBands = schools.wearBy === 'own'
  const ready = !badMeter && isTold(sheet, coming.arrival, coming.off) && (!wantsBands || bands.value !== undefined)
  const begin = async (): Promise<string | undefined> => {
    if (!ready) return undefined
    const chosenSchools = {
      ...picked,
      ...(wantsBands && bands.value ? { ownBands: { bands: bands.value, source: bands.source.text.trim() } } : {}),
    }
    const said = Object.fromEntries(Object.entries(chosenSchools).filter(([, answer]) => answer !== undefined))
    let sheetId = sheet.id
    if (keep) {
      const row = await attempt('The build sheet', () =>
        dispatch(changeSheet(engine.id, (newest) => keepSchools(newest, said as ChosenSchools))),
      )
      if (!row) return undefined
      sheetId = row.id
    }
    const asked = {
      engineId: engine.id,
      sheetId,
      arrival: coming.arrival,
      ...(coming.off.size > 0 ? { without: [...coming.off] } : {}),
      reason: reason.text.trim(),
      purpose: chosen.purpose,
      ...(Object.keys(said).length > 0 ? { schools: said as ChosenSchools } : {}),
      ...(chosen.kept ? { asKept: chosen.kept } : {}),
      ...(written && run.ok ? { meter: { value: run.value, unit } } : {}),
    }
    const takes = takenOf([reason, meter, ...(wantsBands ? [bands.text, bands.source] : [])])
    const lines = arrivalLines(sheet, coming.arrival, coming.off, left)
    const job = await attempt('The job', () => dispatch(openJob(asked, takes, lines)), { key: 'start' })
    return job && `/${kind}/job/${job.id}`
  }
  return {
    inherited,
    kept,
    chosen: purposesOf(sheet).includes(chosen.purpose) || chosen.kept ? chosen : { purpose: 'whole' as const },
    choose: setChosen,
    ...coming,
    schools,
    chooseSchools: (one: ChosenSchools) => setOwn((before) => ({ ...before, ...one })),
    bands,
    keep,
    setKeep,
    steps,
    reason,
    meter,
    badMeter,
    unit,
    setUnit,
    ready,
    begin,
  }
}

/** How it came in, and what was off. */
function useComing(sheet: BuildSheet, left: ReadonlySet<string>) {
  const [coming, setComing] = useState<{ readonly arrival: Arrival; readonly off: ReadonlySet<string> }>(() => {
    const arrival = arrivalLeft(sheet, left)
    return { arrival, off: offAt(sheet, arrival, left) }
  })
  return {
    ...coming,
    setArrival: (arrival: Arrival) => setComing({ arrival, off: offAt(sheet, arrival, left) }),
    setOff: (id: string, isOff: boolean) =>
      setComing(({ arrival, off }) => ({
        arrival,
        off: isOff ? withDriven(sheet, new Set([...off, id])) : new Set([...off].filter((one) => one !== id)),
      })),
  }
}

/** Run sheets that were kept on this engine, and on others for any. */
function useKept(engine: Engine): readonly Kept[] {
  const engines = useAppSelector(selectEngines)
  return engines.flatMap((one) =>
    (one.templates ?? [])
      .filter(({ anyEngine }) => anyEngine || one.id === engine.id)
      .map((template) => ({ template, engine: one })),
  )
}

/** Bands of the workshop as they are typed. */
function useBands(engine: Engine, before: ChosenSchools['ownBands']) {
  const text = useDraft(`start-job:${engine.id}:bands`, before ? bandsText(before.bands) : '')
  const source = useDraft(`start-job:${engine.id}:bands-from`, before?.source ?? '')
  const parsed = parseBands(text.text)
  const error =
    text.text.trim() === '' || parsed.ok
      ? undefined
      : `Line ${parsed.line}: degrees, then what is done. The first is 0, each further out than the last.`
  const told = source.text.trim() !== ''
  return { text, source, error, value: parsed.ok && told ? parsed.value : undefined }
}
