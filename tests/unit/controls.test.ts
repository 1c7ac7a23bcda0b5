import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, it } from 'vitest'

const files = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((one) =>
    one.isDirectory() ? files(join(folder, one.name)) : one.name.endsWith('.vue') ? [join(folder, one.name)] : [],
  )

it('no page shows a control of the browser: choices, days, times, numbers and files are our own', () => {
  const native = /<(select|option|datalist)\b|type="(date|time|datetime-local|month|week|number|range|color|checkbox|radio|file)"/g
  const found = files('resources/js').flatMap((path) =>
    [...readFileSync(path, 'utf8').matchAll(native)].map(([text]) => `${path}: ${text}`),
  )
  // the one field that opens the browser's own choice of files; it is not seen
  expect(found).toEqual(['resources/js/controls/FileButton.vue: type="file"'])
  expect(files('resources/js').length).toBeGreaterThan(80)
})
