import { strToU8, zipSync } from 'fflate'
import { expect, test } from 'vitest'
import { entrySchema, type Records } from '@link-count/core/model'
import { makeFile } from '@link-count/core/file'
import version2 from '../fixtures/version-2.json'
import { readArchive, writeArchive } from '.'

const records = version2 as unknown as Records
const savedAt = '2026-11-24T05:00:00.000Z'
const bytesOf = async (blob: Blob) => new Uint8Array(await blob.arrayBuffer())

test('without pictures it is JSON and comes back the same', async () => {
  const { name, blob } = await writeArchive({ records, pictures: [], savedAt })
  expect(name).toBe('workshop-2026-11-24.linkcount.json')
  expect(readArchive(await bytesOf(blob), [])).toEqual({
    ok: true,
    value: { file: makeFile(records, savedAt), pictures: [] },
  })
})

test('pictures travel beside the JSON in a ZIP', async () => {
  const [first] = records.entries
  const entry = entrySchema.parse({
    id: 'pic-entry',
    jobId: first?.jobId,
    sheetId: first?.sheetId,
    device: 'd-1',
    counter: 99,
    at: savedAt,
    seenFrom: 'timing',
    conditions: [],
    typed: [],
    kind: 'picture',
    pictureId: 'pic-1',
    mediaType: 'image/png',
    bytes: 4,
    caption: 'crank mark',
  })
  const blob = new Blob([new Uint8Array([1, 2, 3, 4])], { type: 'image/png' })
  const saved = await writeArchive({
    records: { ...records, entries: [...records.entries, entry] },
    pictures: [{ id: 'pic-1', blob }],
    savedAt,
  })
  expect(saved.name).toMatch(/\.zip$/)
  const read = readArchive(await bytesOf(saved.blob), [])
  if (!read.ok) throw new Error(read.error.code)
  expect(read.value.file.entries.at(-1)).toEqual(entry)
  const [picture] = read.value.pictures
  expect(picture).toMatchObject({ id: 'pic-1', jobId: first?.jobId })
  expect(picture && [...(await bytesOf(picture.blob))]).toEqual([1, 2, 3, 4])
})

test.each([
  ['no JSON inside', zipSync({ 'other.txt': strToU8('x') }), 'foreign'],
  ['a broken ZIP', new Uint8Array([0x50, 0x4b, 3, 4, 9, 9]), 'notJson'],
  ['a path out of the folder', zipSync({ '../workshop.json': strToU8('{}') }), 'foreign'],
  ['a huge JSON inside', zipSync({ 'workshop.json': new Uint8Array(20_000_001) }), 'tooBig'],
  ['a huge file', new Uint8Array(20_000_001).fill(32), 'tooBig'],
])('%s is refused', (_name, bytes, code) => {
  expect(readArchive(bytes, [])).toMatchObject({ ok: false, error: { code } })
})
