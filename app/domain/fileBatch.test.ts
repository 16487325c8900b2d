import { expect, test } from 'vitest'
import type { Records } from '@link-count/core/model'
import { firstJob, oneChainSheet, entriesOf } from '@link-count/core/testing/oneChain'
import { batchOfFile } from './fileBatch'

const nothing: Records = { engines: [], sheets: [], jobs: [], entries: [] }
const noIds = { engines: [], sheets: [], jobs: [], entries: [] }
const entries = entriesOf([{ kind: 'note', text: 'a' }], 'd-own')
const asked = (device: string) => {
  let serial = 0
  return { device, newId: () => `new-${serial++}`, engineOf: (id: string) => (id === 'job' ? 'engine' : undefined) }
}

test('what is new and what is changed are one batch, and the engines that it touches wait for their summaries', () => {
  const add = { ...nothing, jobs: [{ ...firstJob, id: 'job-2', engineId: 'other' }], entries }
  const change = { ...nothing, sheets: [{ ...oneChainSheet(), engineId: 'third' }] }
  const { put } = batchOfFile({ add, change, drop: noIds }, [], asked('d-mine'))
  expect(put?.entries).toEqual(entries)
  expect(put?.sheets).toHaveLength(1)
  expect(put?.summaries?.map(({ id }) => id).sort()).toEqual(['engine', 'other', 'third'])
  expect(new Set(put?.summaries?.map(({ waiting }) => waiting)).size).toBe(3)
  expect(put?.meta).toBeUndefined()
})

test('a file with this device’s own work that was not here gives the device a new name', () => {
  const device = (own: string) =>
    batchOfFile({ add: { ...nothing, entries }, change: nothing, drop: noIds }, [], asked(own)).put?.meta?.find(
      ({ id }) => id === 'device',
    )?.value
  expect(device('d-own')).toMatch(/^d-/)
  expect(device('d-own')).not.toBe('d-own')
  expect(device('d-other')).toBeUndefined()
})

test('a sheet that the merge made is refused where it is none', () => {
  const change = { ...nothing, sheets: [{ ...oneChainSheet(), cycleDeg: 500 as never }] }
  expect(() => batchOfFile({ add: nothing, change, drop: noIds }, [], asked('d'))).toThrow()
})

test('what goes with something deleted is dropped in the same batch, its pictures too', () => {
  const drop = { ...noIds, entries: ['e-1'] }
  const batch = batchOfFile({ add: nothing, change: nothing, drop }, [], { ...asked('d'), picturesGone: ['p-1'] })
  expect(batch.drop).toMatchObject({ entries: ['e-1'], pictures: ['p-1'] })
})
