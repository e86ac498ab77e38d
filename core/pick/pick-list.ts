import { curesIn, OF_THE_BOX, type Cure } from '../check'
import { boxView, willStand, type BoxView, type PlaceView } from '../job/box-view'
import { rowsOf, type JobRecord } from '../model/record'
import { dayOf, planBox, progressOf } from '../plan'
import { deviceNamed, type Trade } from '../model/trade'
import type { SmallPart } from '../model/small-part'
import type { Opening, SmallPartKind } from '../model/vocabulary'
import { sayIn, type Say } from '../words/say'
import { sayFor } from '../model/say-for'
import { measuresOf } from '../model/measures'
import { partKey, partWords } from '../model/small-part'

export const PICK_KINDS = ['device', 'plate', 'box', 'lamp', 'part'] as const
export type PickKind = (typeof PICK_KINDS)[number]

/** Something to take along, and how much of it is left to buy. */
export interface PickItem {
  /** The same thing has the same key in every job: the van is counted by it. */
  readonly key: string
  readonly kind: PickKind
  readonly what: string
  readonly needed: number
  readonly inVan: number
  readonly toBuy: number
  /** Of one, in the region’s money; null where nobody has said. */
  readonly priceEach: number | null
  /** Where it goes, each place once. */
  readonly places: readonly string[]
}

export interface Need {
  readonly key: string
  readonly kind: PickKind
  readonly what: string
  readonly count: number
  readonly priceEach: number | null
  readonly place: string
  /** Of a small part, which. */
  readonly small?: SmallPartKind
}

/** How many of each are in the van, by their keys. */
export type Van = Readonly<Record<string, number>>

/**
 * What the devices that are chosen so far ask for: themselves, plates where the openings change, and what cures the
 * conditions they fit under (lamps, rings, boxes, small parts), the least of the cures for each. Boxes that are wired
 * are left out; what is in the van is taken off.
 */
export const pickList = (record: JobRecord, trade: Trade, van: Van): PickItem[] =>
  picked(neededIn(record, trade), van)

/** All that is to be taken along, whatever is in the van. */
export function neededIn(record: JobRecord, trade: Trade): readonly Need[] {
  const needs = rowsOf(record, 'boxes').flatMap(({ id }) => {
    const view = boxView(record, id)
    return view && view.places.some(({ choice }) => choice) && !isWired(view, trade)
      ? needsOf(view, trade)
      : []
  })
  return [...needs, ...standingCaps(record, trade)]
}

/** The same with what is in the van taken off, each thing once. */
export function picked(needs: readonly Need[], van: Van): PickItem[] {
  const items = new Map<string, PickItem>()
  const smallOf = new Map(needs.map(({ key, small }) => [key, small]))
  for (const { key, kind, what, count, priceEach, place } of needs) {
    const known = items.get(key)
    const needed = (known?.needed ?? 0) + count
    const inVan = Math.max(0, van[key] ?? 0)
    items.set(key, {
      key,
      kind,
      what,
      needed,
      inVan,
      toBuy: Math.max(0, needed - inVan),
      priceEach,
      places: [...new Set([...(known?.places ?? []), place])],
    })
  }
  const withSpares = [...items.values()].map(item => {
    const needed = item.needed + spareOf(smallOf.get(item.key), item.needed)
    return { ...item, needed, toBuy: Math.max(0, needed - item.inVan) }
  })
  return withSpares.sort(
    (a, b) =>
      PICK_KINDS.indexOf(a.kind) - PICK_KINDS.indexOf(b.kind) ||
      (a.what < b.what ? -1 : a.what > b.what ? 1 : 0),
  )
}

/** Caps for the boxes that stand apart while the power is on, as many as are in use at once. */
function standingCaps(record: JobRecord, trade: Trade): Need[] {
  const say = sayFor(record)

  const { caps } = dayOf(record, trade).madeSafe
  const what = say`Cap with an opening for a probe`
  return caps === 0
    ? []
    : [
        {
          key: 'part:probe-cap',
          kind: 'part',
          small: 'cap',
          what,
          count: caps,
          priceEach: null,
          place: say`Day`,
        },
      ]
}

/** What is in the wall already is not picked again. */
const isWired = (view: BoxView, trade: Trade): boolean =>
  progressOf(view, trade).stages.some(({ stage, state }) => stage === 'wire' && state === 'done')

/** What is left to buy, in the region’s money. */
export const costOf = (items: readonly PickItem[]): number =>
  items.reduce((sum, { toBuy, priceEach }) => sum + toBuy * (priceEach ?? 0), 0)

const placeName = ({ room, box }: BoxView) => `${room.name}, ${box.name}`

function needsOf(view: BoxView, trade: Trade): Need[] {
  const place = placeName(view)
  const chosen = view.places.filter(({ choice }) => choice !== null)
  const models = chosen.flatMap(each => {
    const model = deviceNamed(trade, each.choice!.modelId)
    return model ? [{ model, gang: each.place.gang }] : []
  })
  const devices = models.flatMap(({ model, gang }, at): Need[] => {
    const onePiece = model.part?.inOnePiece
      ? models.filter(each => each.gang === gang && each.model.part?.inOnePiece)
      : [models[at]!]
    if (onePiece[0] !== models[at]) return []
    return [
      {
        key: `device:${onePiece.map(each => each.model.id).join('+')}`,
        kind: 'device',
        what: onePiece.map(each => each.model.name).join(' + '),
        count: 1,
        priceEach: onePiece.reduce((sum, each) => sum + each.model.price, 0),
        place,
      },
    ]
  })
  return [...devices, ...plateOf(view, trade), ...curesOf(view, trade), ...smallParts(view, trade)]
}

