import { terminalPoint, type Circuit } from '@/core/model/circuit'
import type { Role } from '@/core/model/vocabulary'
import type { GrownHouse } from './house'

/**
 * What each conductor end of some boxes is for, walked from point to point in the house as it stands:
 * - *ground*: bare.
 * - Hot with every switch of these boxes open: it comes in where it stays hot with its box apart (*line*, or
 *   *loop-feed* where the same cable takes a switched conductor back out there), else it goes on (*onward-feed*).
 * - *neutral*: one metal with the neutral, every switch of these boxes open.
 * - Else what hangs on a lamp these boxes work, or on anything that has its other side on a source, is the *switched
 *   load* (*loop-return* where its lamp is fed there and has its neutral there, be it open); what runs between switches of two boxes a *traveller*;
 *   the rest is *spare*.
 */
export function rolesOf(
  house: GrownHouse,
  circuit: Circuit,
  boxes: ReadonlySet<string>,
): ReadonlyMap<string, Role> {
  const placeOf = (joint: string) => joint.slice(0, joint.indexOf('/'))
  const links = (apart: ReadonlySet<string>) => {
    const next = new Map<string, string[]>()
    const tie = (a: string, b: string) => {
      next.set(a, [...(next.get(a) ?? []), b])
      next.set(b, [...(next.get(b) ?? []), a])
    }
    for (const { a, b } of circuit.wires) tie(a, b)
    for (const { id, members } of circuit.joints)
      if (!apart.has(placeOf(id))) members.slice(1).forEach((each, at) => tie(members[at]!, each))
    for (const { id, place, model } of house.devices) {
      if (boxes.has(place)) continue
      for (const { between, when } of model.contacts)
        if (Object.entries(when).every(([variable, value]) => house.state[id]![variable] === value))
          tie(terminalPoint(id, between[0]), terminalPoint(id, between[1]))
    }
    return (from: string): ReadonlySet<string> => {
      const seen = new Set([from])
      for (const at of seen) for (const each of next.get(at) ?? []) seen.add(each)
      return seen
    }
  }
  const whole = links(new Set())
  const outside = links(boxes)
  const isHot = (metal: ReadonlySet<string>) => circuit.supplies.some(({ hot }) => metal.has(hot))
  const isNeutral = (metal: ReadonlySet<string>) => circuit.supplies.some(({ neutral }) => metal.has(neutral))
  const isDriven = (metal: ReadonlySet<string>) => isHot(metal) || isNeutral(metal) || metal.has('ground')
  const lights = new Set(house.devices.filter(({ place }) => boxes.has(place)).map(({ light }) => light))
  /** The far sides of what hangs on some metal: of lamps worked here all, of others those on a source. */
  const behind = (metal: ReadonlySet<string>) =>
    circuit.loads.flatMap(({ groupId, hot, neutral }) => {
      const others = [...(metal.has(hot) ? [neutral] : []), ...(metal.has(neutral) ? [hot] : [])]
      return others.filter(other => lights.has(groupId) || isDriven(whole(other)))
    })
  const ends = house.cables.flatMap(({ from, to, strands }, cable) =>
    strands.flatMap(({ id, bare }) => [
      { id: `${id}/a`, box: from, cable, bare, strand: id },
      { id: `${id}/b`, box: to, cable, bare, strand: id },
    ]),
  )
  const looked = ends.filter(({ box }) => boxes.has(box))
  const runsOn = ({ id, box }: (typeof ends)[number]) => {
    const metal = outside(`end:${id}`)
    return !isDriven(metal) && looked.some(other => other.box !== box && metal.has(`end:${other.id}`))
  }
  const matesOf = (end: (typeof ends)[number]) =>
    looked.filter(({ cable, box, bare }) => cable === end.cable && box === end.box && !bare)
  const isHotOut = ({ id }: { id: string }) => isHot(outside(`end:${id}`))
  const isFree = ({ id }: { id: string }) => !isDriven(whole(`end:${id}`))
  // A neutral that is open on its way is one all the same, where it stays out there.
  const isNeutralOut = (metal: ReadonlySet<string>) =>
    isNeutral(metal) ||
    metal.has('ground') ||
    (!isDriven(metal) && !looked.some(({ id }) => metal.has(`end:${id}`)))
  const roles = new Map<string, Role>()
  for (const end of looked) {
    const point = `end:${end.id}`
    const metal = whole(point)
    const mates = matesOf(end)
    const role = (): Role => {
      if (end.bare) return 'ground'
      if (isHot(metal)) {
        if (!isHot(links(new Set([end.box]))(point))) return 'onward-feed'
        const loops =
          isHotOut(end) &&
          mates.some(mate => isFree(mate) && (behind(outside(`end:${mate.id}`)).length > 0 || runsOn(mate)))
        return loops ? 'loop-feed' : 'line'
      }
      if (isNeutral(metal) || metal.has('ground')) return 'neutral'
      if (behind(metal).length > 0) {
        const fedThere =
          behind(outside(point)).some(other => isNeutralOut(outside(other))) &&
          mates.some(mate => isHotOut(mate) || (mate !== end && runsOn(mate)))
        return fedThere ? 'loop-return' : 'switched-load'
      }
      const terminals = new Set(
        house.devices
          .filter(
            ({ id, place, model }) =>
              boxes.has(place) && model.terminals.some(each => metal.has(terminalPoint(id, each.id))),
          )
          .map(({ place }) => place),
      )
      return terminals.size > 1 ? 'traveller' : 'spare'
    }
    roles.set(end.id, role())
  }
  return roles
}
