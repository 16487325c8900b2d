import { Button } from '@mantine/core'
import { nanoid } from 'nanoid'
import type { BuildSheet, Fastened } from '@link-count/core/model'
import { addBolts, type BoltsBegun } from '../../sheetChanges'
import { useSheetEditor } from '../../SheetEditor'
import { useChosenPart } from '../../ChosenPart'
import { partKey } from '../../parts/engineParts'
import { Fields } from '../fields'
import { PartLink } from '../PartLink'

/** How such bolts usually lie and are tightened; each can be changed. */
const BEGUN: Readonly<Record<Fastened, (sheet: BuildSheet) => BoltsBegun>> = {
  cap: ({ shafts }) => ({
    name: 'Cap bolts',
    n: 10,
    laid: 'pairs',
    order: 'fromMiddle',
    ...ofFirst(shafts.find(({ kind }) => kind === 'cam')),
  }),
  head: () => ({ name: 'Head bolts', n: 10, laid: 'pairs', order: 'fromMiddle' }),
  flywheel: ({ shafts }) => ({
    name: 'Flywheel bolts',
    n: 6,
    laid: 'ring',
    order: 'star',
    ...ofFirst(shafts.find(({ kind }) => kind === 'crank')),
  }),
  sprocket: ({ members }) => ({
    name: 'Sprocket bolts',
    n: 4,
    laid: 'ring',
    order: 'crissCross',
    ...ofFirst(members.findLast(({ kind }) => kind === 'sprocket' || kind === 'pulley')),
  }),
  cover: () => ({ name: 'Cover bolts', n: 8, laid: 'ring', order: 'crissCross' }),
  pump: ({ followers }) => ({
    name: 'Pump bolts',
    n: 3,
    laid: 'ring',
    order: 'roundAndRound',
    ...ofFirst(followers?.[0]),
  }),
  other: () => ({ name: 'Bolts', n: 4, laid: 'ring', order: 'crissCross' }),
}

const ofFirst = (part: { readonly id: string } | undefined) => (part ? { ofId: part.id } : {})

const ADD: readonly (readonly [Fastened, string])[] = [
  ['cap', 'Of cam caps'],
  ['head', 'Of the head'],
  ['flywheel', 'Of the flywheel'],
  ['sprocket', 'Of a sprocket or pulley'],
  ['cover', 'Of a cover'],
  ['pump', 'Of a pump or magneto'],
  ['other', 'Of something else'],
]

/** Bolts and nuts that are tightened in an order: those that are written down, and another. */
export function BoltsPanel() {
  const { sheet, apply } = useSheetEditor()
  const { choose } = useChosenPart()
  const add = async (on: Fastened) => {
    const id = nanoid(10)
    if (await apply(addBolts(id, on, BEGUN[on](sheet)))) choose(partKey('boltGroup', id))
  }
  return (
    <Fields lead="Bolts that are tightened in an order, or in stages. Laid once on their drawing, each job tightens them there one after the other.">
      {(sheet.boltGroups ?? []).map(({ id, name }) => (
        <PartLink key={id} kind="boltGroup" id={id} words={name} />
      ))}
      <div className="row wide-field">
        {ADD.map(([on, words]) => (
          <Button key={on} variant="default" onClick={() => void add(on)}>
            {words}
          </Button>
        ))}
      </div>
    </Fields>
  )
}
