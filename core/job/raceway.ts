import { isNominal } from '../model/regions'
import type { BoxView } from './box-view'

/**
 * Whether a steel pipe that ends in a metal box is its ground, by the last reading from a live point to the metal of the
 * box. An armoured cable is not taken for one: that depends on its kind.
 */
export type RacewayGround = 'none' | 'not-read' | 'continuous' | 'open'

export function racewayGround({ box, cables, readings, region }: BoxView): RacewayGround {
  if (box.material !== 'metal' || !cables.some(({ sheath }) => sheath === 'steel-pipe')) return 'none'
  const last = readings
    .filter(
      // Others show phantom volts.
      ({ purpose, toSpot, instrument }) =>
        purpose === 'reference' && toSpot === 'box-metal' && instrument === 'low-impedance-meter',
    )
    .reduce<(typeof readings)[number] | null>((so, each) => (!so || each.seq > so.seq ? each : so), null)
  return last === null ? 'not-read' : isNominal(last.value, region) ? 'continuous' : 'open'
}
