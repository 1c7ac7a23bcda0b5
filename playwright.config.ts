import { defineConfig } from '@playwright/test'

const port = Number(process.env['BROWSER_PORT'] ?? 8123)

export default defineConfig({
  testDir: 'tests/browser',
  testMatch: process.env['SCREENSHOTS'] ? 'screenshots.ts' : '*.spec.ts',
  outputDir: 'test-results',
  workers: 1,
  retries: 0,
  timeout: 180_000,
  expect: { timeout: 8_000 },
  reporter: 'list',
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    // a recording costs as much as the tests themselves: TRACE=1 when one is wanted
    trace: process.env['TRACE'] ? 'retain-on-failure' : 'off',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--headless',
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  webServer: { command: `bash tests/browser/serve.sh ${port}`, port, reuseExistingServer: false, timeout: 60_000, stdout: 'ignore', stderr: 'ignore' },
})
