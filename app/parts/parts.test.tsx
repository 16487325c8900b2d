import { createElement } from 'react'
import { renderToString } from 'react-dom/server'
import { MantineProvider } from '@mantine/core'
import { expect, test } from 'vitest'
import { theme } from '../ui/theme'
import { Parts } from './Parts'

test('every part can be drawn by itself', () => {
  const page = renderToString(createElement(MantineProvider, { theme }, createElement(Parts)))
  for (const title of ['Shapes of the guard', 'The guard, for every reason', 'Drives as still pictures', 'Fields'])
    expect(page).toContain(title)
})
