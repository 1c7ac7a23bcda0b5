import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    // a slow machine is no fault: what hangs is ended by whoever runs all of it
    testTimeout: 120_000,
    include: ['tests/unit/**/*.test.{ts,mjs}'],
    environment: 'node',
  },
  resolve: { alias: { '@': fileURLToPath(new URL('./resources/js', import.meta.url)) } },
})
