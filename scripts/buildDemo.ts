import { writeFileSync } from 'node:fs'
import { buildDemo } from '../app/demo/buildDemo'
import { summariesOf } from '../app/demo/summariesOf'

const write = (name: string, value: unknown) =>
  writeFileSync(new URL(`../app/demo/${name}`, import.meta.url), `${JSON.stringify(value)}\n`)

/** Writes the demo workshop from its readable scenario, and what the list of engines shows of it. */
const records = buildDemo()
write('workshop.json', records)
write('summaries.json', summariesOf(records))
