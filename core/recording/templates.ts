import type { Region } from '../model/regions'
import type { CableEntry, FarEnd, Insulation, Role } from '../model/vocabulary'
import { sayIn } from '../words/say'

/** What kind of old switch a place of a template has. */
export type SwitchKind = 'one-place' | 'two-place' | 'middle'

/**
 * Where a conductor of a template sits: a screw of a control’s old switch by its number (the odd one of a two-place
 * switch is 0, its travellers 1 and 2; the pairs of a middle switch are 0, 1 and 2, 3), or a joint by its name.
 */
export type TemplateSeat =
  | { readonly control: number; readonly screw: number }
  | { readonly joint: 'line' | 'neutral' | 'ground' | 'through' | `neutral-${number}` }

export interface TemplateCable {
  readonly entry: CableEntry
  readonly far: FarEnd
  /** What a conductor is taken for is said where several lines meet, so that each can be hunted. */
  readonly strands: readonly (readonly [insulation: Insulation, seat: TemplateSeat, role?: Role])[]
}

/** A whole box as it is usually found. */
export interface BoxTemplate {
  readonly id: string
  readonly words: string
  readonly kind: SwitchKind
  readonly cables: readonly TemplateCable[]
  /** Screws that a short conductor feeds from the joint of the line. */
  readonly fedFromJoint: readonly { readonly control: number; readonly screw: number }[]
}

const screw = (at: number, control = 1): TemplateSeat => ({ control, screw: at })
const joint = (name: Extract<TemplateSeat, { joint: unknown }>['joint']): TemplateSeat => ({ joint: name })

type Strands = TemplateCable['strands']

