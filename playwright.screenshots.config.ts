import { defineConfig } from '@playwright/test'
import tests from './playwright.config'

/** `npm run screenshots`: the pictures in docs/screenshots, from the demo, on the build that is there. */
export default defineConfig({ ...tests, testDir: 'scripts', testMatch: 'screenshots.shots.ts', workers: 1 })
