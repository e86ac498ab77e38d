import { terminalPoint } from '../model/circuit'
import type { DeviceModel } from '../model/device'
import type { Compiled } from '../solve'
import { finding, nameOf, type Finding } from './finding'

/**
 * What is joined, held against the plan: the same nets up to the symmetry of each device. Conductor ends,
 * loads and the panel are fixed points; they say which net of the plan each real net is, and each device
 * then lands on them in any way its contacts cannot tell apart.
 */
export function unlikePlan(compiled: Compiled): Finding[] {
  const { plan, devices } = compiled.circuit
  if (!plan) return []
  const found: Finding[] = []
  const match = new Matching()
  const ofDevices = new Set(
    devices.flatMap(({ id, model }) => model.terminals.map(terminal => terminalPoint(id, terminal.id))),
  )
  for (const [point, name] of Object.entries(plan))
    if (!ofDevices.has(point)) {
      const wrong = match.take(name, compiled.net(point), point)
      if (wrong) found.push(wrong)
    }
  devices.forEach((placed, device) => {
    const terminals = placed.model.terminals.filter(
      terminal => plan[terminalPoint(placed.id, terminal.id)] !== undefined,
    )
    let best: { match: Matching; wrong: Finding[] } | null = null
    for (const symmetry of symmetriesOf(placed.model)) {
      const trial = match.copy()
      const wrong = terminals.flatMap(({ id }) => {
        const point = terminalPoint(placed.id, symmetry.get(id) ?? id)
        return trial.take(plan[terminalPoint(placed.id, id)]!, compiled.net(point), point) ?? []
      })
      if (!best || wrong.length < best.wrong.length) best = { match: trial, wrong }
      if (best.wrong.length === 0) break
    }
    if (!best) return
    match.become(best.match)
    found.push(...best.wrong.map(each => ({ ...each, says: `${nameOf(compiled, device)}: ${each.says}` })))
  })
  return found
}

/** Which net of the plan each real net is, one to one. */
class Matching {
  #netOf = new Map<string, number>()
  #nameOf = new Map<number, string>()

  /** Pairs a name and a net, or says why they cannot be paired. */
  take(name: string, net: number, point: string): Finding | null {
    const netThere = this.#netOf.get(name)
    const nameThere = this.#nameOf.get(net)
    if (nameThere !== undefined && nameThere !== name)
      return finding('the-plan', [point], `${point} belongs to ${name} and is joined to ${nameThere}`)
    if (netThere !== undefined && netThere !== net)
      return finding('the-plan', [point], `${point} belongs to ${name} and is not joined to it`)
    this.#netOf.set(name, net)
    this.#nameOf.set(net, name)
    return null
  }

  copy(): Matching {
    const copy = new Matching()
    copy.become(this)
    return copy
  }

  become(other: Matching): void {
    this.#netOf = new Map(other.#netOf)
    this.#nameOf = new Map(other.#nameOf)
  }
}

const known = new WeakMap<DeviceModel, ReadonlyMap<string, string>[]>()

/**
 * Ways to exchange a device's terminals that nothing it does can tell: its contacts stay the same up to
 * renaming positions that say nothing by themselves. The way that exchanges nothing comes first.
 */
export function symmetriesOf(model: DeviceModel): readonly ReadonlyMap<string, string>[] {
  let found = known.get(model)
  if (!found) known.set(model, (found = [...symmetries(model)]))
  return found
}

function* symmetries(model: DeviceModel): Generator<ReadonlyMap<string, string>> {
  yield new Map()
  const used = new Set(model.contacts.flatMap(({ between }) => between))
  const likes = model.terminals.filter(({ id }) => used.has(id))
  const mayStandFor = (a: DeviceModel['terminals'][number], b: DeviceModel['terminals'][number]) =>
    a.joins === b.joins && (a.wants === b.wants || (a.alike !== null && a.alike === b.alike))
  const supplied = model.supply.flatMap(each =>
    Object.values(each).filter(value => typeof value === 'string'),
  )
  const free = likes.filter(terminal => terminal.alike !== null || !supplied.includes(terminal.id))
  const renamings = [...renamingsOf(model)]
  for (const order of permutations(free)) {
    const symmetry = new Map(free.map((terminal, at) => [terminal.id, order[at]!.id]))
    if (free.every(({ id }) => symmetry.get(id) === id)) continue
    if (free.some((terminal, at) => !mayStandFor(terminal, order[at]!))) continue
    if (renamings.some(renaming => sameContacts(model, symmetry, renaming))) yield symmetry
  }
}

type Renaming = (variable: string, value: string) => string

/** Values may change names only where a hand moves them and no position asks for anything. */
function* renamingsOf(model: DeviceModel): Generator<Renaming> {
  yield (_, value) => value
  if (model.commanded !== null) return
  for (const { id, values, moves } of model.variables) {
    if (moves !== 'hand') continue
    for (const order of permutations(values))
      yield (variable, value) => (variable === id ? order[values.indexOf(value)]! : value)
  }
}

function sameContacts(
  { contacts }: DeviceModel,
  symmetry: ReadonlyMap<string, string>,
  renaming: Renaming,
): boolean {
  const key = (between: readonly string[], when: Readonly<Record<string, string>>, kind: string) =>
    JSON.stringify([[...between].sort(), Object.entries(when).sort(), kind])
  const as = new Set(contacts.map(({ between, when, kind }) => key(between, when, kind)))
  return contacts.every(({ between, when, kind }) =>
    as.has(
      key(
        between.map(id => symmetry.get(id) ?? id),
        Object.fromEntries(Object.entries(when).map(([id, value]) => [id, renaming(id, value)])),
        kind,
      ),
    ),
  )
}

function* permutations<Item>(items: readonly Item[]): Generator<readonly Item[]> {
  if (items.length === 0) yield []
  for (const [at, first] of items.entries())
    for (const rest of permutations(items.filter((_, other) => other !== at))) yield [first, ...rest]
}
