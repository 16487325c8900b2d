import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'
import { compression } from 'vite-plugin-compression2'
import { VitePWA } from 'vite-plugin-pwa'
import { buildId } from './buildId'
import { firstPageBudget } from './firstPageBudget'

export default defineConfig({
  root: import.meta.dirname,
  plugins: [
    react(),
    VitePWA({
      registerType: 'prompt',
      injectRegister: false,
      manifest: {
        name: 'Link Count',
        short_name: 'Link Count',
        description: 'Retiming engines by counting',
        display: 'standalone',
        background_color: '#DFE4E3',
        theme_color: '#13202A',
        icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2,webmanifest}'],
        navigateFallback: '/index.html',
        // In one file: a service worker of this origin may not load scripts by their address either.
        inlineWorkboxRuntime: true,
      },
    }),
    firstPageBudget(177_000),
    // Once, at the build: the server hands out what is there.
    compression({ algorithms: ['gzip', 'brotliCompress'], threshold: 1000 }),
  ],
  define: { __BUILD__: JSON.stringify(buildId()) },
  resolve: {
    alias: Object.fromEntries(
      ['html2canvas', 'dompurify', 'canvg'].map((name) => [name, `${import.meta.dirname}/ui/paper/notUsed.ts`]),
    ),
  },
  build: { target: 'es2022', sourcemap: false, manifest: true },
  server: { port: 5180 },
})
