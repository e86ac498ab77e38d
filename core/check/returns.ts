import { answerOfVolts } from '../identify'
import type { BoxView, EndView } from '../job/box-view'
import { circuitsOf } from '../job/circuits'
import { DEAD_VOLTS } from '../model/limits'
import type { Breaker, Reading } from '../model/entities'
import { rowsOf } from '../model/record'
import { isHotRole } from '../model/roles'
import { figure } from '../model/units'
import { byPosition, sharersOf } from '../model/ties'
import { line, type Line } from './line'
import type { Question } from './place'
import { sayIn } from '../words/say'

/** The last reading of one purpose at each end. */
export function lastAtEnds({ readings }: BoxView, purpose: Reading['purpose']): Map<string, Reading> {
  const last = new Map<string, Reading>()
  for (const reading of [...readings].sort((a, b) => a.seq - b.seq))
    if (reading.purpose === purpose && reading.fromEndId !== null) last.set(reading.fromEndId, reading)
  return last
}

/**
 * What was off while a conductor was read, in words: of its own circuit where that is known, else of those that feed the
 * box, what somebody had switched off by then.
 */
export function offWhile(view: BoxView, each: EndView, { seq }: Reading): string {
  const say = sayIn(view.region)

  const { record, feeds } = view
  const own = record.circuits[circuitsOf([view]).of(each) ?? '']
  const inQuestion = own ? [own, ...sharersOf(record, own)] : feeds.map(({ circuit }) => circuit)
  const before = rowsOf(record, 'switchings').filter(
    switching => switching.struck === null && switching.seq < seq,
  )
  const lastOf = (id: string | null) => before.filter(({ circuitId }) => circuitId === id).at(-1)
  if (lastOf(null)?.to === 'off') return say`the main switch`
  const off = inQuestion.filter(({ id }) => lastOf(id)?.to === 'off')
  const named = (off.length > 0 ? off : inQuestion).map(({ breaker }) => breaker)
  return named.length > 0 ? say`breaker ${named.join(say` and `)}` : say`the main switch`
}

/** A conductor that carries current with its own power off: another circuit returns by it. */
export interface Borrowed {
  readonly each: EndView
  readonly reading: Reading
}

export const borrowedIn = (view: BoxView): Borrowed[] =>
  [...lastAtEnds(view, 'clamp')].flatMap(([endId, reading]) => {
    const each = view.ends.find(({ end }) => end.id === endId)
    return each && reading.value > 0 && reading.breaker === 'off' ? [{ each, reading }] : []
  })

/** What was read between the hots of two circuits that share a neutral, while each was hot. */
export interface BetweenHots {
  readonly breakers: readonly [Breaker, Breaker]
  readonly volts: number
}

/** Each pair once, by its first reading. Nothing between two conductors alone says nothing. */
export function betweenHots(view: BoxView): BetweenHots[] {
  const say = sayIn(view.region)

  const circuits = circuitsOf([view])
  const hots = new Map(view.ends.filter(({ end }) => isHotRole(end.role)).map(each => [each.end.id, each]))
  const live = view.readings.filter(
    ({ purpose, breaker, instrument }) =>
      purpose === 'identify' && breaker === 'on' && instrument === 'low-impedance-meter',
  )
  const isHot = (endId: string) =>
    live.some(
      ({ fromEndId, toEndId, value }) =>
        (fromEndId === endId || toEndId === endId) &&
        !(hots.has(fromEndId ?? '') && hots.has(toEndId ?? '')) &&
        answerOfVolts(value, view.region) === 'nominal',
    )
  const pairs = new Map<string, BetweenHots>()
  for (const { fromEndId, toEndId, value } of live) {
    const [one, other] = [hots.get(fromEndId ?? ''), hots.get(toEndId ?? '')]
    if (!one || !other || !isHot(one.end.id) || !isHot(other.end.id)) continue
    const [a, b] = [circuits.of(one), circuits.of(other)].map(id => view.record.circuits[id ?? ''])
    if (!a || !b || a.id === b.id || !sharersOf(view.record, a).includes(b)) continue
    const breakers = [a, b].sort(byPosition) as [Breaker, Breaker]
    const key = `${breakers.map(({ id }) => id).join()} ${value <= DEAD_VOLTS ? say`one` : say`two`}`
    if (!pairs.has(key)) pairs.set(key, { breakers, volts: value })
  }
  return [...pairs.values()]
}

/** Two circuits that share a neutral on one leg: nothing between their hots. */
export const oneLegIn = (view: BoxView): BetweenHots[] =>
  betweenHots(view).filter(({ volts }) => volts <= DEAD_VOLTS)

/** Legs that two circuits stand on, by what was read between them; contrary readings say nothing. */
export function legsOf(view: BoxView, one: Breaker, other: Breaker): 'one' | 'two' | 'not-read' {
  const { nominalVolts } = view.region
  const read = betweenHots(view).filter(({ breakers }) => breakers.includes(one) && breakers.includes(other))
  const isOne = read.some(({ volts }) => volts <= DEAD_VOLTS)
  const isTwo = read.some(({ volts }) => volts > 1.5 * nominalVolts && volts < 2.2 * nominalVolts)
  return isOne === isTwo ? 'not-read' : isOne ? 'one' : 'two'
}

/** What readings found of the way back bars what would use it, until it is put right. */
export function returnLines({ view, place, device, trade }: Question): Line[] {
  const say = sayIn(view.region)

  const circuits = circuitsOf([view])
  const whose = circuits.ofLight(place.group.id)
  const bears = (circuitId: string | null | undefined) =>
    whose.kind !== 'known' || circuitId == null || circuitId === whose.circuitId
  const takesNeutral = device.terminals.some(({ wants }) => wants === 'neutral')
  const borrowed = takesNeutral ? borrowedIn(view).filter(({ each }) => bears(circuits.of(each))) : []
  const oneLeg = oneLegIn(view).filter(({ breakers }) => breakers.some(({ id }) => bears(id)))
  return [
    ...borrowed.slice(0, 1).map(({ each, reading }) =>
      line(
        'borrowed-neutral',
        'does-not-fit',
        say`${each.name} carries ${figure(reading.value, 2)} A with ${offWhile(view, each, reading)} off: another circuit returns by this neutral.`,
        'borrowed-neutral',
        {
          cures: [
            {
              id: 'neutral-back',
              says: say`Give each circuit its own neutral back, then clamp it again.`,
              price: 0,
              minutes: trade.mending['borrowed-neutral'],
              here: false,
            },
          ],
        },
      ),
    ),
    ...oneLeg.slice(0, 1).map(({ breakers: [first, second], volts }) =>
      line(
        'same-leg',
        'does-not-fit',
        say`${first.breaker} and ${second.breaker} share a neutral on one leg (${figure(volts)} V between their hots): it carries the sum of both.`,
        'same-leg',
        {
          cures: [
            {
              id: 'other-leg',
              says: say`One of the two breakers to the other leg, with one handle for both.`,
              price: trade.prices['breaker-change'],
              minutes: trade.mending['same-leg'],
              here: false,
            },
          ],
        },
      ),
    ),
  ]
}
