import { SegmentedControl, TextInput } from '@mantine/core'
import type { Trust } from '@link-count/core/model'
import { Fold } from '../../ui/Fold'
import { useSheetEditor } from './SheetEditor'
import { useSource } from './source'
import { trustWords } from './TrustLetter'

const names: Record<Trust, string> = {
  measured: 'Measuring',
  manual: 'Reading from a book',
  memory: 'From memory',
  unknown: 'Where are the figures from?',
}

/** Where the figures come from that are typed now: said once, and it goes with each of them until it is said otherwise. */
export function ReadingFrom() {
  const { engineId } = useSheetEditor()
  const { source, setTrust, setWords } = useSource(engineId)
  return (
    <div className="reading-from">
      <Fold title={names[source.trust]} note={source.trust === 'unknown' ? 'said once' : source.words || 'said once'}>
        <SegmentedControl
          orientation="vertical"
          fullWidth
          aria-label="What is typed from now on is"
          value={source.trust}
          onChange={setTrust}
          data={(['measured', 'manual', 'memory', 'unknown'] as const).map((value) => ({
            value,
            label: trustWords[value].words,
          }))}
        />
        <TextInput
          label="Which book and page, or measured with what"
          placeholder="the manual, p. 41"
          value={source.words}
          onChange={(event) => setWords(event.currentTarget.value)}
          maxLength={100}
        />
      </Fold>
    </div>
  )
}
