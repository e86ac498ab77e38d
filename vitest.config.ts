import path from 'node:path'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  resolve: { alias: { '@': path.resolve(import.meta.dirname) } },
  test: {
    include: ['{core,catalogue,server,ui,workers,cli,demo,standins,scripts}/**/*.test.{ts,tsx}'],
    // One more than it would take by itself on two cores: the tests are all reckoning.
    maxWorkers: '100%',
    // What is read in once serves all files of a worker: no test leaves anything behind in a module.
    isolate: false,
    // No test depends on time: a limit ends what hangs, on however slow a machine.
    testTimeout: 900_000,
    hookTimeout: 900_000,
  },
})
