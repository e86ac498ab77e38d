import { DEAD_VOLTS } from '../../model/limits'
import { isHotRole, isLoadRole } from '../../model/roles'
import type { BoxView } from '../../job/box-view'
import { circuitsOf } from '../../job/circuits'
import { whichControl } from '../../job/place-name'
import type { Place } from '../../model/entities'
import { byPosition, oneHandle, sharersOf } from '../../model/ties'
import { deviceNamed, type Trade } from '../../model/trade'
import { circuitIdOf } from '../breaker-of'
import { pastProtection } from './protection'
import { endsOnTerminal, switchedNeutral, twoSupplyPair } from './switched'
import { borrowedIn, lastAtEnds, legsOf, offWhile, oneLegIn } from '../returns'
import { figure } from '../../model/units'
import type { Role, Severity, Sheath, TesterShows } from '../../model/vocabulary'

import type { DefectRule } from './raised'
import { sayIn, type Say } from '../../words/say'

const nameOf = (view: BoxView, endId: string) => view.ends.find(({ end }) => end.id === endId)?.name

/** It read live though every breaker known to feed the box was off. */
const anotherCircuit: DefectRule = view => {
  const say = sayIn(view.region)
  return [...lastAtEnds(view, 'dead')].flatMap(([endId, reading]) => {
    const each = view.ends.find(({ end }) => end.id === endId)
    return each && reading.value > DEAD_VOLTS
      ? [
          {
            kind: 'still-live' as const,
            of: endId,
            severity: 'danger' as const,
            what: say`${each.name} read ${figure(reading.value)} V with ${offWhile(view, each, reading)} off: something else feeds it`,
            cure: say`Touch nothing. Hunt for its breaker, switch it off too, and read every conductor again.`,
            parts: [],
            factId: 'dead',
          },
        ]
      : []
  })
}

/** A current where the power is off comes back from another circuit. */
const borrowedNeutral: DefectRule = view => {
  const say = sayIn(view.region)
  return [
    ...borrowedIn(view).map(({ each, reading }) =>
      borrowed(
        say,
        each.end.id,
        say`${each.name} carries ${figure(reading.value, 2)} A with ${offWhile(view, each, reading)} off`,
      ),
    ),
    ...view.joints.flatMap(({ id }) => {
      const circuits = new Set(
        view.ends.flatMap(({ end }) =>
          end.jointId === id && end.role === 'neutral' && end.roleCircuitId !== null
            ? [end.roleCircuitId]
            : [],
        ),
      )
      const [one, other] = [...circuits].map(each => view.record.circuits[each])
      if (!one || !other || sharersOf(view.record, one).includes(other)) return []
      return [borrowed(say, id, say`The neutrals of ${one.breaker} and ${other.breaker} meet in one joint`)]
    }),
  ]
}

const borrowed = (say: Say, of: string, what: string) => ({
  kind: 'borrowed-neutral' as const,
  of: of,
  severity: 'danger' as const,
  what: say`${what}: another circuit returns here`,
  cure: say`Every circuit that returns here off and held off before its joint is opened; then each gets its own neutral back.`,
  parts: [say`Connectors`],
  factId: 'borrowed-neutral',
})

/** A neutral that is joined to ground on its way carries its current on bare metal. */
const groundedNeutral: DefectRule = view => {
  const say = sayIn(view.region)
  return [...lastAtEnds(view, 'lifted')].flatMap(([endId, { answer }]) => {
    const name = nameOf(view, endId)
    return name && (answer === 'sounds' || answer === 'wire')
      ? [
          {
            kind: 'grounded-neutral' as const,
            of: endId,
            severity: 'danger' as const,
            what: say`${name} still sounds to ground with its neutral lifted at the panel: it is a ground, returns elsewhere, or is joined to one on its way`,
            cure: say`Do not use it as a neutral. Find where it meets the ground, box by box with the power off, and take the two apart.`,
            parts: [say`Connectors`],
            factId: 'grounded-neutral',
          },
        ]
      : []
  })
}

const wrongLabel: DefectRule = view => {
  const say = sayIn(view.region)
  return view.feeds
    .filter(({ circuit }) => circuit.labelHolds === 'no')
    .map(({ circuit }) => ({
      kind: 'label' as const,
      of: circuit.id,
      severity: 'defect',
      what: say`The panel’s label for ${circuit.breaker} names something else: “${circuit.label}”`,
      cure: say`A new directory entry, from what was found.`,
      parts: [say`Directory card`],
      factId: 'label',
    }))
}

