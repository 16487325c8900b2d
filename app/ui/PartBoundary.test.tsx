import { act } from 'react'
import { createRoot } from 'react-dom/client'
import { expect, test, vi } from 'vitest'
import { PartBoundary } from './PartBoundary'

;(globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true

function Broken({ broken }: { readonly broken: boolean }) {
  if (broken) throw new Error('no such tooth')
  return <p>The drawing</p>
}

test('a part that fails says so, leaves the rest alone, and is tried again with what it goes by', () => {
  vi.spyOn(console, 'error').mockImplementation(() => undefined)
  const root = createRoot(document.body.appendChild(document.createElement('div')))
  const show = (broken: boolean) =>
    act(() =>
      root.render(
        <>
          <p>The guard</p>
          <PartBoundary of="The drawing" resetBy={[broken]}>
            <Broken broken={broken} />
          </PartBoundary>
        </>,
      ),
    )
  show(true)
  expect(document.body.textContent).toContain('The guard')
  expect(document.querySelector('[role=alert]')?.textContent).toContain('The drawing cannot be shown.')
  expect(document.body.textContent).toContain('no such tooth')
  show(false)
  expect(document.querySelector('[role=alert]')).toBeNull()
  expect(document.body.textContent).toContain('The drawing')
  act(() => root.unmount())
})
