import { expect } from '@playwright/test'

/** Says a figure beside its goal; the benchmark fails where it is missed, and goes on to the next. */
export function goal(what: string, value: number, { most, unit }: { readonly most: number; readonly unit: string }) {
  console.log(`${what}: ${value.toFixed(unit === 'times' ? 2 : 1)} ${unit}, goal ${most}`)
  expect.soft(value, what).toBeLessThanOrEqual(most)
}
