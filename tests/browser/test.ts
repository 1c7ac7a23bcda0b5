import { test as plain } from '@playwright/test'
import { firstPort } from './servers'

export { expect, type Browser, type Locator, type Page } from '@playwright/test'

export const test = plain.extend({
  baseURL: ({}, use, info) => use(`http://127.0.0.1:${firstPort + info.parallelIndex}`),
})
