import { defineConfig, devices } from '@playwright/test'

const PORT = Number(process.env.E2E_PORT ?? 3110)

const CHROMIUM = {
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--no-first-run',
    '--disable-quic',
  ],
}

export default defineConfig({
  testDir: 'e2e',
  testMatch: '**/*.spec.ts',
  // No test depends on time: limits end what hangs, on however slow a machine.
  timeout: 900_000,
  expect: { timeout: 120_000 },
  fullyParallel: true,
  workers: 2,
  retries: 0,
  reporter: process.env.E2E_REPORT
    ? [['list'], ['json', { outputFile: process.env.E2E_REPORT }]]
    : [['list']],
  use: { actionTimeout: 120_000, baseURL: `http://127.0.0.1:${PORT}`, launchOptions: CHROMIUM, trace: 'off' },
  projects: [
    { name: 'desk', use: { viewport: { width: 1280, height: 800 } } },
    {
      name: 'phone',
      use: { ...devices['Pixel 7'], viewport: { width: 390, height: 844 }, launchOptions: CHROMIUM },
      grep: /@phone/,
    },
  ],
  webServer: {
    command: 'node .next/standalone/server.js',
    url: `http://127.0.0.1:${PORT}/api/health`,
    env: {
      PORT: String(PORT),
      HOSTNAME: '127.0.0.1',
      DATABASE_URL: process.env.DATABASE_URL ?? '',
      DEMO_FOLDER: `${import.meta.dirname}/demo`,
      LOG_LEVEL: 'warn',
    },
    reuseExistingServer: false,
    timeout: 120_000,
  },
})
