import type { Wish } from '../model/vocabulary'
import type { RoutedTogether } from './tied-boxes'
import { kindOf } from './net'

/** What conductors would have to be wanted for, so that one way of wiring comes before another, by conductor. */
export function wishesFor(way: RoutedTogether, before: RoutedTogether): ReadonlyMap<string, Wish> {
  const other = carriedBy(before)
  return new Map([...carriedBy(way)].filter(([conductor, wish]) => wish !== other.get(conductor)))
}

/** What each conductor between the boxes carries. */
function carriedBy({ boxes }: RoutedTogether): Map<string, Wish> {
  return new Map(
    boxes.flatMap(({ view, routed }) =>
      view.ends.map(({ end, conductor }) => {
        const net = routed.netOfEnd[end.id] ?? null
        return [conductor.id, (net === null ? 'nothing' : kindOf(net)) as Wish] as const
      }),
    ),
  )
}
