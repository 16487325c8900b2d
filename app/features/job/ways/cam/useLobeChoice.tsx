import { NativeSelect } from '@mantine/core'
import type { Cam, Shaft } from '@link-count/core/model'
import { useDraft } from '../../../../ui/fields'
import { useBench } from '../../JobContext'

/** The lobe of a camshaft that is being read, kept while it is. */
export function useLobeChoice(
  key: string,
  shaft: Shaft,
): { readonly cam: Cam | undefined; readonly choice: React.ReactNode } {
  const { view } = useBench()
  const own = view.sheet.cams.filter(({ shaftId }) => shaftId === shaft.id)
  const chosen = useDraft(key, own[0]?.id ?? '')
  const cam = own.find(({ id }) => id === chosen.text) ?? own[0]
  const choice =
    own.length < 2 ? null : (
      <NativeSelect
        label="Valve"
        value={cam?.id ?? ''}
        onChange={(event) => chosen.setText(event.currentTarget.value)}
        data={own.map(({ id, name }) => ({ value: id, label: name }))}
      />
    )
  return { cam, choice }
}
