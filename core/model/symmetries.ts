import type { DeviceModel } from './device'

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
