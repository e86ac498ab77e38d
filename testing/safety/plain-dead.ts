/**
 * One box and what was done about it by several people, each with what he had before him, and whether it is dead: judged
 * by walking through every order in which it may have happened. Shares nothing with the product.
 */
export type Did =
  | { readonly is: 'on' | 'off' | 'lock'; readonly breaker: string }
  | { readonly is: 'tester' | 'reference' }
  | { readonly is: 'read'; readonly end: string; readonly volts: number }

export interface Happening {
  readonly did: Did
  readonly person: number
  /** All that he knew of when he did it, by their places in the list. */
  readonly knew: ReadonlySet<number>
  /** As the server numbers it. */
  readonly arrived: number
  readonly had: number
  readonly nth: number
}

/** What some people do, each with a phone that is now and then out of touch. */
export function happenings(
  draw: (below: number) => number,
  people: number,
  count: number,
  did: (person: number) => Did,
): Happening[] {
  interface Open {
    did: Did
    person: number
    knew: ReadonlySet<number>
    arrived: number
    had: number
    nth: number
  }
  const all: Open[] = []
  const known = Array.from({ length: people }, () => new Set<number>())
  const had = Array.from({ length: people }, () => 0)
  const unsent = Array.from({ length: people }, (): number[] => [])
  const done = Array.from({ length: people }, () => 0)
  let arrived = 0
  const send = (person: number) => {
    for (const each of unsent[person]!.splice(0)) all[each]!.arrived = ++arrived
  }
  const hear = (person: number) => {
    all.forEach((each, at) => {
      if (each.arrived > 0) known[person]!.add(at)
    })
    had[person] = arrived
  }
  const away = Array.from({ length: people }, () => false)
  for (let at = 0; at < count; at++) {
    const person = draw(people)
    if (draw(4) === 0) away[person] = !away[person]
    if (!away[person]) {
      send(person)
      hear(person)
      // His browser was ended before it wrote down how far it had counted.
      if (draw(6) === 0) done[person] = Math.max(0, done[person]! - 1 - draw(6))
    }
    all.push({
      did: did(person),
      person,
      knew: new Set(known[person]),
      arrived: 0,
      had: had[person]!,
      nth: ++done[person]!,
    })
    known[person]!.add(all.length - 1)
    unsent[person]!.push(all.length - 1)
    if (!away[person]) send(person)
  }
  for (let person = 0; person < people; person++) send(person)
  return all
}

/** Whether the box is dead after one order of things: breakers off and locked, every end dead, the tester proved round it. */
export function deadAfter(
  order: readonly Did[],
  breakers: readonly string[],
  ends: readonly string[],
  /** The tester proved once all was read is enough, whatever was read again since. */
  isOnceEnough = false,
): boolean {
  let off = new Set<string>()
  let locked = new Set<string>()
  let good = new Set<string>()
  let bad = new Set<string>()
  let tester = false
  let reference = false
  let proved = false
  const isKept = () => breakers.every(breaker => off.has(breaker) && locked.has(breaker))
  for (const each of order)
    switch (each.is) {
      case 'on':
        ;[off, locked, good, bad] = [new Set(), new Set(), new Set(), new Set(bad)]
        tester = reference = proved = false
        break
      case 'off':
        off.add(each.breaker)
        good = new Set()
        bad = new Set()
        proved = false
        break
      case 'lock':
        locked.add(each.breaker)
        break
      case 'tester':
        tester = true
        if (ends.every(end => good.has(end))) proved = true
        break
      case 'reference':
        reference = true
        break
      case 'read':
        if (each.volts > 5) bad.add(each.end)
        else if (tester && reference && isKept()) {
          good.add(each.end)
          if (!isOnceEnough) proved = false
        }
    }
  return isKept() && bad.size === 0 && ends.every(end => good.has(end)) && proved
}

/** Whether it is dead in every order that what people knew leaves open; null where there are more than `most`. */
export function deadHowever(
  list: readonly Happening[],
  breakers: readonly string[],
  ends: readonly string[],
  most: number,
): boolean | null {
  let tried = 0
  const walk = (order: number[], left: ReadonlySet<number>): boolean | null => {
    if (left.size === 0) {
      tried++
      return deadAfter(
        order.map(at => list[at]!.did),
        breakers,
        ends,
        true,
      )
    }
    for (const at of left) {
      // Whatever was known to who did it came before it.
      if ([...list[at]!.knew].some(before => left.has(before))) continue
      if (tried >= most) return null
      const rest = new Set(left)
      rest.delete(at)
      const found = walk([...order, at], rest)
      if (found !== true) return found
    }
    return true
  }
  return walk([], new Set(list.keys()))
}
