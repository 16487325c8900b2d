import { strToU8, zipSync } from 'fflate'
import { describe, expect, test } from 'vitest'
import { entrySchema, type Records } from '@link-count/core/model'
import { makeFile, MOST_FILE_BYTES, parseFile } from '@link-count/core/file'
import { writeWav } from '@link-count/core/ear'
import { fileMigrations } from '../migrations'
import version2 from '../fixtures/version-2.json'
import { pictureType, readArchive, writeArchive } from '.'

const raised = parseFile(JSON.stringify(version2), fileMigrations)
if (!raised.ok) throw new Error(raised.error.code)
const { engines, sheets, jobs, entries } = raised.value
const records: Records = { engines, sheets, jobs, entries }
const savedAt = '2026-11-24T05:00:00.000Z'
const noPicture = () => Promise.resolve(undefined)
const read = (file: Blob, shown = true) => readArchive(file, { migrations: [], shown: () => Promise.resolve(shown) })
const blobOf = (...bytes: number[]) => new Blob([new Uint8Array(bytes)])
const png = blobOf(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 1, 2, 3, 4)
const zipOf = (parts: Record<string, Uint8Array>) => new Blob([zipSync(parts) as Uint8Array<ArrayBuffer>])

test('without pictures it is JSON and comes back the same', async () => {
  const { name, blob } = await writeArchive({ records, readPicture: noPicture, savedAt })
  expect(name).toBe('workshop-2026-11-24.linkcount.json')
  expect(await read(blob)).toEqual({
    ok: true,
    value: { file: makeFile(records, savedAt), pictures: [], picturesMissing: 0 },
  })
})

const [first] = records.entries
const pictured = entrySchema.parse({
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
  bytes: 12,
  caption: 'crank mark',
})
const withPicture = { ...records, entries: [...records.entries, pictured] }
const save = (blob: Blob = png) =>
  writeArchive({ records: withPicture, readPicture: () => Promise.resolve(blob), savedAt })

test('pictures travel beside the JSON in a ZIP', async () => {
  const saved = await save()
  expect(saved.name).toMatch(/\.zip$/)
  const archive = await read(saved.blob)
  if (!archive.ok) throw new Error(archive.error.code)
  expect(archive.value.file.entries.at(-1)).toEqual(pictured)
  const [picture] = archive.value.pictures
  expect(picture).toMatchObject({ id: 'pic-1', jobId: first?.jobId })
  expect(picture?.blob.type).toBe('image/png')
  expect(new Uint8Array((await picture?.blob.arrayBuffer()) ?? new ArrayBuffer())).toEqual(
    new Uint8Array(await png.arrayBuffer()),
  )
})

const wav = new Blob([writeWav({ samples: new Float32Array(400), sampleRate: 8000 }) as Uint8Array<ArrayBuffer>], {
  type: 'audio/wav',
})

test('recordings travel with it too, and come back as they were', async () => {
  const saved = await save(wav)
  const archive = await readArchive(saved.blob, { migrations: [] })
  if (!archive.ok) throw new Error(archive.error.code)
  expect(archive.value.picturesMissing).toBe(0)
  expect(archive.value.pictures[0]?.blob).toMatchObject({ type: 'audio/wav', size: wav.size })
})

test('a picture that is lost is counted, one that cannot be shown is refused', async () => {
  const json = (await writeArchive({ records: withPicture, readPicture: noPicture, savedAt })).blob
  expect(await read(json)).toMatchObject({ ok: true, value: { pictures: [], picturesMissing: 1 } })
  const { blob } = await save()
  expect(await read(blob, false)).toMatchObject({ ok: false, error: { code: 'badPicture', id: 'pic-1' } })
})

test.each([
  ['a JPEG', [0xff, 0xd8, 0xff, 0xe0], 'image/jpeg'],
  ['a PNG', [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a], 'image/png'],
  ['a WebP', [...'RIFF1234WEBP'].map((c) => c.charCodeAt(0)), 'image/webp'],
  ['a WAV', [...'RIFF1234WAVE'].map((c) => c.charCodeAt(0)), 'audio/wav'],
  ['an SVG', [...'<svg xmlns='].map((c) => c.charCodeAt(0)), undefined],
  ['HTML', [...'<!doctype html>'].map((c) => c.charCodeAt(0)), undefined],
  ['a GIF', [...'GIF89a'].map((c) => c.charCodeAt(0)), undefined],
  ['nothing', [], undefined],
])('%s is told by how it begins', async (_name, bytes, type) => {
  expect(await pictureType(new Blob([new Uint8Array(bytes)], { type: 'image/png' }))).toBe(type)
})

test('SVG that is called a PNG is refused', async () => {
  const svg = new Blob(['<svg xmlns="http://www.w3.org/2000/svg"><script>1</script></svg>'], { type: 'image/png' })
  expect(await read((await save(svg)).blob)).toMatchObject({ ok: false, error: { code: 'badPicture' } })
})

describe('ZIPs that are not what they say', () => {
  const huge = new Uint8Array(MOST_FILE_BYTES + 1)
  test.each<[string, () => Blob, string]>([
    ['no JSON inside', () => zipOf({ 'other.txt': strToU8('x') }), 'foreign'],
    ['broken', () => blobOf(0x50, 0x4b, 3, 4, 9, 9), 'notJson'],
    ['a path out of the folder', () => zipOf({ '../workshop.json': strToU8('{}') }), 'foreign'],
    ['zeros that unpack to more than a file may hold', () => zipOf({ 'workshop.json': huge }), 'tooBig'],
    ['a JSON that is too big by itself', () => new Blob([huge.fill(32)]), 'tooBig'],
  ])('%s', async (_name, make, code) => {
    expect(await read(make())).toMatchObject({ ok: false, error: { code } })
  })
  test('cut off anywhere, it is refused, or nothing of it is missing', async () => {
    const whole = new Uint8Array(await (await save()).blob.arrayBuffer())
    for (let at = 2; at < whole.length; at += Math.ceil(whole.length / 60)) {
      const cut = await read(new Blob([whole.slice(0, at)]))
      if (cut.ok) expect(cut.value).toMatchObject({ picturesMissing: 0, file: { entries: withPicture.entries } })
    }
  })
})

test('one limit for what is written and what is read, with a warning before it', async () => {
  const { nearlyFull, tooFull, jsonBytes } = await save()
  expect([nearlyFull, tooFull]).toEqual([false, false])
  expect(jsonBytes).toBeLessThan(MOST_FILE_BYTES)
})
