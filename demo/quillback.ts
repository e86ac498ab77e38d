import { identify } from './identify'
import type { JobRecord } from '@/core/model/record'
import { jobBuilder } from './builder'
import { QUILLBACK_PROGRAMS } from './programs'
import { QUILLBACK_PLANS } from './plans'
import { groupBoxes } from './quillback-groups'
import { cellarSteps, wheel } from './quillback-old'
import { workedBoxes } from './quillback-worked'
import { fedAtTheSwitch, strand, switchLoop } from './usual'

/** A record never changes, and reading its boxes takes a while: built once. */
let built: JobRecord | null = null

/** Quillback Road 27: built in 1949, enlarged in 1971, being made easy for its owners. */
export const quillbackRoad = (): JobRecord => (built ??= build())

function build(): JobRecord {
  const house = jobBuilder({
    id: 'quillback-road-27',
    name: 'Quillback Road 27',
    address: '27 Quillback Road, Tern Harbour',
    owners: 'Odalys and Wim Farrow-Beck',
    electrician: 'Ines Talbot-Roe',
    apprentice: 'Kofi Marsh',
    regionId: 'north-america-120',
    backFeed: 'no',
    site: { town: '', latitude: 44.1, longitude: -69.1, zone: 'America/New_York' },
    note: 'Built in 1949, enlarged in 1971. Pottery studio in the yard. The owners want to reach every light without a stair in the dark.',
  })

  house.room('hall', 'Hall', 'Ground floor', 'passage', [1, 1])
  house.room('pantry', 'Pantry', 'Ground floor', 'store', [3, 0])
  house.room('reading-room', 'Reading room', 'Ground floor', 'living', [0, 0])
  house.room('sewing-room', 'Sewing room', 'Ground floor', 'work', [0, 1])
  house.room('bath', 'Bath', 'Ground floor', 'wet', [2, 1])
  house.room('veranda', 'Veranda', 'Outside', 'outside', [1, 0])
  house.room('porch', 'Front porch', 'Outside', 'outside', [1, 1])
  house.room('guest-room', 'Guest room', 'Upstairs', 'sleeping', [1, 0])
  house.room('playroom', 'Playroom', 'Upstairs', 'living', [1, 1])
  house.room('linen', 'Linen closet', 'Upstairs', 'store', [0, 1])
  house.room('cellar', 'Cellar', 'Cellar', 'store', [0, 0])
  house.room('studio', 'Pottery studio', 'Yard', 'work', [0, 0])

  house.plans(QUILLBACK_PLANS)

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
  house.circuit('11', 'Studio A', 20, {
    sharedNeutralWithId: 'circuit-13',
    handleWithId: 'circuit-13',
    poles: 2,
  })
  house.circuit('13', 'Studio B', 20, {
    sharedNeutralWithId: 'circuit-11',
    handleWithId: 'circuit-11',
    poles: 2,
  })

  house.put('crew', { id: 'electrician', name: 'Ines Talbot-Roe', readsLive: true, atPanel: false })
  house.put('crew', { id: 'apprentice', name: 'Kofi Marsh', readsLive: false, atPanel: false })
  const keep = { roomId: null, circuitId: null, minutes: null }
  house.put('keeps', { ...keep, id: 'freezer', kind: 'off-at-most', circuitId: 'circuit-2', minutes: 30 })
  house.put('keeps', { ...keep, id: 'lit-stair', kind: 'lit-tonight', roomId: 'stair' })

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
    cables: switchLoop(true),
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
    cables: fedAtTheSwitch(true, { screws: ['line', 'load'] }),
    pigtails: [['grounds', 'ground']],
  })
  identify(house, 'box-reading-room')

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
  identify(house, 'box-sewing-room')

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

  groupBoxes(house)
  cellarSteps(house)
  wheel(house)
  identify(house, 'box-wheel')
  identify(house, 'box-stair-bottom', 'box-stair-middle', 'box-stair-top')
  identify(house, 'box-darkroom-door', 'box-darkroom-bench')
  workedBoxes(house)
  house.programs(QUILLBACK_PROGRAMS)
  return house.record()
}
