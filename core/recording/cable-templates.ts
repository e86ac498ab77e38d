import type { Insulation, RegionId } from '../model/vocabulary'

/** What usually comes in one sheath, to be corrected on the drawing. */
export interface CableTemplate {
  readonly id: string
  readonly words: string
  readonly insulations: readonly Insulation[]
}

export const CABLE_TEMPLATES: Readonly<Record<RegionId, readonly CableTemplate[]>> = {
  'north-america-120': [
    { id: 'two-ground', words: 'Two and ground', insulations: ['black', 'white', 'bare'] },
    { id: 'three-ground', words: 'Three and ground', insulations: ['black', 'red', 'white', 'bare'] },
    {
      id: 'four-ground',
      words: 'Four and ground',
      insulations: ['black', 'red', 'blue', 'white', 'bare'],
    },
    { id: 'two', words: 'Two, no ground', insulations: ['black', 'white'] },
  ],
  'europe-230': [
    { id: 'two-earth', words: 'Brown, blue, earth', insulations: ['brown', 'blue', 'green-yellow'] },
    {
      id: 'three-earth',
      words: 'Brown, black, grey, earth',
      insulations: ['brown', 'black', 'grey', 'green-yellow'],
    },
    { id: 'old-two-earth', words: 'Red, black, earth', insulations: ['red', 'black', 'green'] },
    {
      id: 'old-three-earth',
      words: 'Red, yellow, blue, earth',
      insulations: ['red', 'yellow', 'blue', 'green'],
    },
  ],
}
