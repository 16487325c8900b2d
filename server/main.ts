import { fileURLToPath } from 'node:url'
import { makeApp } from './app'

const port = Number(process.env['PORT'] ?? 4180)
const folder = fileURLToPath(new URL('../app/dist', import.meta.url))

const server = makeApp(folder).listen(port, () => {
  console.log(`Link Count is at http://localhost:${port}/`)
})
server.on('error', (error) => {
  console.error(`Port ${port} cannot be used: ${error.message}. Choose another with PORT=4190 npm start.`)
  process.exitCode = 1
})