/** Two circuits on one strap, of a switch or of a receptacle whose halves were parted, go off by one handle. */
const twoOnOneStrap: DefectRule = (view, trade) => {
  const say = sayIn(view.region)

  const circuits = circuitsOf([view])
  return view.places.flatMap(({ found, place }) => {
    const strap = strapOf(view, place, trade)
    if (!found || strap[0]?.id !== found.id) return []
    const on = strap
      .flatMap(({ id: deviceId, model }) =>
        model.terminals.flatMap(({ id }) => endsOnTerminal(view, deviceId, id)),
      )
      .filter(({ end }) => isHotRole(end.role) || isLoadRole(end.role))
    const known = new Set(
      on.flatMap(each => view.record.circuits[circuitIdOf(circuits, view, each) ?? ''] ?? []),
    )
    const sorted = [...known].sort(byPosition)
    const [first] = sorted
    const second = sorted.find(each => each !== first && !oneHandle(view.record, first!, each))
    if (!first || !second) return []
    return [
      {
        kind: 'two-on-strap' as const,
        of: found.id,
        severity: 'danger' as const,
        what: say`${first.breaker} and ${second.breaker} end on one strap${inGang(view, place)} and are not switched off together: with one off, it is still live`,
        cure: say`A common handle tie, or one breaker of two poles; or one of the two circuits taken off this strap.`,
        parts: [say`Handle tie, or a two-pole breaker`],
        factId: 'one-strap',
      },
    ]
  })
}

/** Each pair once, at the circuit of the two that comes first. */
const sharedNeutral: DefectRule = view => {
  const say = sayIn(view.region)
  return view.feeds.flatMap(({ circuit }) =>
    sharersOf(view.record, circuit).flatMap(partner => {
      const here = view.feeds.some(each => each.circuit.id === partner.id)
      const tied = oneHandle(view.record, circuit, partner)
      const isNever = view.region.sharedNeutrals === 'never'
      if ((tied && !isNever) || (here && byPosition(partner, circuit) < 0)) return []
      return [
        {
          kind: 'shared-neutral' as const,
          of: circuit.id,
          severity: 'danger' as const,
          what: say`${circuit.breaker} and ${partner.breaker} share a neutral${tied ? '' : say` and are not switched off together`}`,
          ...(isNever ? PARTED : handleCure(view, legsOf(view, circuit, partner))),
          factId: isNever ? 'own-neutral' : 'shared-neutral',
        },
      ]
    }),
  )
}

const PARTED = {
  cure: 'Part the circuits: each with a neutral of its own. No handle cures it.',
  parts: [] as readonly string[],
}

/** A common handle is for hots on two legs alone: on one leg the neutral carries the sum of both, whatever throws them. */
function handleCure({ region }: BoxView, legs: ReturnType<typeof legsOf>) {
  const say = sayIn(region)

  switch (legs) {
    case 'two':
      return {
        cure: say`A common handle tie, or one breaker of two poles.`,
        parts: [say`Handle tie, or a two-pole breaker`],
      }
    case 'one':
      return PARTED
    case 'not-read':
      return {
        cure: say`Read between their hots first. About ${2 * region.nominalVolts} V, two legs: a common handle tie, or one breaker of two poles. About 0 V, one leg: part the circuits.`,
        parts: [],
      }
  }
}

/** Two hots that share a neutral and stand on one leg, so that the neutral carries the sum of both. */
const sameLeg: DefectRule = view => {
  const say = sayIn(view.region)
  return oneLegIn(view).map(({ breakers: [first, second], volts }) => ({
    kind: 'same-leg' as const,
    of: `${first.id}-${second.id}`,
    severity: 'danger' as const,
    what: say`${first.breaker} and ${second.breaker} share a neutral on one leg: ${figure(volts)} V between their hots, and both are live; the neutral carries the sum of both`,
    cure: say`Both off and held off. One of the two breakers to the other leg, with one handle for both; then nominal twice over between the hots.`,
    parts: [say`Handle tie, or a two-pole breaker`],
    factId: 'same-leg',
  }))
}

const STEEL: readonly Sheath[] = ['steel-pipe', 'armoured']

/** Which way current flows in a conductor while the light is on: two ways in one pipe cancel out. */
const WAY_OF: Readonly<Partial<Record<Role, string>>> = {
  line: 'supply',
  'onward-feed': 'supply',
  'loop-feed': 'supply',
  traveller: 'between',
  'switched-load': 'switched',
  'loop-return': 'switched',
  neutral: 'neutral',
}

