import './shell/ownScripts'
import '@fontsource-variable/atkinson-hyperlegible-next'
import '@fontsource-variable/atkinson-hyperlegible-mono'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { App } from './shell/App'

const root = document.getElementById('root')
if (!root) throw new Error('Broken invariant: the page has no root')
createRoot(root).render(
  <StrictMode>
    <App />
  </StrictMode>,
)
