import { defineConfig } from '@playwright/test'
import base from './playwright.config'

const { projects: _journeys, ...rest } = base

export default defineConfig({ ...rest, testMatch: 'screenshots.capture.ts', reporter: 'line' })
