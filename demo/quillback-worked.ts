import { identify } from './identify'
import type { jobBuilder } from './builder'
import { fedAtTheSwitch, strand } from './usual'

/** The boxes of Quillback Road on which work has begun, from a chosen device to one that is done. */
export function workedBoxes(house: ReturnType<typeof jobBuilder>): void {
  // Light and fan side by side.
  house.box({
    id: 'box-bath',
    room: 'bath',
    name: 'Outside the bath',
    breakers: ['6'],
    box: { volumeCubicInches: 34, gangs: 2 },
    controls: [
      {
        group: 'bath-light',
        name: 'Bath mirror light',
        old: 'old-switch',
        want: 'presence',
        lamps: [
          { kind: 'led', wattsEach: 12, count: 2, dimmable: 'no', powerFactor: 0.8, metalLuminaire: 'yes' },
        ],
        choice: 'sensor-neutral',
      },
      {
        group: 'bath-fan',
        name: 'Bath fan',
        old: 'old-timer',
        want: 'countdown',
        lamps: [{ kind: 'fan-motor', wattsEach: 35, count: 1, horsepower: 1 / 6, metalLuminaire: 'yes' }],
      },
    ],
    cables: [
      {
        name: 'A',
        entry: 'bottom',
        far: 'panel',
        strands: [
          strand('black', 'joint:hots', 'line'),
          strand('white', 'joint:whites', 'neutral'),
          strand('bare', 'joint:grounds', 'ground'),
        ],
      },
      {
        name: 'B',
        entry: 'top',
        far: 'luminaire',
        strands: [
          strand('black', '1.lower', 'switched-load', { group: 'bath-light' }),
          strand('white', 'joint:whites', 'neutral'),
          strand('bare', 'joint:grounds', 'ground'),
        ],
      },
      {
        name: 'C',
        entry: 'top',
        far: 'luminaire',
        strands: [
          strand('black', '2.load', 'switched-load', { group: 'bath-fan' }),
          strand('white', 'joint:whites', 'neutral'),
          strand('bare', 'joint:grounds', 'ground'),
        ],
      },
    ],
    pigtails: [
      ['hots', '1.upper'],
      ['hots', '2.line'],
      ['grounds', '1.ground'],
      ['grounds', '2.ground'],
    ],
  })
  identify(house, 'box-bath')

  // Lit from dusk.
  house.box({
    id: 'box-veranda',
    room: 'veranda',
    name: 'Inside the veranda door',
    breakers: ['4'],
    controls: [
      {
        group: 'veranda-lights',
        name: 'Veranda lights',
        old: 'old-switch',
        want: 'sun',
        lamps: [
          {
            kind: 'led',
            wattsEach: 7,
            count: 5,
            dimmable: 'no',
            powerFactor: 0.7,
            metalLuminaire: 'yes',
            longHours: true,
          },
        ],
        choice: 'time-switch-sun',
      },
    ],
    cables: fedAtTheSwitch(true),
    pigtails: [['grounds', 'ground']],
  })
  identify(house, 'box-veranda')

  // Wired; its settings are open.
  house.box({
    id: 'box-linen',
    room: 'linen',
    name: 'Left of the shelves',
    breakers: ['8'],
    controls: [
      {
        group: 'linen-light',
        name: 'Linen closet light',
        old: 'old-switch',
        want: 'presence',
        lamps: [{ kind: 'led', wattsEach: 9, count: 1, dimmable: 'no', powerFactor: 0.9 }],
        choice: 'sensor-neutral',
      },
    ],
    cables: fedAtTheSwitch(true),
    pigtails: [['grounds', 'ground']],
  })
  identify(house, 'box-linen')
  house.isolate('box-linen')
  house.work('box-linen')

  // Wired and set; its tests are open.
  house.box({
    id: 'box-hall',
    room: 'hall',
    name: 'Coat corner',
    breakers: ['4'],
    controls: [
      {
        group: 'hall-light',
        name: 'Hall lantern',
        old: 'old-switch',
        want: 'dim',
        lamps: [
          { kind: 'led', wattsEach: 9, count: 4, dimmable: 'yes', powerFactor: 0.9, metalLuminaire: 'yes' },
        ],
        choice: 'dimmer-led-150-neutral',
      },
    ],
    cables: fedAtTheSwitch(true),
    pigtails: [['grounds', 'ground']],
  })
  identify(house, 'box-hall')
  house.isolate('box-hall')
  house.work('box-hall')
  house.makeSettings('box-hall')

  // Done.
  house.box({
    id: 'box-porch',
    room: 'porch',
    name: 'Right of the front door',
    breakers: ['4'],
    controls: [
      {
        group: 'porch-light',
        name: 'Porch light',
        old: 'old-switch',
        want: 'switch',
        lamps: [
          { kind: 'led', wattsEach: 8, count: 2, dimmable: 'yes', powerFactor: 0.9, metalLuminaire: 'yes' },
        ],
        choice: 'switch-plain-15',
      },
    ],
    cables: fedAtTheSwitch(true),
    pigtails: [['grounds', 'ground']],
  })
  identify(house, 'box-porch')
  house.isolate('box-porch')
  house.work('box-porch')
  house.passTests('box-porch')

  // Dead, and the work on it begun: last, since the hall shares its breaker.
  house.isolate('box-veranda')
  house.work('box-veranda', 4)
}
