import type { Frame, FrameSwitch, Pair } from './frame'

/**
 * Pairs of conductors that may change places without anything of the boxes being different: two of one cable,
 * alone on two screws of a switch that are alike, as a pair of travellers is. Of all circuits that differ by
 * such an exchange only one is searched for; the others follow from it.
 */
export function twinsIn({ ends, switches, survey }: Frame): Pair[] {
  const led = new Set(
    survey.devices.flatMap(({ id, pigtails }) => pigtails.map(({ terminalId }) => `${id} ${terminalId}`)),
  )
  return switches.flatMap(each =>
    each.alike.flatMap(([a, b]): Pair[] => {
      if (!mayBeExchanged(each, [a, b])) return []
      const [own, others] = [a, b].map(terminal => ends.filter(({ foundNode }) => foundNode === terminal))
      const [one, other] = [own!, others!].map(all => (all.length === 1 ? all[0]! : null))
      if (!one || !other || one.cable !== other.cable || one.other >= 0 || other.other >= 0) return []
      if ([one, other].some(({ ground, seat }) => ground || isLed(led, seat))) return []
      return [one.index < other.index ? [one.index, other.index] : [other.index, one.index]]
    }),
  )
}

const isLed = (led: ReadonlySet<string>, seat: Frame['ends'][number]['seat']): boolean =>
  seat.kind === 'terminal' && led.has(`${seat.deviceId} ${seat.terminalId}`)

/** Whether a switch joins the same, in one position or the other, with two of its screws exchanged. */
function mayBeExchanged({ closed, leaks, travellers }: FrameSwitch, [a, b]: Pair): boolean {
  const exchanged = (node: number) => (node === a ? b : node === b ? a : node)
  const key = (pairs: readonly Pair[]) =>
    pairs
      .map(pair => [...pair].sort((x, y) => x - y).join('–'))
      .sort()
      .join(' ')
  const moved = (pairs: readonly Pair[]) => key(pairs.map(([x, y]): Pair => [exchanged(x), exchanged(y)]))
  const [first, second] = closed.map(key)
  const [firstMoved, secondMoved] = closed.map(moved)
  return (
    [first, second].sort().join('|') === [firstMoved, secondMoved].sort().join('|') &&
    key(leaks) === moved(leaks) &&
    travellers.includes(a) === travellers.includes(b)
  )
}

/** What each end is joined to, whichever of the two the run was begun from; −1 where nothing. */
function joinedTo(beyond: Int16Array): Int16Array {
  const to = beyond.slice()
  beyond.forEach((node, end) => {
    if (node >= 0 && node < beyond.length) to[node] = end
  })
  return to
}

/**
 * All circuits that follow from one by exchanging twins, itself first; null where another of them is the one
 * that stands for them all.
 */
export function exchangedTwins(twins: readonly Pair[], beyond: Int16Array): Int16Array[] | null {
  const all = new Map([[beyond.join(), beyond]])
  for (const [a, b] of twins)
    for (const each of [...all.values()]) {
      const moved = exchange(each, a, b)
      all.set(moved.join(), moved)
    }
  const own = joinedTo(beyond)
  const found = [...all.values()]
  return found.every(each => !isLess(joinedTo(each), own)) ? found : null
}

function exchange(beyond: Int16Array, a: number, b: number): Int16Array {
  const moved = beyond.map(node => (node === a ? b : node === b ? a : node))
  const kept = moved[a]!
  moved[a] = moved[b]!
  moved[b] = kept
  return moved
}

function isLess(one: Int16Array, other: Int16Array): boolean {
  const at = one.findIndex((node, index) => node !== other[index])
  return at >= 0 && one[at]! < other[at]!
}
