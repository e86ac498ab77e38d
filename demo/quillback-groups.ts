import type { Control, jobBuilder, RunStrand } from './builder'
import type { Gauge } from '@/core/model/vocabulary'
import { strand } from './usual'

type House = ReturnType<typeof jobBuilder>

/** Feed from the panel: hot where it is said, neutral and ground in their joints. */
const feed = (name: string, hot: string, circuit?: string, gauge?: Gauge) => ({
  name,
  entry: 'bottom' as const,
  far: 'panel' as const,
  strands: [
    strand('black', hot, 'line', { circuit, gauge }),
    strand('white', 'joint:whites', 'neutral', { circuit, gauge }),
    strand('bare', 'joint:grounds', 'ground', { gauge }),
  ],
})

/** Cable to the lamps: the switched conductor from where it is said. */
const toLamps = (name: string, switched: string, group: string, gauge?: Gauge) => ({
  name,
  entry: 'top' as const,
  far: 'luminaire' as const,
  strands: [
    strand('black', switched, 'switched-load', { group, gauge }),
    strand('white', 'joint:whites', 'neutral', { gauge }),
    strand('bare', 'joint:grounds', 'ground', { gauge }),
  ],
})

const GROUND: RunStrand = { insulation: 'bare', on: ['joint:grounds', 'joint:grounds'], role: 'ground' }
const NEUTRAL: RunStrand = { insulation: 'white', on: ['joint:whites', 'joint:whites'], role: 'neutral' }

const travellers = (from: readonly [string, string], to: readonly [string, string]): RunStrand[] => [
  { insulation: 'red', on: [from[0], to[0]], role: 'traveller' },
  { insulation: 'black', on: [from[1], to[1]], role: 'traveller' },
]

const PAIR = ['traveller-a', 'traveller-b'] as const
const GROUNDED = [['grounds', 'ground']] as const

/** Lights that are worked from more than one place, and boxes where more than one thing meets. */
export function groupBoxes(house: House): void {
  house.room('stair', 'Stair', 'Ground floor', 'passage', [1, 0])
  house.room('kitchen', 'Kitchen', 'Ground floor', 'kitchen', [2, 0])
  house.room('bedroom', 'Bedroom', 'Upstairs', 'sleeping', [0, 0])
  house.room('darkroom', 'Darkroom', 'Cellar', 'work', [1, 0])
  house.room('carport', 'Carport', 'Outside', 'outside', [2, 0])
  stair(house)
  kitchen(house)
  bedroom(house)
  darkroom(house)
  carport(house)
}

/** Three positions: fed at the bottom, the lamps at the top. */
function stair(house: House) {
  const light = (old: string): Control => ({ group: 'stair-light', name: 'Stair light', old, want: 'dim' })
  house.box({
    id: 'box-stair-bottom',
    room: 'stair',
    name: 'Bottom',
    breakers: ['4'],
    controls: [
      {
        ...light('old-two-place-switch'),
        lamps: [{ kind: 'led', wattsEach: 9, count: 3, dimmable: 'yes', powerFactor: 0.9 }],
      },
    ],
    cables: [feed('A', 'common')],
    pigtails: GROUNDED,
  })
  house.box({
    id: 'box-stair-middle',
    room: 'stair',
    name: 'Landing',
    breakers: ['4'],
    controls: [light('old-middle-switch')],
    cables: [],
    pigtails: GROUNDED,
  })
  house.box({
    id: 'box-stair-top',
    room: 'stair',
    name: 'Top',
    breakers: ['4'],
    controls: [light('old-two-place-switch')],
    cables: [toLamps('D', 'common', 'stair-light')],
    pigtails: GROUNDED,
  })
  house.run({
    name: 'B',
    from: 'box-stair-bottom',
    to: 'box-stair-middle',
    strands: [...travellers(PAIR, ['first-a', 'first-b']), NEUTRAL, GROUND],
  })
  house.run({
    name: 'C',
    from: 'box-stair-middle',
    to: 'box-stair-top',
    strands: [...travellers(['second-a', 'second-b'], PAIR), NEUTRAL, GROUND],
  })
}

/** Three gangs by the island, where two circuits meet; the ceiling is worked from the door too. */
function kitchen(house: House) {
  const ceiling: Control = {
    group: 'kitchen-ceiling',
    name: 'Kitchen ceiling',
    old: 'old-two-place-switch',
    want: 'dim',
  }
  house.box({
    id: 'box-island',
    room: 'kitchen',
    name: 'By the island',
    breakers: ['1', '5'],
    box: { volumeCubicInches: 44, volumeBasis: 'marked' },
    controls: [
      {
        group: 'island-pendants',
        name: 'Island pendants',
        old: 'old-switch',
        want: 'dim',
        lamps: [{ kind: 'led', wattsEach: 7, count: 3, dimmable: 'yes', powerFactor: 0.9 }],
      },
      {
        ...ceiling,
        lamps: [{ kind: 'led', wattsEach: 11, count: 6, dimmable: 'yes', powerFactor: 0.9 }],
      },
      {
        group: 'hood-light',
        name: 'Light over the range',
        old: 'old-switch',
        want: 'switch',
        lamps: [{ kind: 'tungsten', wattsEach: 40, count: 1 }],
      },
    ],
    cables: [
      feed('A', 'joint:hots', '1'),
      toLamps('B', '1.lower', 'island-pendants'),
      {
        name: 'C',
        entry: 'bottom',
        far: 'panel',
        strands: [
          strand('black', '3.upper', 'line', { circuit: '5' }),
          strand('white', 'joint:other-whites', 'neutral', { circuit: '5' }),
          strand('bare', 'joint:grounds', 'ground'),
        ],
      },
      {
        name: 'D',
        entry: 'top',
        far: 'luminaire',
        strands: [
          strand('black', '3.lower', 'switched-load', { group: 'hood-light' }),
          strand('white', 'joint:other-whites', 'neutral', { circuit: '5' }),
          strand('bare', 'joint:grounds', 'ground'),
        ],
      },
    ],
    pigtails: [
      ['hots', '1.upper'],
      ['hots', '2.common'],
      ['grounds', '1.ground'],
      ['grounds', '2.ground'],
      ['grounds', '3.ground'],
    ],
  })
  house.box({
    id: 'box-kitchen-door',
    room: 'kitchen',
    name: 'By the door',
    breakers: ['1'],
    controls: [ceiling],
    cables: [toLamps('F', 'common', 'kitchen-ceiling')],
    pigtails: GROUNDED,
  })
  house.run({
    name: 'E',
    from: 'box-island',
    to: 'box-kitchen-door',
    strands: [...travellers(['2.traveller-a', '2.traveller-b'], PAIR), NEUTRAL, GROUND],
  })
}

