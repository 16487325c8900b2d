import { Button } from '@mantine/core'
import { useRegisterSW } from 'virtual:pwa-register/react'
import './UpdateOffer.css'

/** A newer Link Count is offered, never forced: nothing changes until it is taken. */
export function UpdateOffer() {
  const {
    needRefresh: [waiting, setWaiting],
    updateServiceWorker,
  } = useRegisterSW()
  if (!waiting) return null
  return (
    <aside className="update-offer" aria-label="Update">
      <p>A newer Link Count is ready. It can wait until the job is done.</p>
      <Button variant="default" onClick={() => void updateServiceWorker(true)}>
        Take it now
      </Button>
      <Button variant="quiet" onClick={() => setWaiting(false)}>
        Later
      </Button>
    </aside>
  )
}
