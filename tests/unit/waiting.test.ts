import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { begin, LINE_MS, waiting, WORDS_MS } from '@/composables/waiting'

describe('what is waited for', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => void vi.useRealTimers())
  const after = (ms: number) => {
    vi.advanceTimersByTime(ms)
    return [waiting.line.value, waiting.seconds.value]
  }

  it('shows nothing of what is quick', () => {
    const end = begin()
    expect(after(LINE_MS - 10)).toEqual([false, 0])
    end()
    expect(after(10_000)).toEqual([false, 0])
  })
  it('draws a line, then counts whole seconds, and ends with the answer', () => {
    const end = begin()
    expect(after(LINE_MS + 10)).toEqual([true, 0])
    expect(after(WORDS_MS - LINE_MS)).toEqual([true, 1])
    expect(after(2 * WORDS_MS)).toEqual([true, 3])
    end()
    expect(after(0)).toEqual([false, 0])
  })
  it('is one waiting where several overlap, from the first to the last', () => {
    const first = begin()
    after(600)
    const second = begin()
    first()
    expect(after(WORDS_MS - 590)).toEqual([true, 1])
    first() // twice is once
    expect(waiting.line.value).toBe(true)
    second()
    expect(waiting.line.value).toBe(false)
  })
  it('begins anew after it ended', () => {
    begin()()
    const end = begin()
    expect(after(LINE_MS - 10)).toEqual([false, 0])
    end()
  })
})
