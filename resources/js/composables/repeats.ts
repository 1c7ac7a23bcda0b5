/** What several readings of one thing come to, to one place after the point. */
export const meanOf = (repeats: readonly number[]): number =>
  Math.round((repeats.reduce((sum, one) => sum + one, 0) / Math.max(1, repeats.length)) * 10) / 10

/** Standard error of measurement: the standard deviation of the repeats (n − 1), as the core has it. Null with fewer than two. */
export const errorOf = (repeats: readonly number[]): number | null => {
  if (repeats.length < 2) return null
  const mean = repeats.reduce((sum, one) => sum + one, 0) / repeats.length
  return Math.sqrt(repeats.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (repeats.length - 1))
}

/** What the readings of a device say of a finding: their mean stands under `key`, they stand beside it, and a stand-in's are marked. */
export const readingsOf = <K extends string>(key: K, repeats: number[], simulated: boolean) =>
  ({
    [key]: repeats.length ? meanOf(repeats) : undefined,
    repeats: repeats.length ? repeats : undefined,
    simulated: (repeats.length > 0 && simulated) || undefined,
  }) as { [key in K]: number | undefined } & { repeats: number[] | undefined; simulated: true | undefined }
export const deviceWords = (simulated: boolean): string => (simulated ? 'simulated' : 'read from the device')
