import { trade } from '@/catalogue'
import { lot } from '@/testing/model/lot'
import { deviceNamed } from '@/core/model/trade'
import { setsFor } from '@/core/route'
import { chainOf, type Chain } from '@/testing/route/chain'

/** One to three boxes of one light, its switches in their places, with devices that work together. */
export function chainFor(seed: number): Chain {
  const draw = lot(seed)
  const count = 1 + draw(3)
  const region = (['north-america-120', 'north-america-120', 'europe-230'] as const)[draw(3)]!
  const shape = {
    count,
    region,
    fed: draw(count),
    lit: draw(count),
    neutrals: draw(4) > 0,
    spares: draw(2),
    seated: true,
    proven: true,
  }
  const none = Array.from({ length: count }, () => null)
  const found = chainOf({ ...shape, choices: none }).map(
    view => deviceNamed(trade, view.places[0]!.found!.modelId) ?? null,
  )
  const sets = setsFor(trade, region, found)
  const singles = trade.devices.filter(
    ({ stock, regions, places }) => stock === 'new' && regions.includes(region) && places.least === 1,
  )
  const choices =
    count === 1
      ? [singles[draw(singles.length)]!.id]
      : sets[draw(sets.length)]!.members.map(model => model?.id ?? null)
  return { ...shape, choices }
}
