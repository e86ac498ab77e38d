import type { Policy, Timeline } from '@/core/setup/presence'

/** The light of a room, second after second: who is there is counted anew in each. */
export function plainPresence({ seconds, seats, events, daylight }: Timeline, policy: Policy) {
  const lit: boolean[] = []
  const there: boolean[] = []
  const needs: boolean[] = []
  const people = new Map<string, { seat: number | undefined }>()
  let left = 0
  let presses: number[] = []
  for (let now = 0; now < seconds; now++) {
    const at = (kinds: readonly string[]) =>
      events.filter(each => each.at === now && kinds.includes(each.does))
    let lux = 0
    for (const each of daylight) if (each.at <= now) lux = each.lux
    const isDim = policy.threshold === null || lux < policy.threshold
    // What is left of the delay at the beginning of this second; 0 is its very end.
    let on = left > 0
    const canExtend = left === 0 && (lit[now - 1] ?? false)
    let moved = false
    let pressed = false
    if (presses.includes(now)) {
      on = true
      moved = true
      presses = []
      pressed = true
    }
    for (const each of [...at(['enters']), ...at(['walks', 'sits', 'stirs']), ...at(['leaves'])]) {
      if (each.does === 'enters') people.set(each.person, { seat: undefined })
      const person = people.get(each.person)!
      if (each.does === 'sits') person.seat = each.seat
      if (each.does === 'walks' || each.does === 'leaves') person.seat = undefined
      const isSmall = each.does === 'sits' || each.does === 'stirs'
      const isSeen = !isSmall || policy.seesSmall[person.seat!]!
      if (each.does === 'leaves') people.delete(each.person)
      if (!isSeen) continue
      if (on || canExtend) {
        on = true
        moved = true
      } else if (isDim) {
        if (policy.turnsOn === 'by-itself') {
          on = true
          moved = true
        } else if (each.does === 'enters' && presses.length === 0 && !pressed) presses.push(now + 2)
      }
    }
    if (moved) left = policy.delay
    lit.push(on)
    if (on) left--
    const awake = [...people.values()].filter(({ seat }) => seat === undefined || !seats[seat]!.asleep)
    there.push(people.size > 0)
    needs.push(awake.length > 0 && isDim && !on)
  }
  const runs: number[] = []
  let run = 0
  for (const each of [...needs, false])
    if (each) run++
    else if (run > 0) {
      if (run > 2) runs.push(run)
      run = 0
    }
  return {
    secondsLit: lit.filter(Boolean).length,
    secondsLitWithNobody: lit.filter((each, now) => each && !there[now]).length,
    presentAndDark: {
      times: runs.length,
      seconds: runs.reduce((sum, each) => sum + each, 0),
      longest: Math.max(0, ...runs),
    },
    switchings: lit.filter((each, now) => each !== (now > 0 && lit[now - 1])).length,
  }
}
