import { readFileSync } from 'node:fs'
import Ajv2020 from 'ajv/dist/2020'
import { expect, test } from 'vitest'
import { makeFile } from '@link-count/core/file'
import { formatPage, jsonSchema } from './writeJsonSchema'

const read = (path: string) =>
  JSON.parse(readFileSync(new URL(path, import.meta.url), 'utf8')) as Record<string, unknown>
const stored = read('../docs/link-count-file.schema.json')

test('the stored JSON Schema is the one the Zod schemas make', () =>
  expect(stored).toEqual(JSON.parse(JSON.stringify(jsonSchema()))))

test('the page on the file format lists every kind of line as the schemas have it', async () =>
  expect(readFileSync(new URL('../docs/file-format.md', import.meta.url), 'utf8')).toBe(await formatPage()))

/** Every property under a schema, by its path, with its description. */
function propertiesOf(schema: unknown, path: string): { readonly path: string; readonly says: unknown }[] {
  if (typeof schema !== 'object' || schema === null) return []
  return Object.entries(schema).flatMap(([key, value]) =>
    key === 'properties'
      ? Object.entries(value as Record<string, Record<string, unknown>>).flatMap(([name, property]) => [
          // What is always the same word is its own description.
          ...('const' in property ? [] : [{ path: `${path}.${name}`, says: property['description'] }]),
          ...propertiesOf(property, `${path}.${name}`),
        ])
      : propertiesOf(value, path),
  )
}

test('every property says what it is, its unit and its sign', () => {
  const silent = propertiesOf(stored, 'file').filter(({ says }) => typeof says !== 'string' || says === '')
  expect([...new Set(silent.map(({ path }) => path))]).toEqual([])
})

test('an independent validator takes a saved file by it, and refuses a wrong one', () => {
  const { $schema: _dialect, ...schema } = stored
  const validate = new Ajv2020({ strict: false, validateFormats: false }).compile(schema)
  const file = JSON.parse(JSON.stringify(makeFile(read('../app/demo/workshop.json'), '2026-01-01T08:00:00.000Z')))
  expect(validate(file), JSON.stringify(validate.errors?.[0])).toBe(true)
  expect(validate({ ...file, version: 1 })).toBe(false)
  expect(validate({ ...file, extra: 1 })).toBe(false)
})
