import type { JobRecord } from '@/core/model/record'
import { jobBuilder, type CableAsFound, type Strand } from './builder'

const strand = (
  insulation: Strand['insulation'],
  on: string,
  role?: Strand['role'],
  more: Partial<Strand> = {},
): Strand => ({
  insulation,
  on,
  role,
  ...more,
})

/** Feed from the panel below, lamp cable above: the usual box fed at the switch. */
function fedAtTheSwitch(
  roles: boolean,
  more: {
    gauge?: Strand['gauge']
    loadGauge?: Strand['gauge']
    metal?: Strand['metal']
    hot?: Strand['insulation']
  } = {},
): CableAsFound[] {
  const role = (name: Strand['role']) => (roles ? name : undefined)
  const feed = { gauge: more.gauge, metal: more.metal }
  const load = { gauge: more.loadGauge ?? more.gauge, metal: more.metal }
  return [
    {
      name: 'A',
      entry: 'bottom',
      far: 'panel',
      strands: [
        strand(more.hot ?? 'black', 'upper', role('line'), feed),
        strand('white', 'joint:whites', role('neutral'), feed),
        strand('bare', 'joint:grounds', role('ground'), feed),
      ],
    },
    {
      name: 'B',
      entry: 'top',
      far: 'luminaire',
      strands: [
        strand('black', 'lower', role('switched-load'), load),
        strand('white', 'joint:whites', role('neutral'), load),
        strand('bare', 'joint:grounds', role('ground'), load),
      ],
    },
  ]
}

