import { Button } from '@mantine/core'
import { useAppDispatch } from '../store'
import { saveToFile } from '../ui/saveToFile'
import { useWorkshop } from '../ui/WorkshopContext'
import './StorageClosed.css'

/** The database was closed under the page: what is on the screen can still be saved to a file, and nothing more can be written. */
export function StorageClosed({ why }: { readonly why: string }) {
  const dispatch = useAppDispatch()
  const { kind, now } = useWorkshop()
  return (
    <div className="storage-closed" role="alert">
      <p>
        <strong>Nothing more can be written here.</strong> {why} Load the page again to go on.
      </p>
      <Button variant="filled" onClick={() => window.location.reload()}>
        Load it again
      </Button>
      <Button variant="default" onClick={() => void dispatch(saveToFile(kind, now()))}>
        Save what is on the screen to a file
      </Button>
    </div>
  )
}
