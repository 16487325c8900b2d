import type { BuildSheet } from '../model/buildSheet'

/** One difference between two build sheets: a field of the sheet, a field of one part in a list, a part that came or went, or the order of a list. */
export type SheetEdit = (
  | { readonly of: 'field'; readonly key: string; readonly partId?: string; readonly partKey?: string }
  | { readonly of: 'part'; readonly key: string; readonly partId: string; readonly at: number }
  | { readonly of: 'order'; readonly key: string }
) & { readonly before: unknown; readonly after: unknown }

type Fields = Readonly<Record<string, unknown>>
interface Part extends Fields {
  readonly id: string
}

/** What a version of a sheet is, and not what it says of the engine. */
const OWN: ReadonlySet<string> = new Set(['id', 'version', 'at', 'engineId'])

/** What was changed from one build sheet to another, fine enough that a change of one field can be taken back while another field of the same part stays. */
export function sheetEdits(before: BuildSheet, after: BuildSheet): SheetEdit[] {
  const [was, is] = [before as unknown as Fields, after as unknown as Fields]
  return keysOf(was, is)
    .filter((key) => !OWN.has(key))
    .flatMap((key): SheetEdit[] => {
      const [a, b] = [was[key], is[key]]
      if (same(a, b)) return []
      if (isParts(a) && isParts(b)) return partEdits(key, a, b)
      return [{ of: 'field', key, before: a, after: b }]
    })
}

function partEdits(key: string, before: readonly Part[], after: readonly Part[]): SheetEdit[] {
  const gone = before.flatMap((part, at): SheetEdit[] =>
    after.some(({ id }) => id === part.id)
      ? []
      : [{ of: 'part', key, partId: part.id, at, before: part, after: undefined }],
  )
  const come = after.flatMap((part, at): SheetEdit[] =>
    before.some(({ id }) => id === part.id)
      ? []
      : [{ of: 'part', key, partId: part.id, at, before: undefined, after: part }],
  )
  const changed = before.flatMap((part): SheetEdit[] => {
    const now = after.find(({ id }) => id === part.id)
    if (!now) return []
    return keysOf(part, now)
      .filter((partKey) => !same(part[partKey], now[partKey]))
      .map((partKey) => ({
        of: 'field',
        key,
        partId: part.id,
        partKey,
        before: part[partKey],
        after: now[partKey],
      }))
  })
  const [wasOrder, isOrder] = [idsOf(before), idsOf(after)]
  const moved = !same(common(wasOrder, isOrder), common(isOrder, wasOrder))
  return [...gone, ...come, ...changed, ...(moved ? [orderEdit(key, wasOrder, isOrder)] : [])]
}

const orderEdit = (key: string, before: readonly string[], after: readonly string[]): SheetEdit => ({
  of: 'order',
  key,
  before,
  after,
})

export interface Undone {
  readonly sheet: BuildSheet
  /** What was left alone, because it says something else by now. */
  readonly skipped: readonly SheetEdit[]
}

/** A build sheet with changes taken back. A field that was changed again since, from elsewhere, is left as it is and named. */
export function undoEdits(sheet: BuildSheet, edits: readonly SheetEdit[]): Undone {
  const skipped: SheetEdit[] = []
  let now = sheet as unknown as Fields
  // What came goes before what went comes back, each list from its front, and the order last.
  for (const edit of [...edits].sort((a, b) => rank(a) - rank(b) || placeOf(a) - placeOf(b))) {
    const next = withoutEdit(now, edit)
    if (next) now = next
    else skipped.push(edit)
  }
  return { sheet: now as unknown as BuildSheet, skipped }
}

/** The same changes the other way: what redo takes back. */
export const turnedRound = (edits: readonly SheetEdit[]): SheetEdit[] =>
  edits.map((edit) => ({ ...edit, before: edit.after, after: edit.before }))

const rank = (edit: SheetEdit) =>
  edit.of === 'field' ? 0 : edit.of === 'order' ? 3 : edit.before === undefined ? 1 : 2
const placeOf = (edit: SheetEdit) => (edit.of === 'part' ? edit.at : 0)

/** Undefined where the sheet does not say any more what the change made of it. */
function withoutEdit(sheet: Fields, edit: SheetEdit): Fields | undefined {
  const list = sheet[edit.key]
  if (edit.of === 'field' && edit.partId === undefined)
    return same(list, edit.after) ? withField(sheet, edit.key, edit.before) : undefined
  if (!isParts(list)) return undefined
  const put = (parts: readonly Part[]) => ({ ...sheet, [edit.key]: parts })
  if (edit.of === 'order') {
    const [before, after] = [edit.before as string[], edit.after as string[]]
    const stands = same(common(idsOf(list), after), common(after, idsOf(list)))
    return stands ? put(inOrder(list, before)) : undefined
  }
  const at = list.findIndex(({ id }) => id === edit.partId)
  const part = list[at]
  if (edit.of === 'part') {
    if (edit.after === undefined)
      return part ? undefined : put([...list.slice(0, edit.at), edit.before as Part, ...list.slice(edit.at)])
    return part && same(part, edit.after) ? put(list.filter((one) => one !== part)) : undefined
  }
  if (!part || edit.partKey === undefined || !same(part[edit.partKey], edit.after)) return undefined
  return put(list.map((one) => (one === part ? (withField(one, edit.partKey ?? '', edit.before) as Part) : one)))
}

function withField(of: Fields, key: string, value: unknown): Fields {
  const { [key]: _gone, ...rest } = of
  if (value === undefined) return rest
  return key in of ? { ...of, [key]: value } : { ...rest, [key]: value }
}

/** The ids that are in the other list too. */
const common = (ids: readonly string[], others: readonly string[]) => ids.filter((id) => others.includes(id))

/** What the list does not name comes last. */
const inOrder = (parts: readonly Part[], ids: readonly string[]) => {
  const place = ({ id }: Part) => (ids.includes(id) ? ids.indexOf(id) : ids.length)
  return [...parts].sort((a, b) => place(a) - place(b))
}

const idsOf = (parts: readonly Part[]) => parts.map(({ id }) => id)
const keysOf = (a: Fields, b: Fields) => [...new Set([...Object.keys(a), ...Object.keys(b)])]
const isParts = (value: unknown): value is readonly Part[] =>
  Array.isArray(value) && value.every((one) => typeof one === 'object' && one !== null && 'id' in one)

/** Alike as what is written to a file: the order of fields says nothing. */
export function same(a: unknown, b: unknown): boolean {
  if (a === b) return true
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false
  if (Array.isArray(a) !== Array.isArray(b)) return false
  const keys = keysOf(a as Fields, b as Fields)
  return keys.every((key) => same((a as Fields)[key], (b as Fields)[key]))
}
