import { writeFileSync } from 'node:fs'
import * as z from 'zod'
import { fileSchema } from '@link-count/core/model'

/** Writes the JSON Schema of the open file, from the only list of fields there is. */
export const jsonSchema = () => ({
  $id: 'link-count-file-1',
  title: 'Link Count file, version 1',
  ...z.toJSONSchema(fileSchema, { io: 'input', unrepresentable: 'any' }),
})

if (process.argv[1]?.endsWith('writeJsonSchema.ts')) {
  writeFileSync(
    new URL('../docs/link-count-file.schema.json', import.meta.url),
    `${JSON.stringify(jsonSchema(), null, 1)}\n`,
  )
}