/** Fed at the bedside, beside a receptacle; the lamp hangs on the door’s box. */
function bedroom(house: House) {
  const light: Control = {
    group: 'bedroom-light',
    name: 'Bedroom ceiling',
    old: 'old-two-place-switch',
    want: 'remote',
  }
  house.box({
    id: 'box-bedside',
    room: 'bedroom',
    name: 'Bedside',
    breakers: ['8'],
    box: { volumeCubicInches: 34 },
    controls: [
      { ...light, lamps: [{ kind: 'led', wattsEach: 10, count: 4, dimmable: 'yes', powerFactor: 0.9 }] },
      { group: 'bedside-receptacle', name: 'Bedside receptacle', old: 'old-receptacle' },
    ],
    cables: [feed('A', 'joint:hots')],
    pigtails: [
      ['hots', '1.common'],
      ['hots', '2.hot'],
      ['whites', '2.neutral'],
      ['grounds', '1.ground'],
      ['grounds', '2.ground'],
    ],
  })
  house.box({
    id: 'box-bedroom-door',
    room: 'bedroom',
    name: 'By the door',
    breakers: ['8'],
    controls: [light],
    cables: [toLamps('C', 'common', 'bedroom-light')],
    pigtails: GROUNDED,
  })
  house.run({
    name: 'B',
    from: 'box-bedside',
    to: 'box-bedroom-door',
    strands: [...travellers(['1.traveller-a', '1.traveller-b'], PAIR), NEUTRAL, GROUND],
  })
}

/** The extractor is to run on a countdown from both places; it shares the freezer’s circuit. */
function darkroom(house: House) {
  const gauge = '12 AWG' as const
  const fan: Control = {
    group: 'darkroom-extractor',
    name: 'Darkroom extractor',
    old: 'old-two-place-switch',
    want: 'countdown',
  }
  house.box({
    id: 'box-darkroom-door',
    room: 'darkroom',
    name: 'By the door',
    breakers: ['2'],
    controls: [
      { ...fan, lamps: [{ kind: 'fan-motor', wattsEach: 45, count: 1, powerFactor: 0.7, horsepower: 0.05 }] },
    ],
    cables: [feed('A', 'common', undefined, gauge)],
    pigtails: GROUNDED,
  })
  house.box({
    id: 'box-darkroom-bench',
    room: 'darkroom',
    name: 'Over the bench',
    breakers: ['2'],
    controls: [fan],
    cables: [toLamps('C', 'common', 'darkroom-extractor', gauge)],
    pigtails: GROUNDED,
  })
  house.run({
    name: 'B',
    from: 'box-darkroom-door',
    to: 'box-darkroom-bench',
    strands: [...travellers(PAIR, PAIR), NEUTRAL, GROUND].map(each => ({
      ...each,
      gauge,
    })),
  })
}

/** Fed and loaded at the carport; the gate has only travellers and a white that is hot: no neutral. Nobody has read them yet. */
function carport(house: House) {
  const light: Control = {
    group: 'path-light',
    name: 'Carport and path',
    old: 'old-two-place-switch',
    want: 'remote',
  }
  house.box({
    id: 'box-carport',
    room: 'carport',
    name: 'By the side door',
    breakers: ['4'],
    controls: [
      {
        ...light,
        lamps: [{ kind: 'led', wattsEach: 8, count: 5, powerFactor: 0.9, longHours: true }],
      },
    ],
    cables: [feed('A', 'common'), toLamps('B', 'joint:switched', 'path-light')],
    pigtails: GROUNDED,
  })
  house.box({
    id: 'box-gate',
    room: 'carport',
    name: 'At the gate',
    breakers: ['4'],
    controls: [light],
    cables: [],
    pigtails: GROUNDED,
  })
  house.run({
    name: 'C',
    from: 'box-carport',
    to: 'box-gate',
    entries: ['bottom', 'bottom'],
    strands: [
      ...travellers(PAIR, PAIR),
      { insulation: 'white', on: ['joint:switched', 'common'], role: 'switched-load', group: 'path-light' },
      GROUND,
    ],
  })
  house.unread('box-carport', 'box-gate')
}
