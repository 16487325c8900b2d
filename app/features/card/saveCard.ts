import { toCanvas } from 'html-to-image'
import { jsPDF } from 'jspdf'

/** Sharp enough to be read on paper. */
const PIXELS = 2

const pictureOf = (card: HTMLElement) =>
  toCanvas(card, { pixelRatio: PIXELS, backgroundColor: '#ffffff', style: { margin: '0' } })

/** The card as it is shown, as a PNG. */
export async function cardPicture(card: HTMLElement): Promise<Blob> {
  const canvas = await pictureOf(card)
  return blobOf(canvas, 'image/png')
}

/** A4 wide, and no longer than Letter, mm: it prints on either. The edge is what a printer leaves. */
const PAGE = { width: 210, height: 279, edge: 12 }

/** The card on pages of A4 that Letter takes as well: cut between rows, never through one. */
export async function cardPdf(card: HTMLElement, title: string): Promise<Blob> {
  const canvas = await pictureOf(card)
  const pdf = new jsPDF({ unit: 'mm', format: 'a4', compress: true })
  pdf.setProperties({ title })
  const perMm = canvas.width / (PAGE.width - 2 * PAGE.edge)
  const most = Math.floor((PAGE.height - 2 * PAGE.edge) * perMm)
  const cuts = pageCuts(rowEnds(card), canvas.height, most)
  cuts.slice(1).forEach((to, i) => {
    const from = cuts[i] ?? 0
    const part = document.createElement('canvas')
    part.width = canvas.width
    part.height = to - from
    part.getContext('2d')?.drawImage(canvas, 0, from, canvas.width, to - from, 0, 0, canvas.width, to - from)
    if (i > 0) pdf.addPage()
    pdf.addImage(part.toDataURL('image/png'), 'PNG', PAGE.edge, PAGE.edge, canvas.width / perMm, (to - from) / perMm)
  })
  return pdf.output('blob')
}

/** Where a row, a paragraph or a heading ends, in pixels of the picture. */
function rowEnds(card: HTMLElement): number[] {
  const top = card.getBoundingClientRect().top
  return [...card.querySelectorAll('tr, p, li, h1, caption, figure')].map((one) =>
    Math.ceil((one.getBoundingClientRect().bottom - top) * PIXELS),
  )
}

/** Where pages end: at the last row that still fits. */
export function pageCuts(ends: readonly number[], height: number, most: number): number[] {
  const cuts = [0]
  for (;;) {
    const from = cuts.at(-1) ?? 0
    if (height - from <= most) return [...cuts, height]
    const fits = ends.filter((end) => end > from && end - from <= most)
    cuts.push(fits.length > 0 ? Math.max(...fits) : from + most)
  }
}

const blobOf = (canvas: HTMLCanvasElement, type: string): Promise<Blob> =>
  new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('no picture was made'))), type),
  )
