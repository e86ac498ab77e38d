import path from 'node:path'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  resolve: { alias: { '@': path.resolve(import.meta.dirname) } },
  test: {
    include: ['{core,catalogue,server,ui,workers,cli,demo,standins,scripts}/**/*.test.{ts,tsx}'],
    // One more than it would take by itself on two cores: the tests are all reckoning.
    maxWorkers: '100%',
    testTimeout: 30_000,
    hookTimeout: 60_000,
  },
})
