import { Button, NativeSelect } from '@mantine/core'
import type { BuildSheet, Relief } from '@link-count/core/model'
import { useDraft } from '../../../ui/fields'
import { reliefWords } from '../../../ui/wording'
import { useBench } from '../JobContext'
import './ReliefForm.css'

/** Every valve, then cylinder by cylinder, bank by bank, camshaft by camshaft, one by one. */
function choices({ cylinders, banks, shafts, cams }: BuildSheet): Relief[] {
  return [
    { what: 'all' },
    ...cylinders.map(({ id }): Relief => ({ what: 'cylinder', id })),
    ...(banks.length > 1 ? banks.map(({ id }): Relief => ({ what: 'bank', id })) : []),
    ...shafts.filter(({ kind }) => kind === 'cam').map(({ id }): Relief => ({ what: 'camshaft', id })),
    ...cams.map(({ id }): Relief => ({ what: 'valve', id })),
  ]
}

const keyOf = (of: Relief) => (of.what === 'all' ? 'all' : `${of.what}-${of.id}`.slice(0, 50))

/** Whose valves are relieved: rockers off or slack, so that nothing opens them. */
export function ReliefForm() {
  const { view, say } = useBench()
  const { sheet, job } = view
  const chosen = useDraft(`${job.id}:relief`, 'all')
  const list = choices(sheet)
  const of = list.find((one) => keyOf(one) === chosen.text) ?? { what: 'all' as const }
  return (
    <div className="relief-form">
      <NativeSelect
        label="Valves relieved: rockers off or slack"
        value={chosen.text}
        onChange={(event) => chosen.setText(event.currentTarget.value)}
        data={list.map((one) => ({ value: keyOf(one), label: upper(reliefWords(one, sheet)) }))}
      />
      <Button
        variant="default"
        onClick={() =>
          void say({
            kind: 'item',
            itemId: `relief-${keyOf(of)}`,
            item: 'valvesRelieved',
            where: '',
            change: 'in',
            of,
          })
        }
      >
        They are relieved
      </Button>
    </div>
  )
}

const upper = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
