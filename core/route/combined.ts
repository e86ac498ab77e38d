/** Every choice of one from each; one empty choice where there is none. */
export function* combined<Item>([first, ...others]: readonly Iterable<Item>[]): Generator<Item[]> {
  if (!first) {
    yield []
    return
  }
  for (const item of first) for (const rest of combined(others)) yield [item, ...rest]
}
