import { Button } from '@mantine/core'
import { svgOfDrawing, tilePages, type PaperDrawing, type PaperSize } from '@link-count/core/paper'
import { download } from '../../ui/download'

/** A drawing to take away: as pages of paper, or whole. */
export function SaveDrawing({
  drawing,
  name,
  title,
  paper,
  words,
}: {
  drawing: PaperDrawing
  name: string
  title: string
  paper: PaperSize
  words: string
}) {
  const pages = tilePages(drawing, paper, title)
  const savePdf = async () => {
    const { pdfOfPages } = await import('../../ui/paper/pdfOfPages')
    download(`${name}-${paper.toLowerCase()}.pdf`, pdfOfPages(pages, title))
  }
  return (
    <div className="row">
      <Button variant="filled" onClick={() => void savePdf()}>
        {words} as PDF, {pages.length} {pages.length === 1 ? 'page' : 'pages'} of {paper}
      </Button>
      <Button
        variant="default"
        onClick={() => download(`${name}.svg`, new Blob([svgOfDrawing(drawing)], { type: 'image/svg+xml' }))}
      >
        {words} as SVG
      </Button>
    </div>
  )
}
