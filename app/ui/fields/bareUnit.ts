import { createContext, useContext } from 'react'
import { BARE_UNITS, type BareUnit } from '@link-count/core/units'
import { useAppSelector } from '../../store'

/** Where the workshop keeps in which unit a length without one is. */
export const BARE_UNIT = 'bareUnit'

/** The unit that was said for one list of fields. */
export interface ListUnit {
  readonly said: BareUnit | undefined
  readonly say: (unit: BareUnit) => void
}

export const ListUnitContext = createContext<ListUnit | undefined>(undefined)

/** In which unit the workshop means lengths that are typed without one; undefined = each list is asked. */
export const useWorkshopUnit = (): BareUnit | undefined =>
  useAppSelector((state) => BARE_UNITS.find((unit) => unit === state.meta[BARE_UNIT]))

/** In which unit a number without one is, here; `say`: it was said, for this field and the others of its list. */
export function useBareUnit(): { readonly unit: BareUnit | undefined; readonly say: ListUnit['say'] } {
  const list = useContext(ListUnitContext)
  const workshop = useWorkshopUnit()
  return { unit: list?.said ?? workshop, say: list?.say ?? nothing }
}

const nothing = () => undefined
