import { useState } from 'react'
import { Dialog } from './Dialog'
import { explained, type ExplainedWord } from './wording'
import './Word.css'

/** A word of the trade that says at a touch what it means. `as`: how it stands in the sentence. */
export function Word({ of, as = of }: { readonly of: ExplainedWord; readonly as?: string }) {
  const [open, setOpen] = useState(false)
  return (
    <>
      <button type="button" className="word" aria-haspopup="dialog" onClick={() => setOpen(true)}>
        {as}
      </button>
      {open && (
        <Dialog title={of.charAt(0).toUpperCase() + of.slice(1)} onClose={() => setOpen(false)}>
          <p>{explained[of]}</p>
        </Dialog>
      )}
    </>
  )
}