/** Quillback Road 27: built in 1949, enlarged in 1971, being made easy for its owners. */
export function quillbackRoad(): JobRecord {
  const house = jobBuilder({
    id: 'quillback-road-27',
    name: 'Quillback Road 27',
    address: '27 Quillback Road, Tern Harbour',
    owners: 'Odalys and Wim Farrow-Beck',
    electrician: 'Ines Talbot-Roe',
    apprentice: 'Kofi Marsh',
    regionId: 'north-america-120',
    note: 'Built in 1949, enlarged in 1971. Pottery studio in the yard. The owners want to reach every light without a stair in the dark.',
  })

  house.room('hall', 'Hall', 'Ground floor')
  house.room('pantry', 'Pantry', 'Ground floor')
  house.room('reading-room', 'Reading room', 'Ground floor')
  house.room('sewing-room', 'Sewing room', 'Ground floor')
  house.room('bath', 'Bath', 'Ground floor')
  house.room('veranda', 'Veranda', 'Outside')
  house.room('porch', 'Front porch', 'Outside')
  house.room('guest-room', 'Guest room', 'Upstairs')
  house.room('playroom', 'Playroom', 'Upstairs')
  house.room('linen', 'Linen closet', 'Upstairs')
  house.room('cellar', 'Cellar', 'Cellar')
  house.room('studio', 'Pottery studio', 'Yard')

  house.circuit('1', 'Kitchen lights', 15, { labelHolds: 'yes' })
  house.circuit('2', 'Freezer, cellar', 20, {
    labelHolds: 'yes',
    note: 'The freezer stands at most 30 minutes off.',
  })
  house.circuit('4', 'Hall and stair', 15, { labelHolds: 'yes' })
  house.circuit('5', 'Range hood', 15, { labelHolds: 'no', note: 'Found to feed the sewing room.' })
  house.circuit('6', 'Reading, bath', 15, { labelHolds: 'yes', protection: 'ground-fault' })
  house.circuit('8', 'Bedrooms', 15, { labelHolds: 'not-known' })
  house.circuit('9', 'Playroom, 1971', 15)
  house.circuit('11', 'Studio A', 20, { sharedNeutralWithId: 'circuit-13', poles: 2 })
  house.circuit('13', 'Studio B', 20, { sharedNeutralWithId: 'circuit-11', poles: 2 })

  // Only begun: nobody has looked behind the plate yet.
  house.box({
    id: 'box-pantry',
    room: 'pantry',
    name: 'Inside the door',
    breakers: ['1'],
    basis: 'label',
    box: {
      material: 'not-known',
      volumeCubicInches: null,
      volumeBasis: null,
      depthMillimetres: null,
      surface: 'not-known',
      recorded: false,
    },
    controls: [{ group: 'pantry-light', name: 'Pantry light', old: 'old-switch', want: 'presence' }],
    cables: [],
  })

  // A switch loop: the white is hot, and no neutral comes into the box.
  house.box({
    id: 'box-guest-room',
    room: 'guest-room',
    name: 'By the door',
    breakers: ['8'],
    basis: 'label',
    box: { volumeCubicInches: 18, depthMillimetres: 70 },
    controls: [
      {
        group: 'guest-light',
        name: 'Guest room ceiling',
        old: 'old-switch',
        want: 'dim',
        lamps: [
          { kind: 'led', wattsEach: 9, count: 3, dimmable: 'yes', powerFactor: 0.9, metalLuminaire: 'yes' },
        ],
      },
    ],
    cables: [
      {
        name: 'A',
        entry: 'top',
        far: 'luminaire',
        strands: [
          strand('white', 'upper', 'loop-feed'),
          strand('black', 'lower', 'loop-return'),
          strand('bare', 'joint:grounds', 'ground'),
        ],
      },
    ],
    pigtails: [['grounds', 'ground']],
  })

  // 1949: cloth cable in a metal box, no ground anywhere.
  house.box({
    id: 'box-cellar',
    room: 'cellar',
    name: 'Foot of the steps',
    breakers: ['2'],
    box: {
      material: 'metal',
      volumeCubicInches: 12.5,
      volumeBasis: 'table',
      depthMillimetres: 63,
      surface: 'masonry',
      innerClamps: true,
      bonded: 'no',
    },
    controls: [
      {
        group: 'cellar-light',
        name: 'Cellar light',
        old: 'old-switch-no-ground',
        want: 'presence',
        lamps: [{ kind: 'tungsten', wattsEach: 60, count: 2, metalLuminaire: 'no' }],
      },
    ],
    cables: [
      {
        name: 'A',
        entry: 'bottom',
        far: 'panel',
        sheath: 'cloth',
        strands: [strand('black', 'upper', 'line'), strand('white', 'joint:whites', 'neutral')],
      },
      {
        name: 'B',
        entry: 'top',
        far: 'luminaire',
        sheath: 'cloth',
        strands: [strand('black', 'lower', 'switched-load'), strand('white', 'joint:whites', 'neutral')],
      },
    ],
  })

  // 1971: aluminium throughout.
  house.box({
    id: 'box-playroom',
    room: 'playroom',
    name: 'By the window',
    breakers: ['9'],
    basis: 'label',
    controls: [
      {
        group: 'playroom-light',
        name: 'Playroom ceiling',
        old: 'old-switch',
        want: 'switch',
        lamps: [{ kind: 'cfl', wattsEach: 14, count: 4, dimmable: 'no' }],
      },
    ],
    cables: fedAtTheSwitch(false, { gauge: '12 AWG', metal: 'aluminium' }),
    pigtails: [['grounds', 'ground']],
  })

  // The dimmed track; everything known, a device to be chosen.
  house.box({
    id: 'box-reading-room',
    room: 'reading-room',
    name: 'Beside the shelf',
    breakers: ['6'],
    controls: [
      {
        group: 'reading-track',
        name: 'Reading room track',
        old: 'old-dimmer',
        want: 'dim',
        lamps: [
          { kind: 'led', wattsEach: 17, count: 8, dimmable: 'yes', powerFactor: 0.6, metalLuminaire: 'yes' },
        ],
      },
    ],
    cables: [
      {
        name: 'A',
        entry: 'bottom',
        far: 'panel',
        strands: [
          strand('black', 'line', 'line'),
          strand('white', 'joint:whites', 'neutral'),
          strand('bare', 'joint:grounds', 'ground'),
        ],
      },
      {
        name: 'B',
        entry: 'top',
        far: 'luminaire',
        strands: [
          strand('black', 'load', 'switched-load'),
          strand('white', 'joint:whites', 'neutral'),
          strand('bare', 'joint:grounds', 'ground'),
        ],
      },
    ],
    pigtails: [['grounds', 'ground']],
  })
  house.proveRoles('box-reading-room')

  // Tubes on electronic ballasts; the red is the feed here, and the panel's label is wrong.
  house.box({
    id: 'box-sewing-room',
    room: 'sewing-room',
    name: 'Behind the door',
    breakers: ['5'],
    controls: [
      {
        group: 'sewing-tubes',
        name: 'Sewing room tubes',
        old: 'old-switch',
        want: 'presence',
        lamps: [{ kind: 'electronic-ballast', wattsEach: 58, count: 4, powerFactor: 0.95, longHours: true }],
      },
    ],
    cables: fedAtTheSwitch(true, { hot: 'red' }),
    pigtails: [['grounds', 'ground']],
  })
  house.proveRoles('box-sewing-room')

  // 12 AWG on 20 A, but somebody put a 14 AWG piece to the lamp.
  house.box({
    id: 'box-studio',
    room: 'studio',
    name: 'By the kiln door',
    breakers: ['11'],
    box: {
      material: 'metal',
      bonded: 'yes',
      volumeCubicInches: 21,
      volumeBasis: 'table',
      depthMillimetres: 54,
      surface: 'wood',
      setBackMillimetres: 5,
      innerClamps: true,
    },
    controls: [
      {
        group: 'studio-lights',
        name: 'Studio work lights',
        old: 'old-switch',
        want: 'switch',
        lamps: [
          {
            kind: 'led',
            wattsEach: 40,
            count: 6,
            dimmable: 'no',
            powerFactor: 0.92,
            longHours: true,
            metalLuminaire: 'yes',
          },
        ],
      },
    ],
    cables: fedAtTheSwitch(true, { gauge: '12 AWG', loadGauge: '14 AWG' }),
    pigtails: [
      ['grounds', 'ground'],
      ['grounds', 'box'],
    ],
  })

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
  house.proveRoles('box-bath')

  // Lit from dusk; the box is dead and the work has begun.
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
  house.proveRoles('box-veranda')
  house.isolate('box-veranda')
  house.work('box-veranda', 4)

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
  house.proveRoles('box-linen')
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
  house.proveRoles('box-hall')
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
  house.proveRoles('box-porch')
  house.isolate('box-porch')
  house.work('box-porch')
  house.passTests('box-porch')

  return house.record()
}
