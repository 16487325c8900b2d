import { useMemo, useState, type ReactNode } from 'react'
import type { BareUnit } from '@link-count/core/units'
import { ListUnitContext } from './bareUnit'
import './FieldGroup.css'

/** Fields that belong together, in a form of their own: at each change a browser reads through the form that a field stands in to offer what it could
 *  fill in, and through the whole page where it stands in none. Nothing is ever sent. In which unit a length without one is, is said once for all of them. */
export function FieldGroup({
  className = 'field-group',
  children,
}: {
  readonly className?: string
  readonly children: ReactNode
}) {
  const [said, say] = useState<BareUnit>()
  const unit = useMemo(() => ({ said, say }), [said])
  return (
    <ListUnitContext value={unit}>
      <form className={className} noValidate autoComplete="off" onSubmit={(event) => event.preventDefault()}>
        {children}
      </form>
    </ListUnitContext>
  )
}
