import type { PaperDrawing, PaperPart } from './drawing'

/** A drawing as an SVG document of true size: its user unit is one millimetre. */
export function svgOfDrawing({ widthMm, heightMm, parts }: PaperDrawing): string {
  const size = `width="${n(widthMm)}mm" height="${n(heightMm)}mm" viewBox="0 0 ${n(widthMm)} ${n(heightMm)}"`
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" ${size} stroke="#000" fill="none" font-family="sans-serif">`,
    ...parts.map(svgOfPart),
    '</svg>\n',
  ].join('\n')
}

function svgOfPart(part: PaperPart): string {
  if (part.kind === 'line') {
    return `<line x1="${n(part.x1)}" y1="${n(part.y1)}" x2="${n(part.x2)}" y2="${n(part.y2)}" stroke-width="${n(part.weightMm)}"/>`
  }
  if (part.kind === 'circle') {
    return `<circle cx="${n(part.x)}" cy="${n(part.y)}" r="${n(part.r)}" stroke-width="${n(part.weightMm)}"/>`
  }
  const { x, y, sizeMm, anchor, turnDeg, text } = part
  const turn = turnDeg === 0 ? '' : ` transform="rotate(${n(turnDeg)} ${n(x)} ${n(y)})"`
  return `<text x="${n(x)}" y="${n(y)}" font-size="${n(sizeMm)}" text-anchor="${anchor}" stroke="none" fill="#000"${turn}>${escape(text)}</text>`
}

const n = (value: number) => String(Number(value.toFixed(4)))
const escape = (text: string) =>
  text.replace(
    /[&<>"']/g,
    (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' })[sign] ?? sign,
  )