/** What the open steps of its plan use up: connectors, pigtails, caps, tape, the screw that bonds a metal box. */
function smallParts(view: BoxView, trade: Trade): Need[] {
  const { steps, routed } = planBox(view, trade)
  if (!routed.ok) return []
  const parts = steps.filter(({ done }) => !done).flatMap(each => each.parts)
  return parts.map(part => partOf(part, placeName(view), view))
}

const partOf = (part: SmallPart, place: string, { region, record }: BoxView): Need => {
  const words = partWords(sayIn(region), measuresOf(record), part)
  return {
    key: `part:${partKey(part)}`.slice(0, 160),
    kind: 'part',
    small: part.kind,
    what: words.charAt(0).toUpperCase() + words.slice(1),
    count: 1,
    priceEach: null,
    place,
  }
}

/** Small parts that are dropped or spoilt: one more for each ten that are begun. */
const SPARED: readonly SmallPartKind[] = ['connector', 'cap', 'pigtail', 'screw']
const spareOf = (small: SmallPartKind | undefined, needed: number): number =>
  small !== undefined && SPARED.includes(small) ? Math.ceil(needed / 10) : 0

const PLATE_WORDS: Readonly<Record<Opening | 'blank', string>> = {
  toggle: 'narrow',
  wide: 'wide',
  duplex: 'receptacle',
  module: 'modules',
  blank: 'blank',
}

/** A plate for the openings as they will be; none where they stay as they were. */
function plateOf(view: BoxView, trade: Trade): Need[] {
  const say = sayIn(view.region)

  const before = openingsOf(view, trade, ({ found }) => found?.modelId)
  const after = openingsOf(view, trade, place => willStand(place) ?? undefined)
  const keyOf = (all: readonly GangOpening[]) =>
    all.map(({ opening, parts }) => (opening === 'module' ? `${opening} ${parts}` : opening)).join('+')
  if (keyOf(before) === keyOf(after)) return []
  const words = after.map(({ opening, parts }) => openingWords(opening, parts, say))
  return [
    {
      key: `plate:${view.region.id}:${keyOf(after)}`,
      kind: 'plate',
      what: say`Plate, ${say.count(after.length, 'one gang', '# gangs')}: ${words.join(', ')}`,
      count: 1,
      priceEach: null,
      place: placeName(view),
    },
  ]
}

/** What a plate has open for one gang, and how many parts it takes there. */
interface GangOpening {
  readonly opening: Opening | 'blank'
  readonly parts: number
}

const inGang = (view: BoxView, { place }: PlaceView) =>
  view.places.filter(each => each.place.gang === place.gang && !each.place.retired).length

const openingWords = (opening: Opening | 'blank', parts: number, say: Say): string =>
  opening === 'module' ? say.count(parts, 'one module', '# modules') : say(PLATE_WORDS[opening])

function openingsOf(
  view: BoxView,
  trade: Trade,
  modelIdAt: (place: PlaceView) => string | undefined,
): GangOpening[] {
  const openings: GangOpening[] = Array.from({ length: view.box.gangs }, () => ({
    opening: 'blank',
    parts: 1,
  }))
  for (const place of view.places) {
    const model = deviceNamed(trade, modelIdAt(place) ?? '')
    if (!model) continue
    const before = model.behind ? deviceNamed(trade, place.found?.modelId ?? '')?.opening : undefined
    for (let gang = 0; gang < model.size.gangs; gang++)
      if (place.place.gang - 1 + gang < openings.length)
        openings[place.place.gang - 1 + gang] = {
          opening: before ?? model.opening,
          // Of parts in one piece the plate has one opening.
          parts: model.part && !model.part.inOnePiece ? inGang(view, place) : 1,
        }
  }
  return openings
}

const KIND_OF_CURE: Readonly<Record<string, PickKind>> = {
  ...Object.fromEntries(OF_THE_BOX.map(id => [id, 'box' as const])),
  'change-lamps': 'lamp',
}

/** What a cure is, once it stands among others: the same for every box. */
function curesOf(view: BoxView, trade: Trade): Need[] {
  const say = sayIn(view.region)
  const name = placeName(view)
  return curesIn(view, trade)
    .filter(({ cure }) => cure.price > 0)
    .flatMap(({ cure, place }) =>
      cure.id === 'change-lamps'
        ? [lampsOf(cure, place, name, say)]
        : [needOf(cure, name), ...(cure.parts ?? []).map(part => partOf(part, name, view))],
    )
}

const needOf = (cure: Cure, place: string): Need => ({
  key: `${KIND_OF_CURE[cure.id] ?? 'part'}:${cure.id}:${cure.says}`.slice(0, 160),
  kind: KIND_OF_CURE[cure.id] ?? 'part',
  what: cure.says.replace(/\.$/, ''),
  count: 1,
  priceEach: cure.price,
  place,
})

/** Lamps to be changed, one by one: those of the group that cannot be dimmed. */
function lampsOf(cure: Cure, { loads }: PlaceView, place: string, say: Say): Need {
  const lamps = loads.filter(({ dimmable }) => dimmable === 'no')
  const count = lamps.reduce((sum, each) => sum + each.count, 0)
  const watts = [
    ...new Set(lamps.map(({ wattsEach }) => (wattsEach === null ? say`watts not read` : `${wattsEach} W`))),
  ].join(', ')
  return {
    key: `lamp:${lamps.map(({ kind }) => kind).join('+')}:${watts}`,
    kind: 'lamp',
    what: say`Dimmable lamp, ${watts}`,
    count,
    priceEach: count > 0 ? cure.price / count : null,
    place,
  }
}
