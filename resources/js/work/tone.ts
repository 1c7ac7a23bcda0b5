let context: AudioContext | undefined

/** One soft tone: low, half a second, no attack. */
export function tone(): void {
  context ??= new AudioContext()
  const at = context.currentTime
  const voice = context.createOscillator()
  const volume = context.createGain()
  voice.frequency.value = 220
  volume.gain.setValueAtTime(0, at)
  volume.gain.linearRampToValueAtTime(0.12, at + 0.08)
  volume.gain.exponentialRampToValueAtTime(0.001, at + 0.55)
  voice.connect(volume).connect(context.destination)
  voice.start(at)
  voice.stop(at + 0.6)
}
