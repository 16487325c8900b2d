import { useState } from 'react'
import type { BuildSheet } from '@link-count/core/model'
import { useChosenPart } from '../ChosenPart'
import { partKey, type PartKind } from '../parts/engineParts'
import { useSheetEditor } from '../SheetEditor'
import { asksRun, tools, type ToolName, type Touched } from './tools'

/** A tool in hand, and what was touched with it so far. */
export interface ToolInHand {
  readonly name: ToolName | undefined
  /** What to touch now, or what was wrong with what was touched. */
  readonly words: string
  /** A free run is what is asked for now. */
  readonly asksRun: boolean
  readonly take: (name: ToolName | undefined) => void
  /** Undefined while no tool is in hand: then a touch goes to the part. */
  readonly touch: ((what: Touched) => void) | undefined
}

/** Takes a tool, touches what it asks for, and goes to what it made. */
export function useTool(): ToolInHand {
  const { sheet, apply } = useSheetEditor()
  const { choose } = useChosenPart()
  const [name, setName] = useState<ToolName>()
  const [touched, setTouched] = useState<readonly Touched[]>([])
  const [wrong, setWrong] = useState('')
  const take = (next: ToolName | undefined) => {
    setName(next)
    setTouched([])
    setWrong('')
  }
  const touch = async (what: Touched) => {
    if (!name) return
    const all = [...touched, what]
    const made = tools[name].use(sheet, all)
    if (typeof made === 'string') return setWrong(made)
    setWrong('')
    if (!made) return setTouched(all)
    take(undefined)
    const row = await apply(made)
    const fresh = row && newPart(sheet, row)
    if (fresh) choose(fresh)
  }
  return {
    name,
    words: wrong || (name ? (tools[name].asks[touched.length] ?? '') : ''),
    asksRun: name !== undefined && asksRun(name, touched.length),
    take,
    touch: name ? (what) => void touch(what) : undefined,
  }
}

const lists: readonly (readonly ['marks' | 'loops' | 'couplings' | 'shafts' | 'members' | 'followers', PartKind])[] = [
  ['loops', 'loop'],
  ['shafts', 'shaft'],
  ['members', 'wheel'],
  ['couplings', 'coupling'],
  ['marks', 'mark'],
  ['followers', 'follower'],
]

/** The first part that one sheet has and the other had not, the larger before what sits on it. */
function newPart(before: BuildSheet, after: BuildSheet): string | undefined {
  for (const [list, kind] of lists) {
    const fresh = (after[list] ?? []).find(({ id }) => !before[list]?.some((one) => one.id === id))
    if (fresh) return partKey(kind === 'wheel' && !('shaftId' in fresh) ? 'plain' : kind, fresh.id)
  }
  return undefined
}
