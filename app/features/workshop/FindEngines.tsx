import { NativeSelect, TextInput } from '@mantine/core'
import { useEffect, useMemo, useState } from 'react'
import type { Engine } from '@link-count/core/model'
import type { Summaries } from '../../domain/summaries/slice'
import { useAppSelector } from '../../store'
import { engineFinder } from './engineFinder'
import './FindEngines.css'

const orders = {
  putIn: 'as they came in',
  worked: 'last worked on first',
  name: 'by name',
} as const
type Order = keyof typeof orders

function inOrder(engines: readonly Engine[], order: Order, summaries: Summaries): readonly Engine[] | undefined {
  const workedAt = ({ id, at }: Engine) => summaries.get(id)?.summary?.workedAt ?? at
  switch (order) {
    case 'putIn':
      return undefined
    case 'name':
      return [...engines].sort((a, b) => a.name.localeCompare(b.name))
    case 'worked':
      return [...engines].sort((a, b) => (workedAt(a) > workedAt(b) ? -1 : Number(workedAt(a) < workedAt(b))))
  }
}

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
  const summaries = useAppSelector((state) => state.summaries)
  const find = useMemo(() => engineFinder(engines), [engines])
  useEffect(() => {
    const byId = new Map(engines.map((engine) => [engine.id, engine]))
    if (text.trim() !== '') onFound(find(text).flatMap((id) => byId.get(id) ?? []))
    else onFound(inOrder(engines, order, summaries))
  }, [engines, find, onFound, order, summaries, text])
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
        data={Object.entries(orders).map(([value, label]) => ({ value, label }))}
      />
    </div>
  )
}
