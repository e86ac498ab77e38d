import type { Load } from '../model/entities'
import { askedOf, line, type Line } from './line'
import type { Question } from './place'
import { neutralKind } from './supply'
import { sayIn, type Say } from '../words/say'

/** What may never be dimmed or switched by this kind, whatever its watts. */
export function banLines(question: Question): Line[] {
  const say = sayIn(question.view.region)

  const { device, place } = question
  const lines: Line[] = []
  const motor = place.loads.find(load => load.kind === 'fan-motor')
  if (motor && (device.dims || !device.motorAllowed))
    lines.push(
      line(
        'motor',
        'does-not-fit',
        device.dims ? say`A motor may not be dimmed.` : say`It has no motor rating.`,
        'motor',
        {
          cures: [
            {
              id: 'motor-kind',
              says: say`Take a switch or timer with a motor rating.`,
              price: 0,
              minutes: 0,
              here: false,
            },
          ],
        },
      ),
    )
  const ballast = place.loads.some(load => question.trade.lamps[load.kind].rating === 'electronic-ballast')
  if (ballast && device.supply.length > 0 && device.supply.every(({ kind }) => kind === 'through-load'))
    lines.push(
      line(
        'ballast',
        'does-not-fit',
        say`It lives by a current through the lamp, which an electronic ballast does not let pass.`,
        'supply-through-load',
        { cures: [neutralKind(say)] },
      ),
    )
  if (place.loads.some(load => load.kind === 'receptacle') && (device.dims || !device.receptacleAllowed))
    lines.push(line('receptacle', 'does-not-fit', say`It may not control a receptacle.`, 'receptacle'))
  return lines
}

/** Whether the lamps can be dimmed, and on the same edge as the device cuts. */
export function dimmingLines(question: Question): Line[] {
  const say = sayIn(question.view.region)

  const { device, place, trade } = question
  if (!device.dims) return []
  const lamps = place.loads.filter(load => load.kind !== 'fan-motor' && load.kind !== 'receptacle')
  const lines: Line[] = []
  const cannot = lamps.filter(load => dimmability(question, load) === 'no')
  const unknown = lamps.filter(load => dimmability(question, load) === 'not-known')
  const count = (loads: readonly Load[]) => loads.reduce((sum, load) => sum + load.count, 0)
  if (cannot.length > 0) {
    const number = count(cannot)
    const fixed = cannot.some(load => trade.lamps[load.kind].dimming === 'never')
    lines.push(
      line(
        'dimmable',
        fixed ? 'does-not-fit' : 'fits-if',
        fixed
          ? say`${number} cannot be dimmed by their kind.`
          : say.count(
              number,
              'Fits if the lamp is changed to a dimmable one.',
              'Fits if # lamps are changed to dimmable ones.',
            ),
        'lamp-dimmable',
        {
          value: number,
          limit: 0,
          unit: say`lamps not dimmable`,
          cures: fixed
            ? [
                {
                  id: 'switch-kind',
                  says: say`Take a device that switches only.`,
                  price: 0,
                  minutes: 0,
                  here: false,
                },
              ]
            : [
                {
                  id: 'change-lamps',
                  says: say.count(
                    number,
                    'Change the lamp to a dimmable one.',
                    'Change # lamps to dimmable ones.',
                  ),
                  price: trade.prices['lamp-change'] * number,
                  minutes: trade.minutes['lamp-change'] * number,
                  here: true,
                },
              ],
        },
      ),
    )
  }
  if (unknown.length > 0)
    lines.push(
      line(
        'dimmable',
        'not-known',
        say.count(
          count(unknown),
          'Nobody has read whether the lamp is dimmable.',
          'Nobody has read whether # lamps are dimmable.',
        ),
        'lamp-dimmable',
        {
          settledBy: say`Read the print on one lamp of each kind.`,
          asked: askedOf('dimmable', unknown),
        },
      ),
    )
  if (lines.length === 0 && lamps.length > 0)
    lines.push(
      line(
        'dimmable',
        'fits',
        say.count(count(lamps), 'The lamp is dimmable.', 'All # lamps are dimmable.'),
        'lamp-dimmable',
      ),
    )
  return [...lines, ...phaseLines(question, lamps)]
}