/** What is usually found behind a plate, by region and the number of gangs. */
export function boxTemplates(region: Region, kinds: readonly SwitchKind[]): BoxTemplate[] {
  const say = sayIn(region)

  const { hot, neutral, ground, second, third, loop: loopColours } = region.colours
  const two = (first: TemplateSeat, other: TemplateSeat): Strands => [
    [hot, first],
    [neutral, other],
    [ground, joint('ground')],
  ]
  const feed = (seat: TemplateSeat): TemplateCable => ({
    entry: 'bottom',
    far: 'panel',
    strands: two(seat, joint('neutral')),
  })
  const light = (seat: TemplateSeat): TemplateCable => ({
    entry: 'top',
    far: 'luminaire',
    strands: two(seat, joint('neutral')),
  })
  const onward: TemplateCable = {
    entry: 'top',
    far: 'elsewhere',
    strands: two(joint('line'), joint('neutral')),
  }
  const between = (first: TemplateSeat, other: TemplateSeat, last: TemplateSeat): TemplateCable => ({
    entry: 'top',
    far: 'not-known',
    strands: [
      [hot, first],
      [second, other],
      [third, last],
      [ground, joint('ground')],
    ],
  })
  const template = (
    id: string,
    words: string,
    kind: SwitchKind,
    cables: readonly TemplateCable[],
    fedFromJoint: BoxTemplate['fedFromJoint'] = [],
  ): BoxTemplate => ({ id, words, kind, cables, fedFromJoint })

  const lightOf = (control: number, returns: TemplateSeat): TemplateCable => ({
    entry: 'top',
    far: 'luminaire',
    strands: [
      [hot, screw(1, control), 'switched-load'],
      [neutral, returns, 'neutral'],
      [ground, joint('ground'), 'ground'],
    ],
  })
  const plainGangs = kinds.every(kind => kind === 'one-place')
  const twoLines = template(
    'two-lines',
    kinds.length === 2 ? say`Two lines, two lights` : say`${kinds.length} lines, a light each`,
    'one-place',
    kinds.flatMap((_, at): TemplateCable[] => [
      {
        entry: 'bottom',
        far: 'panel',
        strands: [
          [hot, screw(0, at + 1), 'line'],
          [neutral, joint(`neutral-${at + 1}`), 'neutral'],
          [ground, joint('ground'), 'ground'],
        ],
      },
      lightOf(at + 1, joint(`neutral-${at + 1}`)),
    ]),
  )
  const goesOn = template(
    'gangs-fed-onward',
    say`One feed for all, and a line that goes on`,
    'one-place',
    [feed(joint('line')), ...kinds.map((_, at) => light(screw(1, at + 1))), onward],
    kinds.map((_, at) => ({ control: at + 1, screw: 0 })),
  )
  const sharedNeutral = template('shared-neutral', say`Two hots, one shared neutral`, 'one-place', [
    {
      entry: 'bottom',
      far: 'panel',
      strands: [
        [hot, screw(0, 1), 'line'],
        [second, screw(0, 2), 'line'],
        [third, joint('neutral'), 'neutral'],
        [ground, joint('ground'), 'ground'],
      ],
    },
    lightOf(1, joint('neutral')),
    lightOf(2, joint('neutral')),
  ])

  if (kinds.length > 1)
    return [
      template(
        'gangs-fed-once',
        say`One feed for all, a light each`,
        'one-place',
        [
          feed(joint('line')),
          ...kinds.map((kind, at): TemplateCable =>
            kind === 'one-place'
              ? light(screw(1, at + 1))
              : between(screw(1, at + 1), screw(2, at + 1), joint('neutral')),
          ),
        ],
        kinds.map((_, at) => ({ control: at + 1, screw: 0 })),
      ),
      ...(plainGangs ? [twoLines, goesOn] : []),
      ...(plainGangs && kinds.length === 2 ? [sharedNeutral] : []),
    ]
  const loop: TemplateCable = {
    entry: 'top',
    far: 'luminaire',
    strands: [
      [loopColours.line, screw(0)],
      [loopColours.load, screw(1)],
      [ground, joint('ground')],
    ],
  }
  const onePlace = [
    template('fed-here', say`Fed at the switch`, 'one-place', [feed(screw(0)), light(screw(1))]),
    template('loop', say`Loop from the light`, 'one-place', [loop]),
    template(
      'fed-here-onward',
      say`Fed at the switch, and on from there`,
      'one-place',
      [feed(joint('line')), light(screw(1)), onward],
      [{ control: 1, screw: 0 }],
    ),
  ]
  const severalPlaces = region.neutralAtSwitch
    ? [
        template('end-fed', say`End with the feed`, 'two-place', [
          feed(screw(0)),
          between(screw(1), screw(2), joint('neutral')),
        ]),
        template('end-light', say`End with the light`, 'two-place', [
          light(screw(0)),
          between(screw(1), screw(2), joint('neutral')),
        ]),
        template('end-alone', say`End with one cable`, 'two-place', [between(screw(0), screw(1), screw(2))]),
        template('end-both', say`End with feed and light`, 'two-place', [
          feed(screw(0)),
          light(joint('through')),
          between(joint('through'), screw(1), screw(2)),
        ]),
        template('middle', say`Middle place`, 'middle', [
          between(screw(0), screw(1), joint('neutral')),
          between(screw(2), screw(3), joint('neutral')),
        ]),
      ]
    : [
        template('end-both', say`End with feed and light`, 'two-place', [
          { entry: 'top', far: 'luminaire', strands: two(screw(0), joint('through')) },
          between(joint('through'), screw(1), screw(2)),
        ]),
        template('end-alone', say`End with one cable`, 'two-place', [between(screw(0), screw(1), screw(2))]),
        template('middle', say`Middle place`, 'middle', [
          between(joint('through'), screw(0), screw(1)),
          between(joint('through'), screw(2), screw(3)),
        ]),
      ]
  // What fits the switch that is there comes first.
  return [...onePlace, ...severalPlaces].sort(
    (a, b) => Number(b.kind === kinds[0]) - Number(a.kind === kinds[0]),
  )
}
