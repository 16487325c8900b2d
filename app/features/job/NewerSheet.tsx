import { Button } from '@mantine/core'
import { useBench } from './JobContext'
import './NewerSheet.css'

/** The build sheet went on while this job was open: the job takes the newer version only when told to. */
export function NewerSheet() {
  const { view, say } = useBench()
  const { sheet, newestSheet, state } = view
  if (newestSheet.id === sheet.id || state.closed) return null
  return (
    <div className="move newer">
      <p>
        This job uses build sheet {sheet.version}; there is a newer one, {newestSheet.version}.
      </p>
      <Button variant="default" onClick={() => void say({ kind: 'sheet', toSheetId: newestSheet.id })}>
        Go on with {newestSheet.version}
      </Button>
    </div>
  )
}
