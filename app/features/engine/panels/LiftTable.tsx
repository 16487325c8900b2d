import { Button } from '@mantine/core'
import { useRef, useState } from 'react'
import { camSpec, profileFromTable } from '@link-count/core/cams'
import { parseLiftTable, writeLiftTable } from '@link-count/core/file'
import type { Cam } from '@link-count/core/model'
import { download } from '../../../ui/download'
import { patchLobes, withValue, type LobeSet } from '../sheetChanges'
import { useSheetEditor } from '../SheetEditor'

/** A lobe as it was measured: opened from a CSV of angle and lift, or the lobe in use saved as one. */
export function LiftTable({ cam, set: lobes }: { readonly cam: Cam; readonly set: LobeSet }) {
  const { sheet, apply } = useSheetEditor()
  const input = useRef<HTMLInputElement>(null)
  const [refused, setRefused] = useState('')
  const { profile } = camSpec(sheet, cam)
  const set = (liftTable: Cam['liftTable']) => apply(patchLobes(lobes, (one) => withValue(one, 'liftTable', liftTable)))
  const read = async (file: File | undefined) => {
    setRefused('')
    if (!file) return
    const parsed = parseLiftTable(await file.text())
    if (!parsed.ok) return setRefused(tableWords(parsed.error.code, parsed.error.line))
    const made = profileFromTable(parsed.value)
    if (!made.ok) {
      return setRefused(
        made.error.code === 'tableNotRising'
          ? `The lift turns about at ${made.error.atDeg}°: it has to rise to its top and fall again. Nothing was changed.`
          : 'There are too few rows to draw a lobe through. Nothing was changed.',
      )
    }
    set(parsed.value)
  }
  const save = () => {
    if (!profile) return
    const rows = Array.from({ length: Math.floor(profile.toDeg - profile.fromDeg) + 1 }, (_, i) => {
      const deg = Math.ceil(profile.fromDeg) + i
      return { deg, liftMm: profile.liftAt(deg) }
    })
    download(`${cam.valve}-lift.csv`, new Blob([writeLiftTable(rows)], { type: 'text/csv' }))
  }
  return (
    <div className="stack">
      <p className="soft">
        {cam.liftTable
          ? `The lobe is drawn through a table of ${cam.liftTable.length} rows.`
          : profile
            ? 'The lobe is a stand-in through the figures above, good near them.'
            : 'With a top lift, and openings at a lift, a lobe is fitted.'}
      </p>
      <div className="row">
        <Button variant="default" onClick={() => input.current?.click()}>
          Open a lift table
        </Button>
        {profile && (
          <Button variant="quiet" onClick={save}>
            Save the lobe as a table
          </Button>
        )}
        {cam.liftTable && (
          <Button variant="quiet" onClick={() => set(undefined)}>
            Leave the table out
          </Button>
        )}
      </div>
      <input
        ref={input}
        type="file"
        accept=".csv,text/csv,text/plain"
        className="unseen"
        tabIndex={-1}
        aria-label={`Lift table, ${cam.valve}`}
        onChange={(event) => void read(event.currentTarget.files?.[0])}
      />
      {refused && (
        <p className="field-error" role="alert">
          {refused}
        </p>
      )}
    </div>
  )
}

const tableWords = (
  code: 'tooBig' | 'notNumbers' | 'tooManyRows' | 'tooFewRows' | 'outOfRange',
  line: number | undefined,
) =>
  ({
    tooBig: 'That file is too large for a lift table. Nothing was changed.',
    notNumbers: `Line ${line} is not an angle and a lift. Write them like: -120, 0.35. Nothing was changed.`,
    tooManyRows: 'A lift table has no more than 1500 rows. Nothing was changed.',
    tooFewRows: 'A lift table has four rows or more: angle from the lobe centre, lift in mm. Nothing was changed.',
    outOfRange: `Line ${line} lies outside what a lobe can be. Nothing was changed.`,
  })[code]
