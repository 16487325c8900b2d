import { readFileSync } from 'node:fs'
import Ajv2020 from 'ajv/dist/2020'
import { expect, test } from 'vitest'
import { jsonSchema } from './writeJsonSchema'

const read = (path: string) =>
  JSON.parse(readFileSync(new URL(path, import.meta.url), 'utf8')) as Record<string, unknown>
const stored = read('../docs/link-count-file.schema.json')

test('the stored JSON Schema is the one the Zod schemas make', () =>
  expect(stored).toEqual(JSON.parse(JSON.stringify(jsonSchema()))))

test('an independent validator takes a saved file by it, and refuses a wrong one', () => {
  const { $schema: _dialect, ...schema } = stored
  const validate = new Ajv2020({ strict: false, validateFormats: false }).compile(schema)
  const file = read('../app/db/fixtures/version-5.json')
  expect(validate(file), JSON.stringify(validate.errors?.[0])).toBe(true)
  expect(validate({ ...file, version: 1 })).toBe(false)
  expect(validate({ ...file, extra: 1 })).toBe(false)
})
