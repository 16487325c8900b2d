import { writeFileSync } from 'node:fs'
import { buildDemo } from '../app/demo/buildDemo'

/** Writes the demo workshop from its readable scenario. */
writeFileSync(new URL('../app/demo/workshop.json', import.meta.url), `${JSON.stringify(buildDemo())}\n`)
