import { test as plain, type BrowserContext } from '@playwright/test'
import { KillableServer } from './killable'
import { firstPort, workers } from './servers'

export { expect, type Browser, type BrowserContext, type Locator, type Page, type Route } from '@playwright/test'

type State = Awaited<ReturnType<BrowserContext['storageState']>>
interface OfWorker {
  /** The therapist signed in, once a worker: for tests that only look at something. */
  nell: State
  /** The address of a visit that is open, of somebody with a course. */
  visit: string
  /** The address of a client with a course. */
  client: string
  /** A server on which a clinic is empty and another is full of the longest words (database/seeders/LongestStory.php). */
  longest: Elsewhere
}
export interface Elsewhere {
  address: string
  /** Signed in there, once each. */
  as: (email: string) => Promise<State>
  /** Of the client with the longest name: their page, and an open visit of theirs. */
  client: string
  visit: string
}
const address = (index: number): string => `http://127.0.0.1:${firstPort + index}`

export const test = plain.extend<object, OfWorker>({
  baseURL: ({}, use, info) => use(address(info.parallelIndex)),
  nell: [
    async ({ browser }, use, info) => {
      const context = await browser.newContext({ baseURL: address(info.parallelIndex) })
      const page = await context.newPage()
      await comeIn(page, 'nell@lantern-yard.example', 'lantern-yard')
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
      const visit = await openVisit(page)
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
  longest: [
    async ({ browser }, use, info) => {
      const server = new KillableServer(workers + info.parallelIndex, 'LongestStory')
      await server.start()
      const states = new Map<string, State>()
      const as = async (email: string): Promise<State> => {
        const known = states.get(email)
        if (known) return known
        const context = await browser.newContext({ baseURL: server.address })
        const page = await context.newPage()
        await comeIn(page, email, 'long-and-longer')
        states.set(email, await context.storageState())
        await context.close()
        return states.get(email)!
      }
      const context = await browser.newContext({ baseURL: server.address, storageState: await as('owner@longest.example') })
      const page = await context.newPage()
      await find(page, 'Maximiliane')
      const client = new URL(page.url()).pathname
      const visit = await openVisit(page)
      await context.close()
      await use({ address: server.address, as, client, visit })
      server.kill()
    },
    { scope: 'worker', timeout: 120_000 },
  ],
})

async function comeIn(page: import('@playwright/test').Page, email: string, password: string): Promise<void> {
  await page.goto('/sign-in')
  await page.getByLabel('Address').fill(email)
  await page.getByLabel('Password').fill(password)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.waitForURL('**/')
}
async function openVisit(page: import('@playwright/test').Page): Promise<string> {
  await page
    .getByRole('button', { name: /Start visit/ })
    .or(page.getByRole('link', { name: /Go on with visit/ }))
    .click()
  await page.waitForURL(/\/visits\/\w+\/\w+$/)
  return new URL(page.url()).pathname.replace(/\/\w+$/, '')
}
async function find(page: import('@playwright/test').Page, name: string): Promise<void> {
  await page.goto('/clients')
  await page
    .getByRole('link', { name: new RegExp(name) })
    .first()
    .click()
  await page.waitForURL(/\/clients\/\w+$/)
}
