import type { Control, jobBuilder } from './builder'
import { strand } from './usual'

type House = ReturnType<typeof jobBuilder>

/** 1949: both poles go to both switches, so the lamp’s shell is live in half of the positions. */
export function cellarSteps(house: House) {
  const light: Control = {
    group: 'cellar-steps',
    name: 'Cellar steps',
    old: 'old-two-place-no-ground',
    want: 'switch',
  }
  const gauge = '12 AWG' as const
  const old = { sheath: 'cloth' as const, entry: 'bottom' as const }
  const plaster = { surface: 'plaster' as const, material: 'plastic' as const }
  house.box({
    id: 'box-steps-head',
    room: 'hall',
    name: 'Beside the cellar door',
    breakers: ['2'],
    box: plaster,
    controls: [{ ...light, lamps: [{ kind: 'tungsten', wattsEach: 60, count: 1 }] }],
    cables: [
      {
        ...old,
        name: 'A',
        far: 'panel',
        strands: [
          strand('black', 'joint:hots', 'line', { gauge }),
          strand('white', 'joint:whites', 'neutral', { gauge }),
        ],
      },
      {
        ...old,
        entry: 'top',
        name: 'B',
        far: 'luminaire',
        strands: [strand('black', 'common', 'switched-load', { group: 'cellar-steps', gauge })],
      },
    ],
    pigtails: [
      ['hots', 'traveller-a'],
      ['whites', 'traveller-b'],
    ],
  })
  house.box({
    id: 'box-steps-foot',
    room: 'cellar',
    name: 'By the coal hatch',
    breakers: ['2'],
    box: plaster,
    controls: [light],
    cables: [
      {
        ...old,
        entry: 'top',
        name: 'D',
        far: 'luminaire',
        farLoad: 'cellar-steps-lamp-1',
        strands: [strand('black', 'common', 'neutral', { gauge })],
      },
    ],
  })
  house.run({
    name: 'C',
    from: 'box-steps-head',
    to: 'box-steps-foot',
    sheath: 'cloth',
    entries: ['bottom', 'bottom'],
    strands: [
      { insulation: 'black', on: ['joint:hots', 'traveller-a'], role: 'line', gauge },
      { insulation: 'white', on: ['joint:whites', 'traveller-b'], role: 'neutral', gauge },
    ],
  })
}

/** Both legs of the studio’s shared neutral come through this box. */
export function wheel(house: House) {
  const gauge = '12 AWG' as const
  house.box({
    id: 'box-wheel',
    room: 'studio',
    name: 'By the wheel',
    breakers: ['11', '13'],
    box: { volumeCubicInches: 30 },
    controls: [
      {
        group: 'wheel-light',
        name: 'Light over the wheel',
        old: 'old-switch',
        want: 'dim',
        lamps: [{ kind: 'tungsten', wattsEach: 100, count: 2, metalLuminaire: 'yes' }],
      },
    ],
    cables: [
      {
        name: 'A',
        entry: 'bottom',
        far: 'panel',
        strands: [
          strand('black', 'joint:kiln', 'line', { gauge, circuit: '11' }),
          strand('red', 'upper', 'line', { gauge, circuit: '13' }),
          strand('white', 'joint:whites', 'neutral', { gauge }),
          strand('bare', 'joint:grounds', 'ground', { gauge }),
        ],
      },
      {
        name: 'B',
        entry: 'top',
        far: 'luminaire',
        strands: [
          strand('black', 'lower', 'switched-load', { gauge, group: 'wheel-light' }),
          strand('white', 'joint:whites', 'neutral', { gauge }),
          strand('bare', 'joint:grounds', 'ground', { gauge }),
        ],
      },
      {
        name: 'C',
        entry: 'bottom',
        far: 'elsewhere',
        strands: [
          strand('black', 'joint:kiln', 'onward-feed', { gauge, circuit: '11' }),
          strand('white', 'joint:whites', 'neutral', { gauge }),
          strand('bare', 'joint:grounds', 'ground', { gauge }),
        ],
      },
    ],
    pigtails: [['grounds', 'ground']],
  })
}
