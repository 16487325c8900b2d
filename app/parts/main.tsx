import '@fontsource-variable/atkinson-hyperlegible-next'
import '@fontsource-variable/atkinson-hyperlegible-mono'
import '@mantine/core/styles.css'
import '../ui/theme.css'
import '../ui/parts.css'
import './parts.css'
import { MantineProvider } from '@mantine/core'
import { createRoot } from 'react-dom/client'
import { theme } from '../ui/theme'
import { Parts } from './Parts'

/* Every drawing, field and state of the guard by itself, light beside dark: `npm run parts`. It is no part of what is built. */

const scheme = new URLSearchParams(location.search).get('scheme')

const Both = () => (
  <div className="both-schemes">
    <iframe title="light" src="?scheme=light" />
    <iframe title="dark" src="?scheme=dark" />
  </div>
)

createRoot(document.getElementById('root') as HTMLElement).render(
  scheme === 'light' || scheme === 'dark' ? (
    <MantineProvider theme={theme} forceColorScheme={scheme} withCssVariables={false} withGlobalClasses={false}>
      <Parts />
    </MantineProvider>
  ) : (
    <Both />
  ),
)
