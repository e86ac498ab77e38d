import type { JobRecord } from '@/core/model/record'
import type { RoutedBox } from '@/core/route/planned'
import type { DrawnHouse } from './house'

/**
 * What is wrong with who feeds whom in some planned boxes, in words, by the metal alone: what meets is one metal, a
 * device joins all its terminals but neutral and ground, and whose each conductor is was drawn, not said.
 */
export function whoFeeds(house: DrawnHouse, loose: JobRecord, boxes: readonly RoutedBox[]): string[] {
  const metal = new Map<string, string>()
  const root = (point: string): string => {
    const up = metal.get(point)
    return up === undefined ? point : root(up)
  }
  const isOnSomething = new Set<string>()
  const join = (one: string, other: string) => {
    isOnSomething.add(one).add(other)
    const [a, b] = [root(one), root(other)]
    if (a !== b) metal.set(a, b)
  }
  const here = new Set(boxes.map(({ boxId }) => boxId))
  const ends = Object.values(loose.ends).filter(({ boxId }) => here.has(boxId))
  for (const { id, conductorId } of ends) join(id, conductorId)
  for (const routed of boxes) {
    for (const [endId, seat] of Object.entries(routed.seats)) {
      if (seat.kind === 'terminal') join(endId, `${seat.placeId}.${seat.terminalId}`)
      if (seat.kind === 'joint') join(endId, `${routed.boxId} ${seat.jointId}`)
    }
    for (const { id, leads, pigtailIds } of routed.joints) {
      for (const { placeId, terminalId } of leads) join(`${placeId}.${terminalId}`, `${routed.boxId} ${id}`)
      for (const { to } of routed.pigtails.filter(pigtail => pigtailIds.includes(pigtail.id)))
        if (to !== 'box') join(`${to.placeId}.${to.terminalId}`, `${routed.boxId} ${id}`)
    }
  }
  const isShared = house.record.circuits['circuit-7']!.sharedNeutralWithId !== null
  const neutralOf = (circuit: string | undefined) => (isShared ? 'shared' : circuit)
  const wrong: string[] = []
  // A neutral that is shared goes on whole when any device is taken out.
  if (isShared)
    for (const { boxId, seats } of boxes) {
      const on = Object.entries(seats).flatMap(([endId, seat]) =>
        seat.kind === 'terminal' && house.record.ends[endId]!.role === 'neutral'
          ? [`${seat.placeId}.${seat.terminalId}`]
          : [],
      )
      if (new Set(on).size < on.length) wrong.push(`${boxId}: the shared neutral goes over a screw`)
    }
  /** Supplies that are one metal with a point: `7 hot` and the like, by what was drawn. */
  const suppliesAt = (point: string): string[] => [
    ...new Set(
      ends.flatMap(({ id, conductorId }) => {
        if (root(id) !== root(point)) return []
        const drawn = house.record.ends[id]!
        const { name, far } = house.record.cables[house.record.conductors[conductorId]!.cableId]!
        const isLoop = drawn.role === 'loop-feed'
        const circuit = drawn.roleCircuitId?.slice('circuit-'.length)
        if (isLoop) return [`${circuit} hot`]
        if (far !== 'panel' || name[0] !== 'P') return []
        if (drawn.role === 'line') return [`${circuit} hot`]
        return drawn.role === 'neutral' ? [`${neutralOf(circuit)} neutral`] : []
      }),
    ),
  ]
  for (const { id } of ends) {
    const met = suppliesAt(id)
    if (met.length > 1) wrong.push(`${id} joins ${met.sort().join(' and ')}`)
  }
  const placeOf = new Map(
    boxes.flatMap(({ devices }) =>
      devices.flatMap(({ placeId, model }) =>
        model.terminals.map(({ id }) => [`${placeId}.${id}`, placeId] as const),
      ),
    ),
  )
  for (const { id } of ends) {
    const { role, roleGroupId } = house.record.ends[id]!
    if (role !== 'switched-load' && role !== 'loop-return') continue
    // What lies on the hot itself is fed all the time: nothing that hangs on the same hot works it.
    if (suppliesAt(id).some(supply => supply.endsWith('hot'))) continue
    for (const [terminal, placeId] of placeOf) {
      const { groupId } = house.record.places[placeId]!
      if (isOnSomething.has(terminal) && root(terminal) === root(id) && groupId !== roleGroupId)
        wrong.push(`${roleGroupId} is worked by what is for ${groupId}`)
    }
  }
  for (const { devices } of boxes)
    for (const { placeId, model } of devices) {
      const worked = model.terminals.filter(({ wants }) => wants !== 'ground' && wants !== 'neutral')
      const used = worked.filter(({ id }) => isOnSomething.has(`${placeId}.${id}`))
      const [first] = used
      if (first) for (const { id } of used) join(`${placeId}.${first.id}`, `${placeId}.${id}`)
    }
  for (const light of house.lights) {
    const loads = ends.filter(({ id }) => {
      const { role, roleGroupId } = house.record.ends[id]!
      return roleGroupId === light.id && (role === 'switched-load' || role === 'loop-return')
    })
    for (const load of loads) {
      const fed = suppliesAt(load.id)
      if (fed.join() !== `${light.circuit} hot`)
        wrong.push(`${light.id} of ${light.circuit} is fed by ${fed.join(', ') || 'nothing'}`)
      const { cableId } = house.record.conductors[load.conductorId]!
      for (const neutral of ends) {
        const drawn = house.record.ends[neutral.id]!
        if (drawn.role !== 'neutral' || house.record.conductors[neutral.conductorId]!.cableId !== cableId)
          continue
        const back = suppliesAt(neutral.id)
        if (back.join() !== `${neutralOf(light.circuit)} neutral`)
          wrong.push(`${light.id} of ${light.circuit} returns to ${back.join(', ') || 'nothing'}`)
      }
    }
  }
  return [...new Set(wrong)]
}
