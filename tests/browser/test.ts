import { test as plain, type BrowserContext } from '@playwright/test'
import { firstPort } from './servers'

export { expect, type Browser, type BrowserContext, type Locator, type Page } from '@playwright/test'

type State = Awaited<ReturnType<BrowserContext['storageState']>>
interface OfWorker {
  /** The therapist signed in, once a worker: for tests that only look at something. */
  nell: State
  /** The address of a visit that is open, of somebody with a course. */
  visit: string
  /** The address of a client with a course. */
  client: string
}
const address = (index: number): string => `http://127.0.0.1:${firstPort + index}`

export const test = plain.extend<object, OfWorker>({
  baseURL: ({}, use, info) => use(address(info.parallelIndex)),
  nell: [
    async ({ browser }, use, info) => {
      const context = await browser.newContext({ baseURL: address(info.parallelIndex) })
      const page = await context.newPage()
      await page.goto('/sign-in')
      await page.getByLabel('Address').fill('nell@lantern-yard.example')
      await page.getByLabel('Password').fill('lantern-yard')
      await page.getByRole('button', { name: 'Sign in' }).click()
      await page.waitForURL('**/')
      const state = await context.storageState()
      await context.close()
      await use(state)
    },
    { scope: 'worker', timeout: 60_000 },
  ],
  visit: [
    async ({ browser, nell }, use, info) => {
      const context = await browser.newContext({ baseURL: address(info.parallelIndex), storageState: nell })
      const page = await context.newPage()
      await find(page, 'Ottoline Brack')
      await page
        .getByRole('button', { name: /Start visit/ })
        .or(page.getByRole('link', { name: /Go on with visit/ }))
        .click()
      await page.waitForURL(/\/visits\/\w+\/\w+$/)
      const visit = new URL(page.url()).pathname.replace(/\/\w+$/, '')
      await context.close()
      await use(visit)
    },
    { scope: 'worker', timeout: 60_000 },
  ],
  client: [
    async ({ browser, nell }, use, info) => {
      const context = await browser.newContext({ baseURL: address(info.parallelIndex), storageState: nell })
      const page = await context.newPage()
      await find(page, 'Wendel Ash')
      const client = new URL(page.url()).pathname
      await context.close()
      await use(client)
    },
    { scope: 'worker', timeout: 60_000 },
  ],
})

async function find(page: import('@playwright/test').Page, name: string): Promise<void> {
  await page.goto('/clients')
  await page
    .getByRole('link', { name: new RegExp(name) })
    .first()
    .click()
  await page.waitForURL(/\/clients\/\w+$/)
}
