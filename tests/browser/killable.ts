import { spawn, type ChildProcess } from 'node:child_process'
import { rmSync, writeFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { firstPort, workers } from './servers'

/** A server of a test's own, which can be killed in the middle of its work and started again on what it had, and whose clock goes on. */
export class KillableServer {
  private process: ChildProcess | null = null
  readonly address: string
  private readonly clock: string
  private ahead = 0

  /** `story`: what is told there instead of the demo's, a seeder. */
  constructor(
    index: number,
    private readonly story = '',
  ) {
    this.address = `http://127.0.0.1:${firstPort + workers + index}`
    this.clock = resolve(`storage/framework/testing/clock-${firstPort + workers + index}`)
    rmSync(this.clock, { force: true })
  }
  async start(goesOn = false): Promise<void> {
    const port = new URL(this.address).port
    this.process = spawn('bash', ['tests/browser/serve.sh', port], {
      detached: true,
      stdio: 'ignore',
      env: {
        ...process.env,
        CLOCK: this.clock,
        ROUTER: 'tests/browser/router.php',
        STORY: this.story,
        ...(goesOn ? { GO_ON: '1' } : {}),
      },
    })
    for (let tries = 0; tries < 600; tries++) {
      if (
        await fetch(`${this.address}/up`)
          .then((answer) => answer.ok)
          .catch(() => false)
      )
        return
      await new Promise((wait) => setTimeout(wait, 200))
    }
    throw new Error('the server did not come up')
  }
  /** So many days later, for the server: whoever was signed in has to come in again. */
  later(days: number): void {
    this.ahead += days * 86_400
    writeFileSync(this.clock, String(this.ahead))
  }
  /** At once, with all it was doing. */
  kill(): void {
    if (this.process?.pid) process.kill(-this.process.pid, 'SIGKILL')
    this.process = null
  }
}
