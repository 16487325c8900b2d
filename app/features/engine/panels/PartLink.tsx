import { Button } from '@mantine/core'
import { useChosenPart } from '../ChosenPart'
import { partKey, type PartKind } from '../parts/engineParts'

/** Goes on to a part that belongs to this one. */
export function PartLink({
  kind,
  id,
  words,
}: {
  readonly kind: PartKind
  readonly id: string
  readonly words: string
}) {
  const { choose } = useChosenPart()
  return (
    <Button variant="quiet" onClick={() => choose(partKey(kind, id))}>
      {words}
    </Button>
  )
}
