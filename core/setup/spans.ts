/** A stretch of time, its end left out. */
export interface Span {
  readonly from: number
  readonly to: number
}

export const total = (spans: readonly Span[]) => spans.reduce((sum, { from, to }) => sum + to - from, 0)

/** What follows without a gap is one. */
export function joined(spans: readonly Span[]): Span[] {
  const whole: Span[] = []
  for (const span of spans) {
    if (span.to <= span.from) continue
    const last = whole.at(-1)
    if (last && last.to >= span.from)
      whole[whole.length - 1] = { from: last.from, to: Math.max(last.to, span.to) }
    else whole.push(span)
  }
  return whole
}

/** What lies in spans of both, each in order. */
export function both(ones: readonly Span[], others: readonly Span[]): Span[] {
  const found: Span[] = []
  let [at, beside] = [0, 0]
  while (at < ones.length && beside < others.length) {
    const [one, other] = [ones[at]!, others[beside]!]
    const [from, to] = [Math.max(one.from, other.from), Math.min(one.to, other.to)]
    if (to > from) found.push({ from, to })
    if (one.to < other.to) at++
    else beside++
  }
  return found
}

/** What lies in the first spans and in none of the others, each in order. */
export function outside(spans: readonly Span[], others: readonly Span[]): Span[] {
  const left: Span[] = []
  let beside = 0
  for (const { from, to } of spans) {
    let at = from
    while (beside < others.length && others[beside]!.to <= at) beside++
    for (let index = beside; index < others.length && others[index]!.from < to; index++) {
      const other = others[index]!
      if (other.from > at) left.push({ from: at, to: other.from })
      at = Math.max(at, other.to)
    }
    if (at < to) left.push({ from: at, to })
  }
  return left
}
