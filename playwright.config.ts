import { defineConfig } from '@playwright/test'

import { FEW, isSample } from './tests/browser/few'
import { firstPort, workers } from './tests/browser/servers'

/** What Playwright turns off too: of a switch given twice the last holds. */
const features = [
  // the popup of an address bar that nobody sees is a page of its own, drawn anew for every window: a seventh of a page's test
  'WebUIOmniboxPopup',
  'WebUIOmniboxAimPopup',
  'AvoidUnnecessaryBeforeUnloadCheckSync',
  'DestroyProfileOnBrowserClose',
  'HttpsFirstBalancedModeAutoEnable',
  'HttpsUpgrades',
  'MediaRouter',
  'NetworkTimeServiceQuerying',
  'OptimizationHints',
  'PaintHolding',
  'PreconnectToSearch',
  'ThirdPartyStoragePartitioning',
]

export default defineConfig({
  testDir: 'tests/browser',
  testMatch: process.env['SCREENSHOTS'] ? 'screenshots.ts' : '*.spec.ts',
  outputDir: 'test-results',
  workers,
  ...(isSample ? { grep: new RegExp(FEW.map((title) => title.replace(/[?.]/g, '\\$&')).join('|')) } : {}),
  retries: 0,
  // a whole visit takes a minute, and five on a machine that has other things to do
  timeout: 420_000,
  // a machine that also does something else may hold the browser still for half a minute: who waits longer loses nothing
  expect: { timeout: 60_000 },
  reporter: 'list',
  use: {
    // what cannot be touched by then never will: a test that waits for it says so soon, on a busy machine too
    actionTimeout: 45_000,
    viewport: { width: 1280, height: 800 },
    // a request that a worker passes on is seen by no test that looks at requests: the room that opens without a network allows it
    serviceWorkers: 'block',
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
        `--disable-features=${features.join(',')}`,
      ],
    },
  },
  webServer: Array.from({ length: workers }, (_, k) => firstPort + k).map((port) => ({
    command: `bash tests/browser/serve.sh ${port}`,
    port,
    reuseExistingServer: false,
    timeout: 90_000,
    stdout: 'ignore' as const,
    stderr: 'ignore' as const,
  })),
})
