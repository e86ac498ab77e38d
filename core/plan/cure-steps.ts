import { curesIn, OF_THE_BOX } from '../check'
import type { BoxView } from '../job/box-view'
import { smallPart } from '../model/small-part'
import { deviceNamed, type Trade } from '../model/trade'
import { step, type Draft } from './step'
import { sayIn, later } from '../words/say'

export interface CureSteps {
  /** Before anything is joined. */
  readonly first: readonly Draft[]
  /** Before the plate is on. */
  readonly last: readonly Draft[]
}

/** The work that goes with what the chosen devices fit under: ring or box, lamps, plate, and bypasses to be fitted. */
export function cureSteps(view: BoxView, trade: Trade): CureSteps {
  const say = sayIn(view.region)

  const cures = curesIn(view, trade)
  /** One step of the box for the first of these cures that is needed; what it takes along is picked with the cure. */
  const ofBox = (ids: readonly string[], why: string) =>
    cures
      .filter(({ cure }) => ids.includes(cure.id))
      .slice(0, 1)
      .map(({ cure }) =>
        step(
          { kind: 'cure', cureId: cure.id, groupId: null },
          'touch',
          without(cure.says),
          why,
          cure.minutes,
        ),
      )
  const first = ofBox(OF_THE_BOX, say`Its room comes before anything is joined in it.`)
  const plates = ofBox(['insulating-plate'], say`No metal that can be touched, where nothing grounds it.`)
  const lamps = new Map(
    cures
      .filter(({ cure }) => cure.id === 'change-lamps')
      .map(({ cure, place: { group } }) => [
        group.id,
        step(
          { kind: 'cure', cureId: cure.id, groupId: group.id },
          'touch',
          `${group.name}: ${without(cure.says)}`,
          say`With the power off, and cold: lamps that cannot be dimmed may fail, or ruin the device.`,
          cure.minutes,
        ),
      ]),
  )
  const covers = ofBox(['cover'], say`What comes in there stands on live metal.`)
  return { first, last: [...lamps.values(), ...bypasses(view, trade), ...plates, ...covers] }
}

const without = (says: string): string => says.replace(/\.$/, '')

/** Bypasses that somebody wants, of lights whose new device here lives through the lamp. */
function bypasses(view: BoxView, trade: Trade): Draft[] {
  const say = sayIn(view.region)

  return view.places
    .filter(({ group, choice }) => {
      const supply = deviceNamed(trade, choice?.modelId ?? '')?.supply ?? []
      return group.bypass === 'to-be-fitted' && supply.some(({ kind }) => kind === 'through-load')
    })
    .map(({ group }) =>
      step(
        { kind: 'bypass', groupId: group.id },
        'touch',
        say`${group.name}: fit the bypass at the luminaire, from its switched conductor to its neutral`,
        say`Read every conductor dead there as well: a luminaire can be fed by another circuit.`,
        trade.minutes.bypass,
        [smallPart('bypass', later`bypass`)],
      ),
    )
}
