import { defineConfig } from '@playwright/test'
import base from './playwright.config'

const { projects: _journeys, ...rest } = base

export default defineConfig({ ...rest, testMatch: '*.benchmark.ts', workers: 1, timeout: 120_000, reporter: 'line' })
