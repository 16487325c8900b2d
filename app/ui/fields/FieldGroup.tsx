import type { ReactNode } from 'react'
import './FieldGroup.css'

/** Fields that belong together, in a form of their own: at each change a browser reads through the form that a field stands in to offer what it could
 *  fill in, and through the whole page where it stands in none. Nothing is ever sent. */
export const FieldGroup = ({
  className = 'field-group',
  children,
}: {
  readonly className?: string
  readonly children: ReactNode
}) => (
  <form className={className} noValidate autoComplete="off" onSubmit={(event) => event.preventDefault()}>
    {children}
  </form>
)
