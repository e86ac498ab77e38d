import { SALTPAN_PLANS } from './plans'
import { identify } from './identify'
import type { JobRecord } from '@/core/model/record'
import { jobBuilder } from './builder'

/** Flat 3, Saltpan Quay: a small job at 230 V, current and legacy colours. */
export function saltpanQuay(): JobRecord {
  const flat = jobBuilder({
    id: 'saltpan-quay-3',
    name: 'Flat 3, Saltpan Quay',
    address: 'Flat 3, 8 Saltpan Quay, Nether Staith',
    owners: 'Bronwen Achterberg',
    electrician: 'Ines Talbot-Roe',
    apprentice: '',
    regionId: 'europe-230',
    backFeed: 'no',
    site: { town: '', latitude: 54.3, longitude: 8.9, zone: 'Europe/Berlin' },
    note: 'Part rewired: brown and blue in the hall, red and black in the bedroom.',
  })
  flat.room('hallway', 'Hallway', 'Third floor', 'passage', [0, 1])
  flat.room('bedroom', 'Bedroom', 'Third floor', 'sleeping', [0, 0])
  flat.circuit('3', 'Lights', 6, { protection: 'residual-current', labelHolds: 'yes' })
  flat.box({
    id: 'box-hallway',
    room: 'hallway',
    name: 'By the flat door',
    breakers: ['3'],
    box: {
      material: 'metal',
      bonded: 'yes',
      volumeCubicInches: null,
      volumeBasis: null,
      depthMillimetres: 47,
      surface: 'masonry',
    },
    controls: [
      {
        group: 'hallway-light',
        name: 'Hallway lights',
        old: 'old-switch-230',
        want: 'presence',
        lamps: [
          { kind: 'led', wattsEach: 8, count: 4, dimmable: 'yes', powerFactor: 0.9, phase: 'trailing' },
        ],
      },
    ],
    cables: [
      {
        name: 'A',
        entry: 'top',
        far: 'panel',
        strands: [
          { insulation: 'brown', on: 'line', role: 'line' },
          { insulation: 'blue', on: 'joint:neutrals', role: 'neutral' },
          { insulation: 'green-yellow', on: 'joint:earths', role: 'ground' },
        ],
      },
      {
        name: 'B',
        entry: 'top',
        far: 'luminaire',
        strands: [
          { insulation: 'brown', on: 'load', role: 'switched-load' },
          { insulation: 'blue', on: 'joint:neutrals', role: 'neutral' },
          { insulation: 'green-yellow', on: 'joint:earths', role: 'ground' },
        ],
      },
    ],
  })
  identify(flat, 'box-hallway')
  flat.box({
    id: 'box-bedroom',
    room: 'bedroom',
    name: 'By the bedroom door',
    breakers: ['3'],
    basis: 'label',
    box: {
      material: 'metal',
      bonded: 'not-known',
      volumeCubicInches: null,
      volumeBasis: null,
      depthMillimetres: 25,
      surface: 'plaster',
    },
    controls: [
      {
        group: 'bedroom-light',
        name: 'Bedroom pendant',
        old: 'old-switch-230',
        want: 'dim',
        lamps: [
          { kind: 'led', wattsEach: 10, count: 1, dimmable: 'yes', powerFactor: 0.9, phase: 'trailing' },
        ],
      },
    ],
    cables: [
      {
        name: 'A',
        entry: 'top',
        far: 'luminaire',
        strands: [
          { insulation: 'red', on: 'line', role: 'loop-feed' },
          { insulation: 'black', on: 'load', role: 'loop-return' },
          { insulation: 'green', on: 'joint:earths', role: 'ground' },
        ],
      },
    ],
  })
  passage(flat)
  flat.plans(SALTPAN_PLANS)
  return flat.record()
}

/** A passage worked from both ends: three-core cable between the boxes, its colours saying nothing. */
function passage(flat: ReturnType<typeof jobBuilder>) {
  const light = {
    group: 'passage-light',
    name: 'Passage light',
    old: 'old-two-place-230',
    want: 'presence' as const,
  }
  const box = {
    material: 'plastic' as const,
    volumeCubicInches: null,
    volumeBasis: null,
    depthMillimetres: 35,
    surface: 'plaster' as const,
  }
  flat.room('passage', 'Passage', 'Third floor', 'passage', [1, 1])
  flat.box({
    id: 'box-passage-hall',
    room: 'passage',
    name: 'Hall end',
    breakers: ['3'],
    box,
    controls: [
      { ...light, lamps: [{ kind: 'led', wattsEach: 6, count: 2, dimmable: 'yes', powerFactor: 0.9 }] },
    ],
    cables: [
      {
        name: 'A',
        entry: 'bottom',
        far: 'panel',
        strands: [
          { insulation: 'brown', on: 'common', role: 'line' },
          { insulation: 'blue', on: 'joint:neutrals', role: 'neutral' },
          { insulation: 'green-yellow', on: 'joint:earths', role: 'ground' },
        ],
      },
    ],
  })
  flat.box({
    id: 'box-passage-bath',
    room: 'passage',
    name: 'Bath end',
    breakers: ['3'],
    box,
    controls: [light],
    cables: [
      {
        name: 'C',
        entry: 'top',
        far: 'luminaire',
        strands: [
          { insulation: 'brown', on: 'common', role: 'switched-load' },
          { insulation: 'blue', on: 'joint:neutrals', role: 'neutral' },
          { insulation: 'green-yellow', on: 'joint:earths', role: 'ground' },
        ],
      },
    ],
  })
  flat.run({
    name: 'B',
    from: 'box-passage-hall',
    to: 'box-passage-bath',
    strands: [
      { insulation: 'brown', on: ['traveller-a', 'traveller-b'], role: 'traveller' },
      { insulation: 'grey', on: ['traveller-b', 'traveller-a'], role: 'traveller' },
      { insulation: 'blue', on: ['joint:neutrals', 'joint:neutrals'], role: 'neutral' },
      { insulation: 'green-yellow', on: ['joint:earths', 'joint:earths'], role: 'ground' },
    ],
  })
}
