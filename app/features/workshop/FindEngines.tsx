import { NativeSelect, TextInput } from '@mantine/core'
import { useEffect, useMemo, useState } from 'react'
import type { Engine } from '@link-count/core/model'
import { engineFinder } from './engineFinder'
import './FindEngines.css'

const orders = {
  putIn: { words: 'as they came in', by: (a: Engine, b: Engine) => (a.at < b.at ? -1 : Number(a.at > b.at)) },
  name: { words: 'by name', by: (a: Engine, b: Engine) => a.name.localeCompare(b.name) },
} as const
type Order = keyof typeof orders

/** Finds engines by words, and puts them in an order. Gives what is to be shown. */
export default function FindEngines({
  engines,
  onFound,
}: {
  readonly engines: readonly Engine[]
  readonly onFound: (engines: readonly Engine[] | undefined) => void
}) {
  const [text, setText] = useState('')
  const [order, setOrder] = useState<Order>('putIn')
  const find = useMemo(() => engineFinder(engines), [engines])
  useEffect(() => {
    const byId = new Map(engines.map((engine) => [engine.id, engine]))
    if (text.trim() !== '') onFound(find(text).flatMap((id) => byId.get(id) ?? []))
    else onFound(order === 'putIn' ? undefined : [...engines].sort(orders[order].by))
  }, [engines, find, onFound, order, text])
  return (
    <div className="find-engines">
      <TextInput
        aria-label="Find an engine"
        placeholder="Find an engine: its name, a tag"
        value={text}
        onChange={(event) => setText(event.currentTarget.value)}
        maxLength={80}
        autoFocus
      />
      <NativeSelect
        aria-label="In which order"
        value={order}
        onChange={(event) => setOrder(event.currentTarget.value as Order)}
        data={Object.entries(orders).map(([value, { words }]) => ({ value, label: words }))}
      />
    </div>
  )
}