function dimmability(question: Question, load: Load): 'yes' | 'no' | 'not-known' {
  // A driver with a pair for its level is made for it.
  if (load.phase === 'control-pair') return 'yes'
  switch (question.trade.lamps[load.kind].dimming) {
    case 'always':
      return 'yes'
    case 'never':
      return 'no'
    case 'as-printed':
      return load.dimmable
  }
}

/** A device that can cut either edge is set to one of them: the one that its lamps ask for. */
function eitherLines(lamps: readonly Load[], say: Say): Line[] {
  const asked = [...new Set(lamps.map(({ phase }) => phase))].filter(
    phase => phase === 'leading' || phase === 'trailing',
  )
  if (asked.length === 0) return []
  const [edge] = asked
  return [
    asked.length === 1
      ? line('phase', 'fits', say`It is set to cut the ${edge} edge, as the lamps ask.`, 'phase')
      : line(
          'phase',
          'does-not-fit',
          say`Some of the lamps ask for the leading edge, some for the trailing one; it cuts one of the two.`,
          'phase',
          {
            cures: [
              {
                id: 'one-edge',
                says: say`Take lamps that ask for one edge.`,
                price: 0,
                minutes: 0,
                here: false,
              },
            ],
          },
        ),
  ]
}

/** A driver that takes its level over a pair has to get it there, and nothing else takes one. */
function pairLines({ device, view }: Question, lamps: readonly Load[]): Line[] {
  const say = sayIn(view.region)
  const bySheet = { id: 'other-dimming', price: 0, minutes: 0, here: false }
  if (device.dims!.phase !== 'control-pair')
    return [
      line(
        'phase',
        'does-not-fit',
        say`The drivers take their level over a pair of low voltage; it would cut the wave that feeds them.`,
        'control-pair',
        { cures: [{ ...bySheet, says: say`Take a dimmer over a 0–10 V pair.` }] },
      ),
    ]
  if (lamps.some(({ phase }) => phase !== 'control-pair' && phase !== 'not-known'))
    return [
      line(
        'phase',
        'does-not-fit',
        say`It tells a driver its level over a pair of low voltage; not all of the lamps have one.`,
        'control-pair',
        { cures: [{ ...bySheet, says: say`Take a dimmer that cuts the wave.` }] },
      ),
    ]
  return lamps.some(({ phase }) => phase === 'not-known')
    ? [
        line(
          'phase',
          'not-known',
          say`Whether the drivers take their level over a 0–10 V pair is not known.`,
          'control-pair',
          {
            settledBy: say`Look at one driver of each kind: two thin wires for its level, and what its sheet says.`,
            asked: askedOf(
              'dimmed-by',
              lamps.filter(({ phase }) => phase === 'not-known'),
            ),
          },
        ),
      ]
    : [line('phase', 'fits', say`The drivers take their level over a 0–10 V pair.`, 'control-pair')]
}

function phaseLines(question: Question, lamps: readonly Load[]): Line[] {
  const say = sayIn(question.view.region)

  const edge = question.device.dims!.phase
  if (edge === 'control-pair' || lamps.some(({ phase }) => phase === 'control-pair'))
    return pairLines(question, lamps)
  if (edge === 'either') return eitherLines(lamps, say)
  const differs = lamps.filter(
    load => load.phase !== 'not-known' && load.phase !== 'either' && load.phase !== edge,
  )
  if (differs.length === 0) return []
  return [
    line(
      'phase',
      'does-not-fit',
      say`It cuts the ${edge} edge; the lamps ask for the ${differs[0]!.phase} one.`,
      'phase',
      {
        cures: [
          {
            id: 'other-edge',
            says: say`Take a dimmer for the ${differs[0]!.phase} edge, or either.`,
            price: 0,
            minutes: 0,
            here: false,
          },
        ],
      },
    ),
  ]
}
