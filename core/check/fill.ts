import { houseRule, isOwnLead } from '../job/box-view'
import type { BoxView, EndView } from '../job/box-view'
import { looksLikeGround } from '../model/regions'
import { deviceNamed, type Trade } from '../model/trade'
import type { Gauge } from '../model/vocabulary'
import type { Question } from './place'

export interface Fill {
  readonly cubicInches: number
  readonly says: string
}

/**
 * Box fill by the common North American rule, in in³: conductors 1 each, grounds together, inner
 * clamps 1, each yoke 2 of the largest conductor on it. The device asked about stands in its own gang.
 */
export function fillOf({ view, place, device, trade }: Question): Fill {
  const others = view.places.filter(each => each.place.id !== place.place.id)
  const gangs = others.map(each => {
    const modelId = each.choice?.modelId ?? each.found?.modelId
    return modelId ? (deviceNamed(trade, modelId)?.size.gangs ?? 1) : 1
  })
  return boxFill(view, trade, [device.size.gangs, ...gangs])
}

/** Fills of one box by its yokes: many devices take the same. */
const fills = new WeakMap<BoxView, { readonly trade: Trade; readonly by: Map<string, Fill> }>()

/** `yokes` gives the gangs each device takes. */
export function boxFill(view: BoxView, trade: Trade, yokes: readonly number[]): Fill {
  let known = fills.get(view)
  if (known?.trade !== trade) fills.set(view, (known = { trade, by: new Map() }))
  const key = yokes.join()
  let fill = known.by.get(key)
  if (!fill) known.by.set(key, (fill = reckoned(view, trade, yokes)))
  return fill
}

function reckoned(view: BoxView, trade: Trade, yokes: readonly number[]): Fill {
  const counted = view.ends.filter(each => !isFixtureWire(view, each))
  const allowance = ({ conductor }: EndView) => trade.conductors[conductor.gauge].fillCubicInches ?? 0
  const isGround = ({ conductor, end }: EndView) =>
    end.role === 'ground' || looksLikeGround(view.region, conductor)
  const conductors = counted.filter(each => !isGround(each))
  const grounds = counted.filter(isGround)
  const largest = Math.max(0, ...counted.map(allowance))
  const largestOnYoke = Math.max(0, ...conductors.map(allowance)) || largest
  const largestGround = Math.max(0, ...grounds.map(allowance))
  const edition = houseRule(view.record, 'fill-edition', 'grounds-in-quarters')
  const extra = edition === 'grounds-in-quarters' ? Math.max(0, grounds.length - 4) / 4 : 0

  const parts = [
    {
      words: `${conductors.length} conductors`,
      in3: conductors.reduce((sum, each) => sum + allowance(each), 0),
    },
    { words: 'grounds', in3: grounds.length > 0 ? largestGround * (1 + extra) : 0 },
    { words: 'clamps', in3: view.box.innerClamps ? largest : 0 },
    {
      words: yokes.length === 1 ? 'one device' : `${yokes.length} devices`,
      in3: yokes.reduce((sum, gangs) => sum + 2 * gangs * largestOnYoke, 0),
    },
  ].filter(part => part.in3 > 0)
  return {
    cubicInches: parts.reduce((sum, part) => sum + part.in3, 0),
    says: parts.map(part => `${part.words} ${part.in3.toFixed(2)}`).join(' + '),
  }
}

/** Thin enough, with no more than four of them beside a ground, that a luminaire’s own wires take no room. */
const FIXTURE_GAUGES: readonly Gauge[] = ['16 AWG', '18 AWG', '0.75 mm²']
const FIXTURE_WIRES = 4

/** A luminaire’s own wire where the common exception lets it go uncounted. */
function isFixtureWire(view: BoxView, each: EndView): boolean {
  if (!isOwnLead(each)) return false
  const beside = view.ends.filter(
    other => other.cable.id === each.cable.id && !looksLikeGround(view.region, other.conductor),
  )
  return (
    beside.length <= FIXTURE_WIRES &&
    beside.every(({ conductor }) => FIXTURE_GAUGES.includes(conductor.gauge))
  )
}
