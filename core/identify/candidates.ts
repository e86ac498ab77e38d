import type { Frame, FrameEnd } from './frame'
import type { Question, Spot } from './question'

/** Which kinds of reading may be asked for. */
export interface Allowed {
  /** Reading volts on bare conductors that nobody touches; else all is found dead, by continuity. */
  readonly live: boolean
  /** Dead readings are asked for where no live one tells anything. */
  readonly prefers?: 'live'
}

const EARTH: Spot = { kind: 'earth' }
const spotOf = ({ id }: FrameEnd): Spot => ({ kind: 'end', end: id })

/** Every reading worth thinking of, in a fixed order; those of one stand stand together. */
export function candidatesOf(frame: Frame, { live }: Allowed): Question[] {
  const { survey, switches } = frame
  const insulated = frame.ends.filter(({ ground }) => !ground)
  const all = survey.boxes.map(({ id }) => id)
  const none: readonly string[] = []
  const lights = switches.map(({ device, light }): Question => ({
    kind: 'light',
    power: 'on',
    apart: none,
    from: { kind: 'lamp-holder', light: survey.lights[light]!.id },
    to: EARTH,
    work: device.id,
  }))
  const asFound = { kind: 'volts', power: 'on', apart: none } as const
  const metals = oneOfEachMetal(insulated)
  const grounds = oneOfEachMetal(frame.ends.filter(({ ground }) => ground))
  const asFoundBetween = (a: FrameEnd, b: FrameEnd): Question[] =>
    [null, ...switches.map(({ device }) => device.id)].map(work => ({
      ...asFound,
      from: spotOf(a),
      to: spotOf(b),
      work,
    }))
  const found = live
    ? [
        ...metals.flatMap(end =>
          switches.map(({ device }): Question => ({
            ...asFound,
            from: spotOf(end),
            to: EARTH,
            work: device.id,
          })),
        ),
        ...pairs(metals)
          .filter(([a, b]) => a.box === b.box)
          .flatMap(([a, b]) => asFoundBetween(a, b)),
        ...metals.flatMap(a => grounds.filter(({ box }) => box === a.box).flatMap(b => asFoundBetween(a, b))),
      ]
    : []
  const apart = live
    ? survey.boxes.flatMap(({ id }, box) => {
        const own = insulated.filter(end => end.box === box)
        const elsewhere = switches.filter(each => each.box !== box).map(({ device }) => device.id)
        const stand = { kind: 'volts', power: 'on', apart: [id] } as const
        return [
          ...own.flatMap(end =>
            [null, ...elsewhere].map((work): Question => ({ ...stand, from: spotOf(end), to: EARTH, work })),
          ),
          ...pairs(own).map(([a, b]): Question => ({
            ...stand,
            from: spotOf(a),
            to: spotOf(b),
            work: null,
          })),
        ]
      })
    : []
  const dead = { kind: 'continuity', power: 'off', apart: all, work: null } as const
  const without = pairs(insulated)
    .filter(([a, b]) => a.box !== b.box)
    .map(([a, b]): Question => ({ ...dead, from: spotOf(a), to: spotOf(b) }))
  const known = insulated.flatMap((end): Question[] => [
    { ...dead, from: spotOf(end), to: EARTH },
    { ...dead, from: spotOf(end), to: { kind: 'panel-hot' } },
    ...survey.lights.map(({ id }): Question => ({
      ...dead,
      from: spotOf(end),
      to: { kind: 'lamp-holder', light: id },
    })),
  ])
  const toEarth = grounds.map((end): Question => ({ ...dead, from: spotOf(end), to: EARTH }))
  return [...lights, ...found, ...apart, ...without, ...known, ...toEarth]
}

/** As found, the conductors of one joint or terminal are one metal: one of them is read for all. */
function oneOfEachMetal(ends: readonly FrameEnd[]): FrameEnd[] {
  const seen = new Set<number>()
  return ends.filter(({ foundNode }) => {
    if (seen.has(foundNode)) return false
    seen.add(foundNode)
    return true
  })
}

function pairs<Item>(items: readonly Item[]): (readonly [Item, Item])[] {
  return items.flatMap((a, at) => items.slice(at + 1).map(b => [a, b] as const))
}
