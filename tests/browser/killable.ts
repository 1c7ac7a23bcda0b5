import { spawn, type ChildProcess } from 'node:child_process'
import { firstPort, workers } from './servers'

/** A server of a test's own, which can be killed in the middle of its work and started again on what it had. */
export class KillableServer {
  private process: ChildProcess | null = null
  readonly address: string

  constructor(index: number) {
    this.address = `http://127.0.0.1:${firstPort + workers + index}`
  }
  async start(goesOn = false): Promise<void> {
    const port = new URL(this.address).port
    this.process = spawn('bash', ['tests/browser/serve.sh', port], {
      detached: true,
      stdio: 'ignore',
      env: { ...process.env, ...(goesOn ? { GO_ON: '1' } : {}) },
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
  /** At once, with all it was doing. */
  kill(): void {
    if (this.process?.pid) process.kill(-this.process.pid, 'SIGKILL')
    this.process = null
  }
}
