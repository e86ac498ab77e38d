const SIGNS: Readonly<Record<string, number>> = {
  '⅛': 1 / 8,
  '¼': 1 / 4,
  '⅜': 3 / 8,
  '½': 1 / 2,
  '⅝': 5 / 8,
  '¾': 3 / 4,
  '⅞': 7 / 8,
}

/** A number as people type it: `2.75`, `2,75`, `2 3/4`, `2-3/4`, `2¾`, `5/8`; not a number where it is none. */
export function typedNumber(typed: string): number {
  const text = typed.trim()
  const sign = SIGNS[text.at(-1) ?? '']
  if (sign !== undefined) {
    const whole = text.slice(0, -1).trim()
    return /^\d*$/.test(whole) ? Number(whole) + sign : NaN
  }
  const parts = /^(?:(\d+)[ -]+)?(\d+)\/(\d+)$/.exec(text)
  if (parts) return Number(parts[1] ?? 0) + Number(parts[2]) / Number(parts[3])
  return text === '' ? NaN : Number(text.replace(',', '.'))
}