/** Steel round one way of a current alone grows warm, and hums. */
const splitPipes: DefectRule = view => {
  const say = sayIn(view.region)
  return view.cables
    .filter(({ sheath }) => STEEL.includes(sheath))
    .flatMap(cable => {
      const roles = view.ends
        .filter(each => each.cable.id === cable.id && each.end.role !== 'ground' && each.end.role !== 'spare')
        .map(({ end }) => end.role)
      const ways = new Set(roles.map(role => (role === null ? null : WAY_OF[role])))
      return roles.length > 0 && ways.size === 1 && !ways.has(null)
        ? [
            {
              kind: 'split-pipe' as const,
              of: cable.id,
              severity: 'defect' as const,
              what: say`${cable.name} is in ${cable.sheath.replaceAll('-', ' ')} without the conductor that brings its current back`,
              cure: say`Feed and return through the same pipe: pull the missing one in, or take the circuit another way.`,
              parts: [say`Conductor of the same gauge for the run`],
              factId: 'steel-pipe',
            },
          ]
        : []
    })
}

const RECEPTACLE_WORDS: Partial<
  Record<TesterShows, readonly [severity: Severity, what: string, cure: string, parts: readonly string[]]>
> = {
  'open-ground': [
    'danger',
    'has no ground',
    'Find where its ground ends; or ground-fault protection and the mark “no equipment ground”, as local code permits.',
    ['Ground-fault receptacle, where it stays without'],
  ],
  'open-neutral': ['danger', 'has an open neutral', 'Find the open joint with the power off.', ['Connector']],
  'open-hot': ['remark', 'is dead', 'Find what feeds it.', []],
  'hot-neutral-reversed': [
    'danger',
    'has hot and neutral reversed',
    'Exchange the two, after each is proven.',
    [],
  ],
  'hot-ground-reversed': [
    'danger',
    'has hot on its ground',
    'Switch off now; exchange them after each is proven.',
    [],
  ],
  other: ['defect', 'is wired wrong', 'Identify its conductors.', []],
}

const inGang = (view: BoxView, place: Place): string => {
  const which = whichControl(view.record, place)
  return which === '' ? '' : sayIn(view.region)` in ${which}`
}

/** What was found on the strap of a place: of several in one piece all, in their order. */
const strapOf = (view: BoxView, { id, gang }: Place, trade: Trade) =>
  view.places.flatMap(({ found, place }) => {
    const model = deviceNamed(trade, found?.modelId ?? '')
    return found && model && (place.id === id || (place.gang === gang && model.part?.inOnePiece))
      ? [{ id: found.id, model }]
      : []
  })

const receptacle: DefectRule = view => {
  const say = sayIn(view.region)
  return view.places.flatMap(({ place, found }) => {
    const [severity, what, cure, parts] = RECEPTACLE_WORDS[found?.testerShows ?? 'correct'] ?? []
    return severity && what && cure && parts
      ? [
          {
            kind: 'receptacle' as const,
            of: place.id,
            severity,
            what: say`The receptacle${inGang(view, place)} ${say(what)}`,
            cure: say(cure),
            parts: parts.map(each => say(each)),
            factId: 'receptacle-tester',
          },
        ]
      : []
  })
}

/** What an old dimmer should never have been given to drive. */
const dimmed: DefectRule = (view, trade) => {
  const say = sayIn(view.region)
  return view.places.flatMap(({ place, found, group, loads }) => {
    if (!deviceNamed(trade, found?.modelId ?? '')?.does.includes('dim')) return []
    return loads.flatMap(load => {
      const never = load.kind === 'fan-motor' || load.kind === 'receptacle'
      if (!never && load.dimmable !== 'no') return []
      const factId = load.kind === 'fan-motor' ? 'motor' : never ? 'receptacle' : 'lamp-dimmable'
      return [
        {
          kind: 'dimmed' as const,
          of: `${place.id}-${load.id}`,
          severity: never ? ('danger' as const) : ('defect' as const),
          what: say`${group.name}: a dimmer drives ${never ? `a ${load.kind.replaceAll('-', ' ')}` : say`lamps that are not made for dimming`}`,
          cure: never
            ? say`A switch or a control that is rated for it.`
            : say`Lamps made for dimming, or a switch.`,
          parts: [
            never
              ? say`Switch rated for it`
              : say.count(load.count, 'A dimmable lamp, or a switch', '# dimmable lamps, or a switch'),
          ],
          factId,
        },
      ]
    })
  })
}

/** What is wrong with what the conductors carry. */
export const CIRCUIT_RULES: readonly DefectRule[] = [
  anotherCircuit,
  borrowedNeutral,
  groundedNeutral,
  twoSupplyPair,
  switchedNeutral,
  pastProtection,
  sharedNeutral,
  sameLeg,
  twoOnOneStrap,
  splitPipes,
  receptacle,
  dimmed,
  wrongLabel,
]
