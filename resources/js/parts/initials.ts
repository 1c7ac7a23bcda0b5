/** The first letter of the first word and of the last, as whole signs; of what has no letters its first sign. */
export function initials(name: string): string {
  const words = name.split(/\s+/u).flatMap((word) => /\p{L}\p{M}*/u.exec(word)?.[0] ?? [])
  const found = words.length > 1 ? [words[0], words.at(-1)] : words
  if (found.length) return found.join('').toLocaleUpperCase()
  return [...new Intl.Segmenter(undefined, { granularity: 'grapheme' }).segment(name.trim())][0]?.segment ?? ''
}
