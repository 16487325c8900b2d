import { ensureInstalled } from './run.mjs'

ensureInstalled()
