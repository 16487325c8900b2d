import { toString as codeOf } from 'qrcode'
import { useEffect, useState } from 'react'

/** A code to scan, drawn by a common package: plain text, no address. `alt`: what it holds. */
export function TextCode({ text, alt }: { readonly text: string; readonly alt: string }) {
  const [svg, setSvg] = useState('')
  useEffect(() => {
    let gone = false
    void codeOf(text, { type: 'svg', errorCorrectionLevel: 'M', margin: 4 }).then((drawn) => {
      if (!gone) setSvg(drawn)
    })
    return () => {
      gone = true
    }
  }, [text])
  return <img className="text-code" alt={alt} src={`data:image/svg+xml;utf8,${encodeURIComponent(svg)}`} />
}
