import { xchacha20poly1305 } from '@noble/ciphers/chacha.js'

/**
 * What waits in this browser to be sent belongs to whoever made it. It lies sealed under a key that the server gives to them alone, with
 * each page and to nobody who is signed out, so that it can be read only while they are signed in, whatever ended the time before: signing
 * out, a closed lid, a session that ran out.
 */
const NONCE = 24
const meta = document.querySelector<HTMLMetaElement>('meta[name="somatrace-seal"]')
/** Who is signed in at this window, by number; none before sign-in. */
export const owner: string | null = meta?.dataset['user'] ?? null
const bytes = (text: string): Uint8Array => Uint8Array.from(atob(text), (sign) => sign.charCodeAt(0))
const text = (data: Uint8Array): string => btoa(Array.from(data, (byte) => String.fromCharCode(byte)).join(''))
const key = meta ? bytes(meta.content) : null
meta?.remove()

export function sealed(value: unknown): string {
  if (!key) throw new Error('nobody is signed in whose it could be')
  const nonce = crypto.getRandomValues(new Uint8Array(NONCE))
  const hidden = xchacha20poly1305(key, nonce).encrypt(new TextEncoder().encode(JSON.stringify(value)))
  const whole = new Uint8Array(NONCE + hidden.length)
  whole.set(nonce)
  whole.set(hidden, NONCE)
  return text(whole)
}

/** Null for what is somebody else's, or damaged. */
export function unsealed<T>(hidden: string | null): T | null {
  if (!key || !hidden) return null
  try {
    const whole = bytes(hidden)
    const plain = xchacha20poly1305(key, whole.slice(0, NONCE)).decrypt(whole.slice(NONCE))
    return JSON.parse(new TextDecoder().decode(plain)) as T
  } catch {
    return null
  }
}
