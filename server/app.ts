import { existsSync } from 'node:fs'
import { join } from 'node:path'
import express, { type Express, type NextFunction, type Request, type Response } from 'express'
import expressStaticGzip from 'express-static-gzip'
import helmet from 'helmet'

/** Serves the built app from one folder, with the headers that keep every request at home. */
export function makeApp(folder: string, { secure = false }: { readonly secure?: boolean } = {}): Express {
  const app = express()
  app.disable('x-powered-by')
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"],
          scriptSrc: ["'self'"],
          styleSrc: ["'self'"],
          imgSrc: ["'self'", 'blob:', 'data:'],
          mediaSrc: ["'self'", 'blob:'],
          fontSrc: ["'self'"],
          connectSrc: ["'self'"],
          workerSrc: ["'self'"],
          manifestSrc: ["'self'"],
          baseUri: ["'none'"],
          formAction: ["'none'"],
          frameAncestors: ["'none'"],
          ...(secure ? { upgradeInsecureRequests: [] } : {}),
          // Text is never made into markup or script; the one policy there is lets this origin's own workers through.
          requireTrustedTypesFor: ["'script'"],
          trustedTypes: ['default'],
        },
      },
      // A certificate made on the bench's own machine is no promise for the next year.
      strictTransportSecurity: false,
    }),
  )
  app.use((_request, response, next) => {
    response.setHeader('Permissions-Policy', 'camera=(), microphone=(self), geolocation=(), screen-wake-lock=(self)')
    next()
  })
  // An address that cannot be read is not there; nothing of this machine is said about it.
  app.use((request, response, next) => {
    try {
      decodeURIComponent(request.path)
      next()
    } catch {
      response.status(404).json({ error: 'notFound' })
    }
  })
  // Compressed at the build, once: see app/vite.config.ts.
  const compressed = { enableBrotli: true, orderPreference: ['br', 'gz'] as ('br' | 'gz')[], index: false as const }
  app.use(
    '/assets',
    expressStaticGzip(join(folder, 'assets'), {
      ...compressed,
      serveStatic: { immutable: true, maxAge: '1y', fallthrough: false },
    }),
  )
  app.use(expressStaticGzip(folder, { ...compressed, serveStatic: { maxAge: 0 } }))
  app.use((request, response) => {
    const page = join(folder, 'index.html')
    if (request.method !== 'GET' && request.method !== 'HEAD')
      return void response.status(405).json({ error: 'methodNotAllowed' })
    if (/\.[a-z0-9]+$/i.test(request.path)) return void response.status(404).json({ error: 'notFound' })
    if (!existsSync(page)) return void response.status(503).json({ error: 'notBuilt' })
    response.setHeader('Cache-Control', 'no-cache')
    response.sendFile(page)
  })
  app.use((error: Error & { status?: number }, _request: Request, response: Response, _next: NextFunction) => {
    const ours = (error.status ?? 500) >= 500
    response.status(ours ? 500 : 404).json({ error: ours ? 'failed' : 'notFound' })
  })
  return app
}
