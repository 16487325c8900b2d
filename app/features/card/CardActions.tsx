import { Button } from '@mantine/core'
import { useNavigate } from 'react-router'
import type { JobView } from '../../domain/views'
import { download } from '../../ui/download'
import { fileName } from '../../ui/fileName'
import { useAttempt } from '../../ui/useAttempt'
import { useWorkshop } from '../../ui/WorkshopContext'

/** What a card is called where it is saved: after engine, job and date. */
export const cardName = ({ engine, job, label }: JobView, what = 'card') =>
  fileName(engine.name, `job ${label}`, job.at.slice(0, 10), what)

/** The card to take away: on paper, as PDF, as a picture, and the short one to hang on the engine. */
export function CardActions({ view }: { readonly view: JobView }) {
  const { kind } = useWorkshop()
  const navigate = useNavigate()
  const attempt = useAttempt()
  const card = () => document.querySelector<HTMLElement>('article.card')
  const save = (as: 'pdf' | 'png') =>
    void attempt('The card', async () => {
      const element = card()
      if (!element) throw new Error('the card is not shown')
      const { cardPdf, cardPicture } = await import('./saveCard')
      if (as === 'pdf') download(`${cardName(view)}.pdf`, await cardPdf(element, cardName(view)))
      else download(`${cardName(view)}.png`, await cardPicture(element))
      return true
    })
  return (
    <div className="card-actions row">
      <Button variant="default" onClick={() => void navigate(`/${kind}/job/${view.job.id}/card/short`)}>
        Short card
      </Button>
      <Button variant="default" onClick={() => save('png')}>
        Picture
      </Button>
      <Button variant="default" onClick={() => save('pdf')}>
        PDF
      </Button>
    </div>
  )
}
