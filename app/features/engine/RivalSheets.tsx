import { Button } from '@mantine/core'
import { newestSheets, rivalSheets, sheetLabels } from '@link-count/core/sheet'
import type { BuildSheet } from '@link-count/core/model'
import { chooseSheet } from '../../domain/writes'
import { useAppDispatch } from '../../store'
import { useAttempt } from '../../ui/useAttempt'
import { formatDateTime } from '../../ui/wording'

/** Two build sheets of one number, made on two copies of the workshop: which is right has to be said before the guard knows again. */
export function RivalSheets({ sheets }: { readonly sheets: readonly BuildSheet[] }) {
  const dispatch = useAppDispatch()
  const attempt = useAttempt()
  const rivals = rivalSheets(sheets)
  if (!rivals) return null
  const labels = sheetLabels(sheets)
  return (
    <section className="warn stack" role="alert" aria-label="Which build sheet is right?">
      <p>
        <strong>Two build sheets have the same newest number.</strong> They were made on two devices beside each other,
        and differ in: {rivals.fields.map(fieldWords).join(', ')}. Until one is chosen the guard does not know.
      </p>
      {newestSheets(sheets).map((sheet) => (
        <div className="row" key={sheet.id}>
          <Button
            variant="default"
            onClick={() => void attempt('The build sheet', () => dispatch(chooseSheet(sheet.id)))}
          >
            {labels.get(sheet.id)} is right
          </Button>
          <span>
            Of {formatDateTime(sheet.at)}:{' '}
            {rivals.fields.map((key) => `${fieldWords(key)} ${figureWords(sheet[key])}`).join(', ')}
          </span>
        </div>
      ))}
    </section>
  )
}

/** A figure as it was typed; of a list, how many it has. */
function figureWords(value: unknown): string {
  if (value === undefined) return 'not known'
  if (Array.isArray(value)) return `(${value.length})`
  if (typeof value !== 'object' || value === null) return String(value)
  return 'typed' in value ? String(value.typed) : 'otherwise'
}

const words: Partial<Record<keyof BuildSheet, string>> = {
  running: 'running direction',
  interference: 'whether valves and pistons meet',
  strokeMm: 'stroke',
  rodMm: 'rod',
  pinOffsetMm: 'wrist-pin offset',
  rimMarks: 'marks of the rim',
  firingOrder: 'firing order',
  referencePose: 'timing position',
  members: 'sprockets, pulleys and other parts',
  loops: 'chains and belts',
  cams: 'valves and lobes',
  counts: 'counts from a book',
  sides: 'names of the sides',
}

const fieldWords = (key: keyof BuildSheet) =>
  words[key] ??
  key
    .replace(/(Deg|Mm)$/, '')
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase()
