import type { BuildSheet } from '../model/buildSheet'
import type { Job } from '../model/engine'
import type { ChosenSchools } from '../model/schools'

/** How a job is done where good mechanics differ: an answer to each question that has to have one. */
export interface Schools {
  readonly lashSet: NonNullable<ChosenSchools['lashSet']>
  /** Nobody chose: every way is offered alike. */
  readonly tdcBy: ChosenSchools['tdcBy']
  readonly reversing: NonNullable<ChosenSchools['reversing']>
  readonly trusts: ChosenSchools['trusts']
  readonly tensionBy: NonNullable<ChosenSchools['tensionBy']>
  readonly wearBy: ChosenSchools['wearBy']
  readonly ownBands: ChosenSchools['ownBands']
  readonly turns: number
  readonly dryRun: NonNullable<ChosenSchools['dryRun']>
  readonly loopGoesOn: NonNullable<ChosenSchools['loopGoesOn']>
  readonly followers: NonNullable<ChosenSchools['followers']>
}

/** Whose bands a late camshaft is held against; undefined where nobody chose. */
export const bandsWanted = ({ wearBy, ownBands }: Pick<Schools, 'wearBy' | 'ownBands'>) =>
  wearBy === 'own' ? ownBands?.bands : wearBy

/** A build sheet with what was chosen kept as the engine's way. Whose bands, and turning back, have a place of their own on it. */
export function keepSchools(sheet: BuildSheet, { reversing, wearBy, ...chosen }: ChosenSchools): BuildSheet {
  const { schools, school, ...rest } = sheet
  const { wearBy: _before, ...others } = schools ?? {}
  const bands = wearBy === 'own' ? { wearBy } : {}
  return {
    ...rest,
    ...(reversing ? { reversing } : {}),
    ...(wearBy && wearBy !== 'own' ? { school: wearBy } : wearBy === undefined && school ? { school } : {}),
    schools: { ...(wearBy === undefined ? schools : others), ...chosen, ...bands },
  }
}

/** How many full turns prove a drive where nobody chose. Source: handbook 13. */
export const PROOF_TURNS = 2

/** What a job is done by: what was chosen for it, else on the build sheet, else what is usual. */
export function schoolsOf(
  sheet: Pick<BuildSheet, 'schools' | 'school' | 'reversing'>,
  { schools }: Pick<Job, 'schools'>,
): Schools {
  const chosen: ChosenSchools = { ...sheet.schools, ...schools }
  return {
    lashSet: chosen.lashSet ?? 'beforeAndAfter',
    tdcBy: chosen.tdcBy,
    reversing: chosen.reversing ?? sheet.reversing,
    trusts: chosen.trusts,
    tensionBy: chosen.tensionBy ?? 'feel',
    wearBy: chosen.wearBy ?? sheet.school,
    ownBands: chosen.ownBands,
    turns: chosen.turns ?? PROOF_TURNS,
    dryRun: chosen.dryRun ?? 'no',
    loopGoesOn: chosen.loopGoesOn ?? 'whole',
    followers: chosen.followers ?? 'last',
  }
}
