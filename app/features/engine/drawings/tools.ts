import type { BuildSheet, Loop } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { addCoupling, addGearOn, addLoop, addMemberOn, addPlainOn, addShaftOn } from '../bendDrive'
import { nanoid } from 'nanoid'
import { addFollower, addMarkAt, type SheetChange } from '../sheetChanges'

export type ToolName =
  'idler' | 'guide' | 'tensioner' | 'shaft' | 'wheel' | 'loop' | 'gear' | 'splines' | 'mark' | 'follower'

/** What is touched: a free run after a part, a wheel at a place of its rim, a shaft without a wheel. */
export type Touched =
  | { readonly on: 'run'; readonly loopId: string; readonly afterId: string }
  | { readonly on: 'wheel'; readonly memberId: string; readonly halfTeeth: number | undefined }
  | { readonly on: 'shaft'; readonly shaftId: string }

interface Tool {
  readonly name: string
  /** What to touch, the first and the second time. */
  readonly asks: readonly string[]
  /** What it does with what was touched so far: a change, nothing yet, or why not. */
  readonly use: (sheet: BuildSheet, touched: readonly Touched[]) => SheetChange | undefined | string
}

const plain = (kind: 'idler' | 'guide' | 'tensioner', name: string): Tool => ({
  name,
  asks: ['Touch the run that it bears on.'],
  use: (_sheet, [first]) =>
    first?.on === 'run' ? addPlainOn(first.loopId, kind, first.afterId) : 'It bears on a free run: touch one.',
})

const loopOf = (sheet: BuildSheet, id: string): Loop | undefined => partsOf(sheet).loop(id)

const shaftOf = (sheet: BuildSheet, touched: Touched | undefined): string | undefined =>
  touched?.on === 'shaft'
    ? touched.shaftId
    : touched?.on === 'wheel'
      ? partsOf(sheet).member(touched.memberId)?.shaftId
      : undefined

/** Two shafts, touched one after the other. */
function twoShafts(
  sheet: BuildSheet,
  [first, second]: readonly Touched[],
  make: (from: string, to: string) => SheetChange,
) {
  const [from, to] = [shaftOf(sheet, first), shaftOf(sheet, second)]
  if (first && !from) return 'That is no shaft: touch a sprocket, pulley, gear or shaft.'
  if (!second) return undefined
  if (!to) return 'That is no shaft: touch a sprocket, pulley, gear or shaft.'
  return from === undefined || from === to ? 'It goes between two shafts: touch another.' : make(from, to)
}

/** What can be put on the drive by touching its drawing. */
export const tools: Readonly<Record<ToolName, Tool>> = {
  idler: plain('idler', 'Idler'),
  guide: plain('guide', 'Guide or shoe'),
  tensioner: plain('tensioner', 'Tensioner'),
  shaft: {
    name: 'Shaft',
    asks: ['Touch the run that its wheel comes into.'],
    use: (sheet, [first]) => {
      const loop = first?.on === 'run' ? loopOf(sheet, first.loopId) : undefined
      return loop && first?.on === 'run'
        ? addShaftOn(loop, first.afterId)
        : 'Its wheel comes into a free run: touch one.'
    },
  },
  wheel: {
    name: 'Wheel on a shaft',
    asks: ['Touch the shaft, or a wheel on it.', 'Touch the run that the wheel comes into.'],
    use: (sheet, [first, second]) => {
      const shaftId = shaftOf(sheet, first)
      if (!shaftId) return 'That is no shaft: touch a sprocket, pulley, gear or shaft.'
      if (!second) return undefined
      const loop = second.on === 'run' ? loopOf(sheet, second.loopId) : undefined
      return loop && second.on === 'run' ? addMemberOn(loop, shaftId, second.afterId) : 'Touch a free run.'
    },
  },
  loop: {
    name: 'Chain or belt',
    asks: ['Touch the shaft that it comes from.', 'Touch the shaft that it goes to.'],
    use: (sheet, touched) =>
      twoShafts(sheet, touched, (from, to) => addLoop(sheet.loops[0]?.kind ?? 'rollerChain', from, to)),
  },
  gear: {
    name: 'Gear in mesh',
    asks: ['Touch the gear that it meshes with.'],
    use: (sheet, [first]) => {
      const member = first?.on === 'wheel' ? partsOf(sheet).member(first.memberId) : undefined
      return member?.kind === 'gear' ? addGearOn(member.id) : 'That is no gear: touch one.'
    },
  },
  splines: {
    name: 'Splines',
    asks: ['Touch the shaft nearer the crank.', 'Touch the shaft that it drives.'],
    use: (sheet, touched) => twoShafts(sheet, touched, (from, to) => addCoupling('spline', from, to)),
  },
  mark: {
    name: 'Mark',
    asks: ['Touch the tooth or gap that it is on.'],
    use: (sheet, [first]) => {
      const member = first?.on === 'wheel' ? partsOf(sheet).member(first.memberId) : undefined
      if (!member || first?.on !== 'wheel') return 'Touch a sprocket, pulley or gear.'
      return addMarkAt(member, first.halfTeeth ?? 0)
    },
  },
  follower: {
    name: 'Pump or magneto',
    asks: ['Touch its shaft, or a wheel of that.'],
    use: (sheet, [first]) => {
      const shaft = partsOf(sheet).shaft(shaftOf(sheet, first))
      return shaft ? addFollower(shaft, nanoid(10)) : 'That is no shaft: touch a sprocket, pulley, gear or shaft.'
    },
  },
}

/** Whether a tool asks for a free run at its next touch: the others ask for a wheel or a shaft. */
export const asksRun = (name: ToolName, touched: number): boolean =>
  name === 'wheel' ? touched === 1 : ['idler', 'guide', 'tensioner', 'shaft'].includes(name)

/** Tools that this engine has something for. */
export const toolsFor = (sheet: BuildSheet): ToolName[] =>
  (Object.keys(tools) as ToolName[]).filter((name) => {
    if (name === 'gear') return sheet.members.some(({ kind }) => kind === 'gear')
    if (name === 'loop' || name === 'splines') return sheet.shafts.length > 1
    if (name === 'follower') return sheet.shafts.length > 0
    if (name === 'mark') return sheet.members.some(({ kind }) => kind !== 'hub')
    return sheet.loops.length > 0
  })
