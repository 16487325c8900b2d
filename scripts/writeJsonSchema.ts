import { readFileSync, writeFileSync } from 'node:fs'
import { format, resolveConfig } from 'prettier'
import * as z from 'zod'
import { entrySchema, FILE_VERSION, fileSchema } from '@link-count/core/model'

const docs = (name: string) => new URL(`../docs/${name}`, import.meta.url)

/** The JSON Schema of the open file, from the only list of fields there is. */
export const jsonSchema = () => ({
  $id: `link-count-file-${FILE_VERSION}`,
  title: `Link Count file, version ${FILE_VERSION}`,
  ...z.toJSONSchema(fileSchema, { io: 'input', unrepresentable: 'any' }),
})

/** The page on the file format with the table of kinds of lines as the schema has them. */
export async function formatPage(): Promise<string> {
  const page = docs('file-format.md')
  const rows = entrySchema.options.map((option) => `| \`${option.shape.kind.value}\` | ${option.description ?? ''} |`)
  const table = ['| kind | what it says |', '| --- | --- |', ...rows.sort()].join('\n')
  const [before, rest] = readFileSync(page, 'utf8').split('<!-- kinds -->\n')
  const [, after] = (rest ?? '').split('<!-- end of kinds -->')
  const text = `${before ?? ''}<!-- kinds -->\n\n${table}\n\n<!-- end of kinds -->${after ?? ''}`
  return format(text, { ...(await resolveConfig(page.pathname)), parser: 'markdown' })
}

if (process.argv[1]?.endsWith('writeJsonSchema.ts')) {
  writeFileSync(docs('link-count-file.schema.json'), `${JSON.stringify(jsonSchema(), null, 1)}\n`)
  writeFileSync(docs('file-format.md'), await formatPage())
}
