import {
  checkLight,
  checkPlace,
  placesOf,
  type LightPlace,
  type OfCandidate,
  type ToFindOut,
  whatDecides,
  type Verdict,
  meets,
  needsIn,
} from '../check'
import { leastCures } from '../check'
import type { DeviceModel } from '../model/device'
import { rowsOf, type JobRecord } from '../model/record'
import { deviceNamed, type Trade } from '../model/trade'
import type { NeedKind, Opening } from '../model/vocabulary'

/** A device, or a cure, and at which box. */
export interface OptionPart {
  readonly boxId: string
  /** Null for a cure. */
  readonly modelId: string | null
  /** Of a cure; empty for a device. */
  readonly says: string
  readonly price: number
  readonly minutes: number
}

/** One thing that can stand at all places of a light. */
export interface LightOption {
  /** One word for it, the same each time. */
  readonly id: string
  /** Model by place, in the order of the light’s places; null where the old one stays. */
  readonly members: readonly (string | null)[]
  readonly verdict: Verdict
  /** What is bought and done for it: devices, and the least of what cures their conditions here. */
  readonly parts: readonly OptionPart[]
  /** Of all its parts. */
  readonly price: number
  readonly minutes: number
  /** Places that are touched. */
  readonly changes: number
  /** Models that are bought. */
  readonly kinds: readonly string[]
  /** Systems that speak by radio and have to be set up. */
  readonly systems: readonly string[]
  /** What its plates must let through, by room. */
  readonly openings: readonly { readonly roomId: string; readonly opening: Opening }[]
}

export interface LightChoices {
  readonly groupId: string
  readonly name: string
  readonly places: readonly { readonly boxId: string; readonly placeId: string }[]
  readonly options: readonly LightOption[]
  /** How many more would do what is wanted and wait for a reading or a measure. */
  readonly waiting: number
  /** What to find out so that any of these is known, where nothing fits yet; the first thing first. */
  readonly waitsFor: readonly ToFindOut[]
  /** What is chosen now; null where nothing is, or where it is none of the options. */
  readonly chosen: string | null
}

/** Everything that does what is wanted of each light and fits, or fits once a condition is met here. */
export function choicesOf(record: JobRecord, trade: Trade): LightChoices[] {
  return rowsOf(record, 'groups').flatMap((group): LightChoices[] => {
    const places = placesOf(record, group.id)
    if (places.length === 0) return []
    const judged = judgedFor(record, places, trade)
    const options = [
      ...standing(places, trade),
      ...judged
        .filter(({ verdict }) => verdict === 'fits' || verdict === 'fits-if')
        .map(each => optionOf(places, each.members, each.verdict, each.lines, trade)),
    ]
    const now = places.map(({ place }) => place.choice?.modelId ?? null)
    return [
      {
        groupId: group.id,
        name: group.name,
        places: places.map(({ view, place }) => ({ boxId: view.box.id, placeId: place.place.id })),
        options,
        waiting: judged.filter(({ verdict }) => verdict === 'not-known').length,
        waitsFor: options.length > 0 ? [] : (whatDecides(judged)?.things ?? []),
        chosen: now.every(id => id === null)
          ? null
          : (options.find(({ id }) => id === idOf(now))?.id ?? null),
      },
    ]
  })
}

const idOf = (members: readonly (string | null)[]): string => members.map(id => id ?? '–').join(' ')

/** What was judged of one thing that can stand at all places of a light. */
interface Judged {
  readonly members: readonly (DeviceModel | null)[]
  readonly verdict: Verdict
  readonly lines: OfCandidate['lines']
}

/** All that does what is wanted, whatever its verdict. */
function judgedFor(record: JobRecord, places: readonly LightPlace[], trade: Trade): Judged[] {
  const [first] = places as [LightPlace, ...LightPlace[]]
  return first.place.placesInGroup === 1
    ? checkPlace(first.view, first.place.place.id, trade)
        .filter(({ meetsWant }) => meetsWant)
        .map(({ device, verdict, lines }) => ({
          members: [device],
          verdict,
          lines: lines.map(line => [first.view.box.id, line] as const),
        }))
    : checkLight(record, first.place.group.id, trade)
        .filter(({ meetsWant }) => meetsWant)
        .map(({ set, verdict, ofPlaces, ofLight }) => ({
          members: set.members,
          verdict,
          lines: [
            ...ofPlaces.flatMap((lines, at) => lines.map(line => [places[at]!.view.box.id, line] as const)),
            ...ofLight.map(line => [first.view.box.id, line] as const),
          ],
        }))
}

const BEARS_ON_BUYING: readonly NeedKind[] = ['few-places', 'budget', 'match-neighbour', 'keep-old']

/** All that is there stays, where it does what is wanted or nothing else is. */
function standing(places: readonly LightPlace[], trade: Trade): LightOption[] {
  const { want } = places[0]!.place.group
  const found = places.map(({ place }) => deviceNamed(trade, place.found?.modelId ?? ''))
  if (found.some(model => model === undefined)) return []
  if (want !== null && !found.some(model => model!.does.includes(want))) return []
  // Nothing is bought and nothing touched: what bears on that is met.
  const members = found.map(model => model!)
  const needs = needsIn(places[0]!.view.record, places[0]!.place.group.id)
  if (
    !needs.every(
      each => BEARS_ON_BUYING.includes(each.need) || meets(each, { members, price: 0, beside: [] }),
    )
  )
    return []
  return [
    optionOf(
      places,
      places.map(() => null),
      'fits',
      [],
      trade,
    ),
  ]
}

function optionOf(
  places: readonly LightPlace[],
  members: readonly (DeviceModel | null)[],
  verdict: Verdict,
  lines: OfCandidate['lines'],
  trade: Trade,
): LightOption {
  const bought = members.filter(model => model !== null)
  const devices = members.flatMap((model, at): OptionPart[] =>
    model
      ? [
          {
            boxId: places[at]!.view.box.id,
            modelId: model.id,
            says: '',
            price: model.price,
            minutes: model.minutes,
          },
        ]
      : [],
  )
  const cures = leastCures(lines.map(([, line]) => line)).map((cure): OptionPart => {
    const [boxId] = lines.find(([, line]) => line.cures.includes(cure))!
    return { boxId, modelId: null, says: cure.says, price: cure.price, minutes: cure.minutes }
  })
  const parts = [...devices, ...cures]
  const standingAt = (at: number) =>
    members[at] ?? deviceNamed(trade, places[at]!.place.found?.modelId ?? '') ?? null
  return {
    id: idOf(members.map(model => model?.id ?? null)),
    members: members.map(model => model?.id ?? null),
    verdict,
    parts,
    price: sum(parts.map(({ price }) => price)),
    minutes: sum(parts.map(({ minutes }) => minutes)),
    changes: bought.length,
    kinds: [...new Set(bought.map(({ id }) => id))],
    systems: [
      ...new Set(bought.flatMap(({ radio, family }) => (radio ? [`${radio} ${family ?? ''}`.trim()] : []))),
    ],
    openings: places.flatMap(({ view }, at) => {
      const model = standingAt(at)
      return model ? [{ roomId: view.room.id, opening: model.opening }] : []
    }),
  }
}

const sum = (figures: readonly number[]): number => figures.reduce((so, each) => so + each, 0)
