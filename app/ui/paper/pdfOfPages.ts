import { jsPDF } from 'jspdf'
import type { PaperDrawing, PaperPart } from '@link-count/core/paper'

/** Points in a millimetre: what sizes of type are told in. */
const POINTS_PER_MM = 72 / 25.4

/** Pages of true size as a PDF: its unit is the millimetre, nothing is fitted to anything. */
export function pdfOfPages(pages: readonly PaperDrawing[], title: string): Blob {
  const [first] = pages
  if (!first) throw new Error('Broken invariant: a PDF without pages')
  const sizeOf = ({ widthMm, heightMm }: PaperDrawing) => ({
    format: [widthMm, heightMm] as [number, number],
    orientation: widthMm > heightMm ? ('landscape' as const) : ('portrait' as const),
  })
  const pdf = new jsPDF({ unit: 'mm', ...sizeOf(first), compress: false, putOnlyUsedFonts: true, precision: 4 })
  pdf.setProperties({ title })
  pages.forEach((page, i) => {
    const { format, orientation } = sizeOf(page)
    if (i > 0) pdf.addPage(format, orientation)
    for (const part of page.parts) drawPart(pdf, part)
  })
  return pdf.output('blob')
}

function drawPart(pdf: jsPDF, part: PaperPart): void {
  if (part.kind === 'line') {
    pdf.setLineWidth(part.weightMm)
    pdf.line(part.x1, part.y1, part.x2, part.y2)
    return
  }
  if (part.kind === 'circle') {
    pdf.setLineWidth(part.weightMm)
    pdf.circle(part.x, part.y, part.r)
    return
  }
  pdf.setFontSize(part.sizeMm * POINTS_PER_MM)
  // Turned text is placed by its start: the library's own alignment does not turn with it.
  const share = { start: 0, middle: 0.5, end: 1 }[part.anchor]
  const back = share * pdf.getTextWidth(part.text)
  const rad = (part.turnDeg * Math.PI) / 180
  pdf.text(part.text, part.x - back * Math.cos(rad), part.y - back * Math.sin(rad), { angle: -part.turnDeg })
}
